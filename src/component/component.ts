import { callPlace, failure, placeOf } from '../problem/index.js';
import {
  type AttributesOfAny,
  type BaseNode,
  type Content,
  type ExprOf,
  type Provided,
  type TemplateText,
  textSlots,
  UseNode,
} from '../template/index.js';
import { brandComponent, type ComponentCore, componentCore, declared, type HandlerFunction } from './core.js';
import type { AnyEventKind } from './event.js';
import type { AnyKind, Kind } from './kind.js';
import { any } from './kinds/any.js';
import type { TagKind } from './kinds/tag.js';
import { nameFault } from './name.js';
import { type AnySlotKind, slot } from './slot.js';
import type {
  ConnectedContext,
  ContentArguments,
  EventKinds,
  FieldParts,
  GivenProps,
  GivenSlots,
  HandlerContext,
  PropInputs,
  PropKinds,
  PropValues,
  Show,
  SlotKinds,
  TemplateContext,
  UseArguments,
} from './types.js';

declare const types: unique symbol;

/** One use of a component, with its props and its content: what calling a component gives. */
export type Use = UseNode;

/** A component: call it to use it. `Props` and `Slots` are the plain records that a use gives. */
export interface Component<Props = never, Slots = never> {
  (...args: UseArguments<Props, Slots>): Use;
  /** The tag name. */
  readonly name: string;
  readonly description: string | undefined;
  readonly [types]?: { props: Props; slots: Slots };
}

/**
 * A component that renders as one of several elements, and takes the attributes of the one chosen; its own props win
 * a clash of names.
 */
export interface TagComponent<Props, Slots, At extends keyof Props, Kind> {
  <const Tag extends TagsOf<Kind> = FirstOf<Kind>>(
    props: Show<PropInputs<Omit<Props, At>>> & { readonly [K in At]?: Tag | ExprOf<Tag> | undefined } & Omit<
        AttributesOfAny<Tag>,
        keyof Props
      >,
    ...content: ContentArguments<Slots>
  ): Use;
  readonly name: string;
  readonly description: string | undefined;
  readonly [types]?: { props: Props; slots: Slots };
}

type TagsOf<K> = K extends TagKind<infer Tags, infer _First> ? Tags : never;
type FirstOf<K> = K extends TagKind<infer _Tags, infer First> ? First : never;

/** Any component, or a function made by `component` with a type of its own to fill in. */
export type AnyComponent = ((...args: never[]) => Use) & { readonly name: string };

/** The record of props that a component takes. */
export type PropsOf<C> = C extends { readonly [types]?: { props: infer Props } } ? Props : never;

/** The record of slots that a component takes. */
export type SlotsOf<C> = C extends { readonly [types]?: { slots: infer Slots } } ? Slots : never;

/** CSS rules, or the file they were read from. */
type StylesInput = string | TemplateText;

/** What every definition has besides its template. */
interface DefinitionParts<
  P,
  S,
  State,
  Events,
  H extends Record<string, readonly unknown[]>,
  Accepts = never,
> {
  /** One sentence on what the component is; tools show it. */
  readonly description?: string;
  readonly props?: P;
  readonly slots?: S;
  /** The name of a `prop.tag`: a use may then give the chosen element's attributes, and the template spreads `accepted`. */
  readonly accepts?: Accepts;
  /** CSS rules for the component's own elements. They reach neither slot content nor other components. */
  readonly styles?: StylesInput | readonly StylesInput[];
  readonly events?: Events;
  /** The first state, from this use's props. */
  readonly state?: (props: PropValues<P>) => State;
  /** What can happen; each gives what changes in the state, or nothing. */
  readonly handlers?: {
    readonly [K in keyof H]: (
      context: HandlerContext<P, State, Events>,
      ...args: H[K]
    ) => Partial<NoInfer<State>> | undefined | void | Promise<Partial<NoInfer<State>> | undefined | void>;
  };
  /**
   * What happens when a prop of a live element has changed: gets the value before, and gives what changes in the
   * state, or nothing.
   */
  readonly reactions?: {
    readonly [K in keyof NoInfer<P>]?: (
      context: ConnectedContext<P, State, Events>,
      before: PropValues<P>[K & keyof PropValues<P>],
    ) => Partial<NoInfer<State>> | undefined | void;
  };
  /** Hands data down to components below, whatever stands in between; made with `share`. */
  readonly provides?: (context: {
    readonly props: PropValues<P>;
    readonly state: Readonly<State>;
  }) => readonly Provided[];
  /** Makes the element a form field: it has a name, a value and a validity, is reset, disabled and restored. */
  readonly field?: FieldParts<P, State>;
  /** Set-up when the element is put into a document; the signal tells when to clean up. */
  readonly connected?: (context: ConnectedContext<P, State, Events>) => void;
}

