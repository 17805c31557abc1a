import type { AriaAttributes } from '../generated/attributes.js';
import type {
  Accepted,
  Attr,
  CommonAttributes,
  Content,
  DomElement,
  DomEvent,
  DomFetch,
  DomSignal,
  Expr,
  ExprOf,
  HandlerCall,
  LoadExpr,
  LoadFault,
  NodePlace,
  StateExpr,
} from '../template/index.js';
import type { EventKind } from './event.js';
import type { Kind, kindTypes, Presence } from './kind.js';
import type { NodeKind, nodeTypes } from './node-kind.js';
import type { SlotKind, slotTypes } from './slot.js';

/** Shows an intersection as one plain record, so that editors show props and not machinery. */
export type Show<T> = { [K in keyof T]: T[K] } & {};

/** Kinds by prop name, as a definition declares them. */
export type PropKinds = Readonly<Record<string, Kind<unknown, unknown, Presence>>>;

/** Slots by name, as a definition declares them. */
export type SlotKinds = Readonly<Record<string, SlotKind<unknown, boolean>>>;

export type EventKinds = Readonly<Record<string, EventKind<unknown>>>;

// The types of kinds and slots are read from one property: comparing whole kinds with one another, method by method,
// made checking slow.
type KindTypes<K> = K extends { readonly [kindTypes]: infer Types } ? Types : never;
type GivenOf<K> = KindTypes<K> extends { readonly given: infer Given } ? Given : never;
type HowOf<K> = KindTypes<K> extends { readonly how: infer How } ? How : never;
type NeededProps<P> = { [K in keyof P]: HowOf<P[K]> extends 'required' ? K : never }[keyof P];
type SlotTypes<K> = K extends { readonly [slotTypes]: infer Types } ? Types : never;

/** The plain record of props that a use gives. */
export type GivenProps<P> = Show<
  { [K in NeededProps<P>]: GivenOf<P[K]> } & {
    [K in Exclude<keyof P, NeededProps<P>>]?: GivenOf<P[K]> | undefined;
  }
>;

type Filler<K> =
  SlotTypes<K> extends { readonly hands: true; readonly data: infer Data }
    ? (data: Expr<Data>) => Content
    : Content;
type NeededSlots<S> = {
  [K in keyof S]: SlotTypes<S[K]> extends { readonly needed: true } ? K : never;
}[keyof S];

/** The plain record of slots that a use fills. */
export type GivenSlots<S> = Show<
  { [K in NeededSlots<S>]: Filler<S[K]> } & {
    [K in Exclude<keyof S, NeededSlots<S>>]?: Filler<S[K]> | undefined;
  }
>;

/** Props as a use writes them: each a value or an expression of one. */
export type PropInputs<Props> = { [K in keyof Props]: Props[K] | ExprOf<Props[K]> };

/** Content as a use writes it: one piece for the default slot where no other has to be filled, or a record that names the slots. */
export type ContentInput<Slots> =
  | Slots
  | ({ readonly default: never } extends Slots ? Slots['default' & keyof Slots] : never);

type NoneNeeded<T> = Record<never, never> extends T ? true : false;

declare const none: unique symbol;

/** Stands where content would go: no content fits, and the type's name says why. */
export interface ThisComponentHasNoSlots {
  readonly [none]: never;
}

/** Stands where props would go: no prop fits, and the type's name says why. */
export interface ThisComponentHasNoProps extends HostAttributes {
  readonly [none]?: never;
}

/** The props of a use, and what it says of the component's element. */
export type PropsArgument<Props> = [keyof Props] extends [never]
  ? ThisComponentHasNoProps
  : PropInputs<Props> & HostAttributesBeside<keyof Props>;

/**
 * Attributes that a use gives to the component's element: to the custom element where it is one, else to the one outermost
 * element of its template.
 *
 * @example VarietyCard({ name: 'Dunlight', id: 'today', class: { wide: true }, dataset: { row: 3 } })
 */
