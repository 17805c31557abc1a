import { callPlace, failure, placeOf } from '../problem/index.js';
import { type AttributesOfAny, type BaseNode, type ExprOf, UseNode } from '../template/index.js';
import { brandComponent } from './core.js';
import type { Definition, NoProps, SlotsOfText, TextDefinition } from './definition.js';
import type { Kind } from './kind.js';
import { any } from './kinds/any.js';
import type { TagKind } from './kinds/tag.js';
import { coreFrom, type LooseDefinition } from './make-core.js';
import { nameFault } from './name.js';
import type {
  ContentArguments,
  EventKinds,
  GivenProps,
  GivenSlots,
  PropInputs,
  PropKinds,
  Show,
  SlotKinds,
  UseArguments,
} from './types.js';

declare const types: unique symbol;

/** One use of a component, with its props and its content: what calling a component gives. */
export type Use = UseNode;

/** A component: call it to use it. `Props` and `Slots` are the plain records that a use gives, none where left out. */
export interface Component<Props = NoProps, Slots = NoProps> {
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
    : never
  : C extends PropKinds
    ? GivenProps<C>
    : never;

/**
 * The record of slots that a component takes, or that a component with these slots would take.
 *
 * @example
 * type CardSlots = SlotsOf<typeof VarietyCard>;
 * const slots = { default: slot(), row: slot.of<Variety>().required() };
 * type ListSlots = SlotsOf<typeof slots>;
 */
export type SlotsOf<C> = C extends (...args: never[]) => unknown
  ? C extends { readonly [types]?: { slots: infer Slots } }
    ? Slots
    : never
  : C extends SlotKinds
    ? GivenSlots<C>
    : never;

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

function placeIfKnown(place: object | undefined): { source?: NonNullable<ReturnType<typeof placeOf>> } {
  const source = placeOf(place);
  return source ? { source } : {};
}