/** What `component` is given; each part but the template may be left out. */
export interface Definition<
  P,
  S,
  State,
  Events,
  H extends Record<string, readonly unknown[]>,
  Accepts = never,
> extends DefinitionParts<P, S, State, Events, H, Accepts> {
  /** Called once, with expressions instead of values; what it returns is the component's template. */
  readonly template: (context: TemplateContext<P, S, State, H>) => Content;
}

/** What `component` is given where the template is HTML text. */
export interface TextDefinition<
  P,
  S,
  State,
  Events,
  H extends Record<string, readonly unknown[]>,
  Accepts = never,
> extends DefinitionParts<P, S, State, Events, H, Accepts> {
  /**
   * HTML text: `{{ … }}` places a value, `<slot>` a slot, the tag of a component in `uses` that component. A file is
   * read with `markupFile`.
   */
  readonly template: string | TemplateText;
  /** The components whose tags stand in the text. */
  readonly uses?: readonly AnyComponent[];
  /**
   * Whether white space that holds a line break is the text's own layout: beside a tag it is then dropped, inside text
   * it is one space. Left out, all white space stays as it is written. `pre` and `textarea` keep theirs.
   */
  readonly joinLines?: boolean;
  /** Functions that the text's expressions may call. */
  readonly helpers?: Readonly<Record<string, (...args: never[]) => unknown>>;
  /** Tags of custom elements from elsewhere that stand in the text: names, or patterns of them. */
  readonly foreign?: readonly (string | RegExp)[];
}

/** The slots of a component that leaves it to its template text to declare them: any name. */
export interface SlotsOfText {
  readonly [slot: string]: Content;
}

type NoProps = Record<never, never>;

/**
 * Writes a definition apart from its component, with the same types. A component that works for any type of item is
 * made from a function that returns one.
 *
 * @example
 * const RowList = component('row-list', <Item>(item: Kind<Item>) =>
 *   definition({
 *     props: { items: prop.list(item) },
 *     slots: { row: slot.of(item) },
 *     template: ({ props, slots }) => el.ul(eachOf(props.items, (each) => el.li(slots.row(each)))),
 *   }));
 * RowList({ items: varieties }, { row: (variety) => variety.name });
 */
export function definition<
  const P extends PropKinds = NoProps,
  const S extends SlotKinds = NoProps,
  State extends object = NoProps,
  const Events extends EventKinds = NoProps,
  H extends Record<string, readonly unknown[]> = NoProps,
>(parts: Definition<P, S, State, Events, H>): Definition<P, S, State, Events, H> {
  return parts;
}

/**
 * Defines a component.
 *
 * @param name the tag name: lower case, with a hyphen (https://html.spec.whatwg.org/#valid-custom-element-name)
 * @throws LatticeError `name-invalid`
 * @example
 * const NoticeBox = component('notice-box', {
 *   props: { title: prop.text() },
 *   slots: { default: slot() },
 *   template: ({ props, slots }) => el.section(el.h2(props.title), slots.default()),
 * });
 * NoticeBox({ title: 'Rain' }, el.p('The tasting moves to the barn.'));
 */
export function component<
  const P extends PropKinds = NoProps,
  const S extends SlotKinds = NoProps,
  State extends object = NoProps,
  const Events extends EventKinds = NoProps,
  H extends Record<string, readonly unknown[]> = NoProps,
>(name: string, parts: Definition<P, S, State, Events, H>): Component<GivenProps<P>, GivenSlots<S>>;
export function component<
  const P extends PropKinds,
  Accepts extends keyof P,
  const S extends SlotKinds = NoProps,
  State extends object = NoProps,
  const Events extends EventKinds = NoProps,
  H extends Record<string, readonly unknown[]> = NoProps,
>(
  name: string,
  parts: Definition<P, S, State, Events, H, Accepts> & { readonly accepts: Accepts },
): TagComponent<GivenProps<P>, GivenSlots<S>, Accepts & keyof GivenProps<P>, P[Accepts]>;
export function component<
  const P extends PropKinds = NoProps,
  const S extends SlotKinds = NoProps,
  State extends object = NoProps,
  const Events extends EventKinds = NoProps,
  H extends Record<string, readonly unknown[]> = NoProps,