export interface HostAttributes
  extends AriaAttributes,
    Pick<
      CommonAttributes,
      | 'class'
      | 'dir'
      | 'exportparts'
      | 'hidden'
      | 'id'
      | 'inert'
      | 'lang'
      | 'part'
      | 'popover'
      | 'role'
      | 'slot'
      | 'style'
      | 'tabindex'
    > {
  /** `data-*` attributes: `{ growerId: 3 }` is `data-grower-id="3"` (https://html.spec.whatwg.org/#dom-dataset). */
  readonly dataset?: { readonly [name: string]: Attr<string | number | boolean> } | undefined;
  /** The name of a form field, where the component is one. */
  readonly name?: Attr<string>;
  /** The id of the form that it belongs to, where the component is a field. */
  readonly form?: Attr<string>;
}

/** The same without those whose names are props of the component. */
export type HostAttributesBeside<Taken> = [Taken & keyof HostAttributes] extends [never]
  ? HostAttributes
  : Omit<HostAttributes, Taken & keyof HostAttributes>;

/** Which handlers are called when the component's element sends one of its events. */
export interface Listening<Events> {
  /** The name by which functions around reach the component's element. */
  readonly node?: NodePlace | undefined;
  readonly on?:
    | {
        readonly [Name in keyof Events]?:
          | HandlerCall
          | ((event: Expr<SentEvent<Events[Name]>>) => HandlerCall)
          | undefined;
      }
    | undefined;
}

/** An event as a component sends it. */
export type SentEvent<Kind> = DomEvent & {
  readonly detail: Kind extends EventKind<infer Detail> ? Detail : never;
};

/** The content of a use. */
export type ContentArgument<Slots> = [keyof Slots] extends [never]
  ? ThisComponentHasNoSlots
  : ContentInput<Slots>;

/**
 * Added to an argument, lets it be left out where nothing in it is needed: TypeScript asks for no trailing argument that
 * may be void. A list of arguments by condition says the same, and is slower to check.
 */
export type Omittable<T> = Record<never, never> extends T ? void : never;

/** What a use is called with, as a list: for components of any item, whose types are not known until they are used. */
export type UseArguments<Props, Slots, Events = Record<never, never>, M = Record<never, never>> =
  NoneNeeded<Slots> extends true
    ? NoneNeeded<Props> extends true
      ? [props?: ItemProps<Props, Slots, Events, M>, content?: ContentArgument<Slots>]
      : [props: ItemProps<Props, Slots, Events, M>, content?: ContentArgument<Slots>]
    : [props: ItemProps<Props, Slots, Events, M>, content: ContentArgument<Slots>];

/** The props of a use of a component of any item. They carry its types, which the type of a generic function has no place for. */
type ItemProps<Props, Slots, Events, M> = PropsArgument<Props> &
  ([keyof Events | keyof M] extends [never] ? unknown : Listening<Events>) &
  ItemTypes<Props, Slots, Events, M>;

declare const itemTypes: unique symbol;

/** The types of a component of any item: of its item it is not known what it is. */
export interface ItemTypes<Props, Slots, Events, M> {
  readonly [itemTypes]?: { props: Props; slots: Slots; events: Events; methods: M } | undefined;
}

/** The types that the props of a component of any item carry. */
export type TypesOfItems<C> = C extends (...args: infer Args) => unknown
  ? NonNullable<Args[0]> extends ItemTypes<infer Props, infer Slots, infer Events, infer M>
    ? { props: Props; slots: Slots; events: Events; methods: M }
    : never
  : never;

/** The content argument of a use, where the props come first in any case. */
export type ContentArguments<Slots> = [keyof Slots] extends [never]
  ? []
  : NoneNeeded<Slots> extends true
    ? [content?: ContentInput<Slots>]
    : [content: ContentInput<Slots>];

/** The normalised value of each prop, as `state` and `connected` receive it. */
export type PropValues<P> = Show<{ readonly [K in keyof P]: SettledOf<P[K]> }>;
type SettledOf<K> =
  KindTypes<K> extends { readonly value: infer Value; readonly how: infer How }
    ? How extends 'optional'
      ? Value | undefined
      : Value
    : never;

/** `props` as a template sees them. */
export type PropExprs<P> = { readonly [K in keyof P]: Expr<SettledOf<P[K]>> };

/** `state` as a template sees it. */
export type StateExprs<State> = { readonly [K in keyof State]: StateExpr<State[K]> };

/** `slots` as a template sees them. */
export type SlotPlaces<S> = { readonly [K in keyof S]: SlotPlace<S[K]> };

