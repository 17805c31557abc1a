import {
  callPlace,
  dev,
  type Finding,
  LatticeError,
  placed,
  placeOf,
  refuseCall,
  tagName,
} from '../problem/index.js';
import type { Accepted, AttributesOfAny, ExprOf } from '../template/index.js';
import { brandComponent } from './core.js';
import type { Definition, NamedComponent, NoneDeclaredAbove, NoProps, SlotsOfText } from './definition.js';
import { definitionFaults } from './definition-faults.js';
import { isRecord, type Kind } from './kind.js';
import { any } from './kinds/any.js';
import type { TagKind } from './kinds/tag.js';
import { coreFrom, type LooseDefinition } from './make-core.js';
import { nameFault } from './name.js';
import { propNameFaults } from './prop-names.js';
import type {
  ContentArgument,
  ContentArguments,
  EventKinds,
  GivenProps,
  GivenSlots,
  HostAttributesBeside,
  Listening,
  NodeKinds,
  Omittable,
  PropInputs,
  PropKinds,
  PropsArgument,
  Show,
  SlotKinds,
  TypesOfItems,
  UseArguments,
} from './types.js';
import { UseNode } from './use-node.js';

declare const types: unique symbol;

/** One use of a component, with its props and its content: what calling a component gives. */
export interface Use extends UseNode {}

/** A component: call it to use it. `Props` and `Slots` are the plain records that a use gives, none where left out. */
export interface Component<Props = NoProps, Slots = NoProps> {
  (props: PropsArgument<Props> | Omittable<Props>, content: ContentArgument<Slots> | Omittable<Slots>): Use;
  /** The tag name. */
  readonly name: string;
  readonly description: string | undefined;
  readonly [types]?: { props: Props; slots: Slots };
}

/**
 * A component that sends events, to which a use may listen: `on: { changed: handlers.note() }`; or whose element has methods,
 * which functions around reach by a name: `node: nodes.counter`.
 */
export interface SendingComponent<Props, Slots, Events> {
  (
    props:
      | (Show<PropInputs<Props> & Listening<Events>> & HostAttributesBeside<keyof Props>)
      | Omittable<Props>,
    content: ContentArgument<Slots> | Omittable<Slots>,
  ): Use;
  /** The tag name. */
  readonly name: string;
  readonly description: string | undefined;
  readonly [types]?: { props: Props; slots: Slots; events: Events };
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
      > &
      Accepted,
    ...content: ContentArguments<Slots>
  ): Use;
  readonly name: string;
  readonly description: string | undefined;
  readonly [types]?: { props: Props; slots: Slots };
}

/** The events that a component is declared to send; never, where it sends none. */
export type EventsOf<C> = C extends { readonly [types]?: { events: infer Events } }
  ? Events
  : C extends { readonly [types]?: unknown }
    ? never
    : Declared<TypesOfItems<C>['events']>;

/** What is declared; never, where that is nothing. */
type Declared<T> = [keyof T] extends [never] ? never : T;

type TagsOf<K> = K extends TagKind<infer Tags, infer _First> ? Tags : never;
type FirstOf<K> = K extends TagKind<infer _Tags, infer First> ? First : never;

/** Any component, those of `component.generic` among them. */
export type AnyComponent = NamedComponent;

/** Any record of props, where it is not known which component they are for. */
export type AnyProps = Readonly<Record<string, unknown>>;

/** What a component may be handed as its props: values, or expressions of them. */
export type PropsFor<C extends AnyComponent> = AnyComponent extends C
  ? AnyProps | undefined
  : Parameters<C>[0];

/**
 * The record of props that a component takes, or that a component with these kinds of props would take.
 *
 * @example
 * type CardProps = PropsOf<typeof VarietyCard>;
 * const props = { title: prop.text(), crates: prop.number().fallback(0) };
 * const VarietyCard: Component<PropsOf<typeof props>> = component('variety-card', { props, template: … });
 */
export type PropsOf<C> = C extends (...args: never[]) => unknown
  ? C extends { readonly [types]?: { props: infer Props } }
    ? Props
    : TypesOfItems<C>['props']
  : C extends PropKinds
    ? GivenProps<C>
    : never;

/**
 * The record of slots that a component takes, or that a component with these slots would take.
 *
 * @example
 * type CardSlots = SlotsOf<typeof VarietyCard>;
 * const slots = { default: slot(), row: slot.with<Variety>().required() };
 * type ListSlots = SlotsOf<typeof slots>;
 */
export type SlotsOf<C> = C extends (...args: never[]) => unknown
  ? C extends { readonly [types]?: { slots: infer Slots } }
    ? Slots
    : TypesOfItems<C>['slots']
  : C extends SlotKinds
    ? GivenSlots<C>
    : never;