>(
  name: string,
  parts: TextDefinition<P, S, State, Events, H>,
): Component<GivenProps<P>, [keyof S] extends [never] ? SlotsOfText : GivenSlots<S>>;
export function component<
  Item,
  const P extends PropKinds,
  const S extends SlotKinds,
  State extends object,
  const Events extends EventKinds,
  H extends Record<string, readonly unknown[]>,
>(
  name: string,
  make: (item: Kind<Item>) => Definition<P, S, State, Events, H>,
): (...args: UseArguments<GivenProps<P>, GivenSlots<S>>) => Use;
export function component(name: string, parts: unknown): unknown {
  const wrong = nameFault(name);
  if (wrong) throw failure({ ...wrong, ...placeIfKnown(callPlace(component)) });
  const made = typeof parts === 'function' ? (parts as (item: Kind<unknown>) => unknown)(any()) : parts;
  const core = coreFrom(name, made as LooseDefinition, callPlace(component));
  const use = (props?: Readonly<Record<string, unknown>>, content?: unknown): BaseNode =>
    new UseNode(core, props, content, use);
  Object.defineProperties(use, {
    name: { value: name },
    description: { value: core.description },
  });
  brandComponent(use, core);
  return use;
}

/** A definition without the types that only its author needs. */
interface LooseDefinition {
  readonly description?: string;
  readonly props?: Readonly<Record<string, AnyKind>>;
  readonly slots?: Readonly<Record<string, AnySlotKind>>;
  readonly accepts?: string;
  readonly styles?: StylesInput | readonly StylesInput[];
  readonly events?: Readonly<Record<string, AnyEventKind>>;
  readonly state?: ComponentCore['state'];
  readonly handlers?: Readonly<Record<string, HandlerFunction>>;
  readonly connected?: (context: never) => void;
  readonly field?: ComponentCore['field'];
  readonly provides?: ComponentCore['provides'];
  readonly reactions?: Readonly<Record<string, HandlerFunction>>;
  readonly template: ((context: unknown) => unknown) | string | TemplateText;
  readonly uses?: readonly AnyComponent[];
  readonly helpers?: ComponentCore['helpers'];
  readonly joinLines?: boolean;
  readonly foreign?: readonly (string | RegExp)[];
}

function coreFrom(name: string, parts: LooseDefinition, place: object | undefined): ComponentCore {
  const template = typeof parts.template === 'string' ? { text: parts.template } : parts.template;
  const core: ComponentCore = {
    name,
    description: parts.description,
    props: declared(parts.props),
    slots: declared(parts.slots),
    accepts: parts.accepts,
    events: parts.events ?? {},
    handlers: parts.handlers ?? {},
    state: parts.state,
    connected: parts.connected,
    field: parts.field,
    provides: parts.provides,
    reactions: parts.reactions ?? {},
    styles: [parts.styles ?? []].flat().map(cssText).join('\n'),
    template,
    get uses() {
      return (parts.uses ?? []).map(componentCore).filter((one) => one !== undefined);
    },
    helpers: parts.helpers ?? {},
    joinLines: parts.joinLines ?? false,
    foreign: parts.foreign ?? [],
    get source() {
      return placeOf(place);
    },
  };
  if (typeof template !== 'function' && !parts.slots) declareLater(core, template);
  return core;
}

/** Slots that only the text declares are read from it when they are first asked for. */
function declareLater(core: ComponentCore, text: TemplateText): void {
  let slots: ComponentCore['slots'] | undefined;
  Object.defineProperty(core, 'slots', {
    configurable: true,
    enumerable: true,
    get: () => {
      slots ??= declared(slotsOfText(text));
      return slots;
    },
  });
}

function cssText(styles: StylesInput): string {
  return typeof styles === 'string' ? styles : styles.text;
}

function slotsOfText(text: TemplateText): Readonly<Record<string, AnySlotKind>> {
  return Object.fromEntries([...textSlots(text)].map(([name, hands]) => [name, hands ? slot.of() : slot()]));
}

function placeIfKnown(place: object | undefined): { source?: NonNullable<ReturnType<typeof placeOf>> } {
  const source = placeOf(place);
  return source ? { source } : {};
}