type SlotPlace<K> = (SlotTypes<K> extends { readonly hands: true; readonly data: infer Data }
  ? (data: SlotData<Data>, fallback?: Content) => Content
  : (fallback?: Content) => Content) &
  Filledness;

/** What a slot passes: a value, an expression of one, or a record or list that holds expressions. */
export type SlotData<Data> =
  | Data
  | ExprOf<Data>
  | (Data extends readonly (infer Item)[]
      ? readonly SlotData<Item>[]
      : Data extends object
        ? { readonly [K in keyof Data]: SlotData<Data[K]> }
        : never);

interface Filledness {
  /** Whether the use gave content for this slot. */
  readonly filled: Expr<boolean>;
}

/** `handlers` as a template sees them: called with arguments, each a value or an expression. */
export type HandlerCalls<H> = {
  readonly [K in keyof H]: (...args: ArgumentInputs<H[K]>) => HandlerCall;
};
type ArgumentInputs<Args> = Args extends readonly unknown[]
  ? { [I in keyof Args]: Args[I] | ExprOf<Args[I]> }
  : never;

/**
 * What changes in a state: fields, or a function that gives them for the state as it is then.
 *
 * @example change(({ seconds }) => ({ seconds: seconds + 1 }))
 */
export type Changes<State> = Partial<State> | ((state: Readonly<State>) => Partial<State> | undefined);

/** What all functions of a component that act in a page are given. */
export interface ActingContext<P, State, Events, N = Record<never, never>> {
  readonly props: PropValues<P>;
  /** As it was when the function was called. */
  readonly state: Readonly<State>;
  /** The component's element. */
  readonly host: DomElement;
  /** The elements that are named in `nodes`: `undefined` while they are not in the element; those with keys in a map. */
  readonly nodes: NodesFound<N>;
  /** Aborted when the element has left the document: hand it to listeners and requests. */
  readonly signal: DomSignal;
  /**
   * Changes the state at once, from a timer or while a function waits for something. A function receives the current state.
   * The promise resolves when the change is in the page, and the elements inside are up to date.
   *
   * @example
   * await change({ isOpen: true });
   * nodes.field?.focus();
   */
  change(changes: Changes<State>): Promise<void>;
  /** Loads the component's data anew; what was loaded before stays until the answer is there. */
  reload(): void;
  /**
   * Sends one of the component's events, when the function has ended and its changes are made. An event that is declared
   * `cancelable` is sent at once. Returns false if a listener cancelled it.
   */
  dispatch<Name extends keyof Events & string>(name: Name, ...detail: DetailArguments<Events[Name]>): boolean;
}

/** What a handler is given besides its own arguments. */
export interface HandlerContext<P, State, Events, N = Record<never, never>>
  extends ActingContext<P, State, Events, N> {
  /** The event that called the handler. */
  readonly event: DomEvent;
  /**
   * Aborted when the same handler is called again, and when the element has left the document. What an aborted call returns is
   * ignored: of several searches the last one counts.
   *
   * @example
   * search: async ({ latest }, word: string) => {
   *   const answer = await fetch(`/stalls?word=${encodeURIComponent(word)}`, { signal: latest });
   *   return { found: await answer.json() };
   * }
   */
  readonly latest: DomSignal;
}

/** What `shown` is given. */
export interface ShownContext<P, State, Events, N = Record<never, never>>
  extends ActingContext<P, State, Events, N> {
  /** The names of the props and the fields of the state that have changed since it ran; none the first time. */
  readonly changed: ReadonlySet<string>;
}

/** Nodes by name, as a definition declares them. */
export type NodeKinds = Readonly<Record<string, NodeKind<unknown, boolean>>>;

type NodeTypes<K> = K extends { readonly [nodeTypes]: infer Types } ? Types : never;

/** `nodes` as the functions of a component see them. */
export type NodesFound<N> = {
  readonly [K in keyof N]: NodeTypes<N[K]> extends { element: infer Element; keyed: infer Keyed }
    ? Keyed extends true
      ? ReadonlyMap<unknown, Element>
      : Element | undefined
    : never;
};

/** `nodes` as a template sees them: each says of an element that it has the name. */
export type NodePlaces<N> = {
  readonly [K in keyof N]: NodeTypes<N[K]> extends { keyed: true } ? (key: unknown) => NodePlace : NodePlace;
};