/**
 * Defines a component.
 *
 * @param name the tag name: lower case, with a hyphen (https://html.spec.whatwg.org/#valid-custom-element-name)
 * @throws LatticeError `name-invalid`, `definition-invalid`
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
  State extends object = NoneDeclaredAbove,
  const Events extends EventKinds = NoProps,
  H extends Record<string, readonly unknown[]> = NoneDeclaredAbove,
  Accepts extends keyof P = never,
  Text = never,
  Data = NoneDeclaredAbove,
  const N extends NodeKinds = NoProps,
  M extends Record<string, readonly unknown[]> = NoneDeclaredAbove,
>(
  name: string,
  parts: Definition<P, S, State, Events, H, Accepts, Text, Data, N, M>,
): Made<P, GivenSlotsFrom<S, NoInfer<Text>>, Events, NoInfer<Accepts>, M> & WithMethods<M> {
  return made(name, parts, component) as Made<P, GivenSlotsFrom<S, Text>, Events, Accepts, M> &
    WithMethods<M>;
}

/**
 * Defines a component that works for any type of item, which each of its uses normalises.
 *
 * @param make is given the kind of the item, for `prop.list(item)`, `slot.with(item)` and the like; up to four of them for a component
 *   of several types
 * @throws LatticeError `name-invalid`, `definition-invalid`
 * @example
 * const RowList = component.generic('row-list', <Item>(item: Kind<Item>) =>
 *   definition({
 *     props: { items: prop.list(item) },
 *     slots: { row: slot.with(item) },
 *     template: ({ props, slots }) => el.ul(eachOf(props.items, (each) => el.li(slots.row(each)))),
 *   }));
 * RowList({ items: varieties }, { row: (variety) => variety.name });
 */
component.generic = function componentGeneric<
  Item,
  Second,
  Third,
  Fourth,
  const P extends PropKinds,
  const S extends SlotKinds,
  State extends object,
  const Events extends EventKinds,
  H extends Record<string, readonly unknown[]>,
  Data,
  const N extends NodeKinds,
  M extends Record<string, readonly unknown[]>,
>(
  name: string,
  make: (
    item: Kind<Item>,
    second: Kind<Second>,
    third: Kind<Third>,
    fourth: Kind<Fourth>,
  ) => Definition<P, S, State, Events, H, keyof P, string, Data, N, M>,
): (...args: UseArguments<GivenProps<P>, GivenSlots<S>, Events, M>) => Use {
  const parts = typeof make === 'function' ? make(any(), any(), any(), any()) : undefined;
  return made(name, parts, componentGeneric) as (
    ...args: UseArguments<GivenProps<P>, GivenSlots<S>, Events, M>
  ) => Use;
};

/** A component whose element has methods; where there are none, nothing is added. */
type WithMethods<M> = [keyof M] extends [never] ? unknown : MethodTypes<M>;

declare const methodTypes: unique symbol;

/** The types of the methods of a component's element: the parameters of each. */
export interface MethodTypes<M> {
  readonly [methodTypes]?: M;
}

/** The methods of a component's element. Each returns a promise that resolves when its change is in the page. */
export type MethodsOf<C> =
  C extends MethodTypes<infer M>
    ? Called<M>
    : C extends { readonly [types]?: unknown }
      ? unknown
      : Called<TypesOfItems<C>['methods']>;

type Called<M> = [keyof M] extends [never]
  ? unknown
  : { readonly [K in keyof M]: (...args: M[K] extends readonly unknown[] ? M[K] : never) => Promise<void> };

/** What `component` gives: with `accepts` a component that also takes the attributes of the element it becomes. */
type Made<P, Slots, Events, Accepts extends keyof P, M> = [Accepts] extends [never]
  ? MadePlain<P, Slots, Events, M>
  : // Of a definition that is spread without `accepts`, plain `strict` infers every prop: that is none of them.
    [P[Accepts]] extends [TagKind<infer _Tags, infer _First>]
    ? TagComponent<GivenProps<P>, Slots, Accepts & keyof GivenProps<P>, P[Accepts]>
    : MadePlain<P, Slots, Events, M>;

type MadePlain<P, Slots, Events, M> = [keyof Events | keyof M] extends [never]
  ? Component<GivenProps<P>, Slots>
  : SendingComponent<GivenProps<P>, Slots, Events>;

/** A template text may declare its slots itself. */
type GivenSlotsFrom<S, Text> = [Text] extends [never]
  ? GivenSlots<S>
  : [keyof S] extends [never]
    ? SlotsOfText
    : GivenSlots<S>;

/** What is wrong with a definition; during development all of it is looked at. */
function partFaults(name: string, parts: unknown): readonly Finding[] {
  if (!dev) return [];
  const { props } = (parts ?? {}) as { readonly props?: unknown };
  const found = definitionFaults(name, parts);
  return found.length === 0 && isRecord(props) ? propNameFaults(name, Object.keys(props)) : found;
}

/** What calling one of them makes, each call by its own types. */
function made(name: string, parts: unknown, calledAs: unknown): unknown {
  const wrong = nameFault(name);
  const faults = wrong ? [wrong] : partFaults(name, parts);
  const place = callPlace(calledAs);
  if (faults.length > 0) {
    const source = placeOf(place);
    throw new LatticeError(faults.map((fault) => placed(source ? { ...fault, source } : fault, '')));
  }
  const core = coreFrom(name, parts as LooseDefinition, place);
  const use = (
    props?: Readonly<Record<string, unknown>>,
    content?: unknown,
    ...more: readonly unknown[]
  ): UseNode => {
    if (dev && more.length > 0)
      refuseCall(
        use,
        tagName(name),
        `expects props and content, but received ${more.length + 2} arguments`,
        'Put several pieces of content in a list, and call it with a function of your own in map().',
      );
    return new UseNode(core, props, content, use);
  };
  Object.defineProperties(use, {
    name: { value: name },
    description: { value: core.description },
  });
  brandComponent(use, core);
  return use;
}