/** What may be wrong with a form field's value (https://html.spec.whatwg.org/#validitystate). */
export type ValidityFlag =
  | 'badInput'
  | 'customError'
  | 'patternMismatch'
  | 'rangeOverflow'
  | 'rangeUnderflow'
  | 'stepMismatch'
  | 'tooLong'
  | 'tooShort'
  | 'typeMismatch'
  | 'valueMissing';

/**
 * What makes a component's element a form field (https://html.spec.whatwg.org/#form-associated-custom-elements).
 * A prop named `disabled` follows the form; a reset brings back the first state.
 */
export interface FieldParts<P, State, N = Record<never, never>> {
  /**
   * Returns what the form sends under the element's name; null sends nothing. A record sends several entries, each under the
   * element's name, a hyphen and its own: `{ from, until }` of `<stay-field name="stay">` are `stay-from` and `stay-until`.
   */
  readonly value: (context: {
    readonly props: PropValues<P>;
    readonly state: Readonly<State>;
  }) => string | null | Readonly<Record<string, string>>;
  /**
   * Returns what is wrong with the value, as a person reads it, or nothing. A record has a message for each flag of
   * `ValidityState` (https://html.spec.whatwg.org/#validitystate); the first one is shown.
   *
   * @example fault: ({ state }) => ({ valueMissing: state.day === '' && 'Choose a day.' })
   */
  readonly fault?: (context: {
    readonly props: PropValues<P>;
    readonly state: Readonly<State>;
  }) => string | undefined | { readonly [Flag in ValidityFlag]?: string | false | undefined };
  /**
   * The name of the node that gets the focus when the element does, by a script or by a click on its label, and where the browser
   * shows what is wrong. Without it that is the first control.
   *
   * @example field: { value: ({ state }) => state.until, focuses: 'until' } // nodes: { until: node('input') }
   */
  readonly focuses?: keyof N & string;
  /** Returns what changes in the state when the browser restores a value; of several entries, by their own names. */
  readonly restore?: (value: string, entries: Readonly<Record<string, string>>) => Partial<NoInfer<State>>;
}

/** The role and the ARIA properties of an element; nothing where a value is missing. */
export interface AriaOfElement {
  readonly role?: string | null | undefined;
  readonly [property: `aria${string}`]: string | number | boolean | null | undefined;
}

/** What `connected`, `reactions` and `elementMethods` are given. */
export interface ConnectedContext<P, State, Events, N = Record<never, never>>
  extends ActingContext<P, State, Events, N> {}

/** What `load` is given. */
export interface LoadContext<P, State = Record<never, never>> {
  readonly props: PropValues<P>;
  /** The first state on a server, the current state in the browser. */
  readonly state: Readonly<State>;
  /** Aborted when nobody waits for the data any more. */
  readonly signal: DomSignal;
  /** The platform's `fetch`, or the one that a rendering was given; it stops with the signal. */
  readonly fetch: DomFetch;
}

/** What `onFailure` is given. */
export interface FailureContext {
  /** What went wrong, in words for developers. */
  readonly fault: Expr<LoadFault>;
  /**
   * Tries again to load and to show the element.
   *
   * @example onFailure: ({ retry }) => el.button({ type: 'button', on: { click: retry() } }, 'Try again')
   */
  readonly retry: () => HandlerCall;
}

type DetailArguments<E> =
  E extends EventKind<infer Detail>
    ? unknown extends Detail
      ? [detail?: unknown]
      : [Detail] extends [undefined | void]
        ? []
        : [detail: Detail]
    : never;

/** What a template is given. */
export interface TemplateContext<P, S, State, H, Data = never, N = Record<never, never>> {
  readonly props: PropExprs<P>;
  readonly slots: SlotPlaces<S>;
  readonly state: StateExprs<State>;
  readonly handlers: HandlerCalls<H>;
  /** With `nodes`: what says of an element that it has the name, `el.input({ node: nodes.field })`. */
  readonly nodes: NodePlaces<N>;
  /** With `load`: what it gave, for `whenLoaded`. */
  readonly data: LoadExpr<Data>;
  /** With `accepts`: spread it where the attributes that a use gives go. */
  readonly accepted: Accepted;
}
