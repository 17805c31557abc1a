import type { Content, Provided } from '../template/index.js';
import type { TemplateText } from './core.js';
import type { Placement } from './placement.js';
import type {
  AriaOfElement,
  ConnectedContext,
  EventKinds,
  FailureContext,
  FieldParts,
  HandlerContext,
  LoadContext,
  NodeKinds,
  PropKinds,
  PropValues,
  ShownContext,
  SlotKinds,
  TemplateContext,
} from './types.js';
import type { UseNode } from './use-node.js';

/** CSS rules, or the file they were read from. */
export type StylesInput = string | TemplateText;

/**
 * Text as a template. Recognised by a method that text has and functions have not, so that TypeScript need not look at a
 * template that is a function to see that it is no text.
 */
interface WrittenText<Text> {
  readonly charAt: (index: number) => Text;
}

/** A template text that was read from a file. */
interface TextFile<Text> extends Omit<TemplateText, 'text'> {
  readonly text: Text;
}

/** The definition of a component. Only the template is required. */
export interface Definition<
  P,
  S,
  State,
  Events,
  H extends Record<string, readonly unknown[]>,
  Accepts = never,
  Text = string,
  Data = unknown,
  N = NoProps,
  M extends Record<string, readonly unknown[]> = NoneDeclaredAbove,
> {
  /** One sentence about the component. */
  readonly description?: string;
  /** Says that the component should no longer be used, and what to use instead. `lattice check` reports uses. */
  readonly deprecated?: string;
  /** The props by name, made with `prop`. */
  readonly props?: P;
  /** The slots by name, made with `slot`. */
  readonly slots?: S;
  /** The name of a `prop.tag`: a use may then pass attributes of the chosen element, and the template spreads `accepted`. */
  readonly accepts?: Accepts;
  /** The allowed parents (default: any). */
  readonly placement?: Placement;
  /** CSS rules for the component's own elements. They apply neither to slot content nor to other components. */
  readonly styles?: StylesInput | readonly StylesInput[];
  /** The events by name, made with `event`. */
  readonly events?: Events;
  /** Returns the initial state from the props of a use. */
  readonly state?: (props: PropValues<NoInfer<P>>) => State;
  /**
   * Loads data for the template's `data`: on a server before the HTML is written, in the browser when the element is added,
   * and again when a prop or a field of the state changes that it reads. If several requests overlap, the last one wins.
   */
  readonly load?: (context: LoadContext<NoInfer<P>, State>) => Promise<Data> | Data;
  /**
   * The time limit of `load`, and of each item of an async iterable, in milliseconds (default: 10,000). The option
   * `loads.timeOut` of a rendering overrides it. `Infinity` turns it off.
   *
   * @example loadTimeOut: 30_000
   */
  readonly loadTimeOut?: number;
  /**
   * Fields of the state that follow a prop, by their names. When a page sets the prop, the field changes. When the component
   * changes the field, the prop changes, so that setting it back is a change.
   *
   * @example follows: { isOpen: 'open' }
   */
  readonly follows?: { readonly [K in keyof NoInfer<State>]?: keyof NoInfer<P> & string };
  /** Names of elements in the template, made with `node`: the functions below reach them as `nodes.field`. */
  readonly nodes?: N;
  /**
   * When a prop changes that `load` reads, the loaded data stays in the page until the answer arrives; `data.isLoading` is true
   * meanwhile (default: `false`, the loading content is shown).
   */
  readonly keepLoaded?: boolean;
  /** Handlers of events by name. Each returns the fields of the state that change, or nothing. */
  readonly handlers?: {
    readonly [K in keyof H]: (
      context: HandlerContext<NoInfer<P>, State, Events, NoInfer<N>>,
      ...args: H[K]
    ) => Partial<NoInfer<State>> | undefined | void | Promise<Partial<NoInfer<State>> | undefined | void>;
  };
  /**
   * Functions by name that a page calls on the element. Each receives what a handler receives, without an event, and its own
   * arguments. It returns the fields of the state that change, or nothing. The call returns a promise that resolves when the
   * change is in the page, and rejects if the method throws.
   *
   * @example elementMethods: { show: () => ({ isOpen: true }) } // await dialog.show()
   */
  readonly elementMethods?: {
    readonly [K in keyof M]: (
      context: ConnectedContext<NoInfer<P>, State, Events, NoInfer<N>>,
      ...args: M[K]
    ) => Partial<NoInfer<State>> | undefined | void | Promise<Partial<NoInfer<State>> | undefined | void>;
  };
  /**
   * Called when the element is in the page for the first time, and after each update, when the elements inside are up to date,
   * too. Returns the fields of the state that change, or nothing.
   *
   * @example shown: ({ changed, nodes, state }) => { if (changed.has('isOpen') && state.isOpen) nodes.field?.focus(); }
   */
  readonly shown?: (
    context: ShownContext<NoInfer<P>, State, Events, NoInfer<N>>,
  ) => Partial<NoInfer<State>> | undefined | void;
  /**
   * Functions by prop, called when that prop of an element has changed, with the old value. Each returns the fields of the
   * state that change, or nothing.
   */
  readonly reactions?: {
    readonly [K in keyof NoInfer<P>]?: (
      context: ConnectedContext<NoInfer<P>, State, Events, NoInfer<N>>,
      before: PropValues<NoInfer<P>>[K & keyof PropValues<NoInfer<P>>],
    ) => Partial<NoInfer<State>> | undefined | void;
  };
  /** Provides data to all components inside, made with `share`. */
  readonly provides?: (context: {
    readonly props: PropValues<NoInfer<P>>;
    readonly state: Readonly<State>;
  }) => readonly Provided[];
  /**
   * Returns the states of the element by which style sheets find it, and whether each is on
   * (https://html.spec.whatwg.org/#dom-elementinternals-states).
   *
   * @example states: ({ state }) => ({ open: state.isOpen }) // fold-note:state(open) { … }
   */
  readonly states?: (context: {
    readonly props: PropValues<NoInfer<P>>;
    readonly state: Readonly<State>;
  }) => Readonly<Record<string, unknown>>;
  /**
   * Returns the role and the ARIA properties that the element has without attributes, by their names in the standard
   * (https://www.w3.org/TR/wai-aria-1.2/#ARIAMixin). An attribute that a page writes on the element wins. Only scripts set them: in
   * HTML text there are none.
   *
   * @example aria: ({ props, state }) => ({ role: 'switch', ariaChecked: state.isOn, ariaLabel: props.label })
   */
  readonly aria?: (context: {
    readonly props: PropValues<NoInfer<P>>;
    readonly state: Readonly<State>;
  }) => AriaOfElement;
  /** Makes the element a form field with a value and validity. The browser resets, disables and restores it. */
  readonly field?: FieldParts<NoInfer<P>, State, NoInfer<N>>;
  /** Called when the element is added to a document. `signal` aborts when it is removed. */
  readonly connected?: (context: ConnectedContext<NoInfer<P>, State, Events, NoInfer<N>>) => void;
  /**
   * Content that is shown if the component cannot be rendered: a value is invalid, a calculation throws, or loading fails.
   * The rest of the page is rendered, and the problem is reported.
   */
  readonly onFailure?: Content | ((context: FailureContext) => Content);
  /**
   * A function that is called once, with expressions instead of values. Or HTML text, or a file read with `markupFile`:
   * `{{ … }}` inserts a value, `<slot>` a slot, and the tag of a component in `uses` that component.
   */
  readonly template:
    | ((context: TemplateContext<P, S, State, H, NoInfer<Data>, NoInfer<N>>) => Content)
    | WrittenText<Text>
    | TextFile<Text>;
  /** With an HTML template: the components whose tags it contains. */
  readonly uses?: readonly NamedComponent[];
  /**
   * With an HTML template: treats white space that contains a line break as layout. It is dropped beside a tag and becomes one
   * space inside text; `pre` and `textarea` keep theirs (default: `false`, all white space is kept).
   */
  readonly joinLines?: boolean;
  /** With an HTML template: functions that its expressions can call. */
  readonly helpers?: Readonly<Record<string, (...args: never[]) => unknown>>;
  /** With an HTML template: tags of other custom elements in it, as names or patterns. */
  readonly foreign?: readonly (string | RegExp)[];
}

/** A component as far as a list of them needs to know it. */
export type NamedComponent = ((...args: never[]) => UseNode) & { readonly name: string };

/** The slots of a component that leaves it to its template text to declare them: any name. */
export interface SlotsOfText {
  readonly [slot: string]: Content;
}

export type NoProps = Record<never, never>;

/**
 * Stands for state and handlers where there are none as yet: TypeScript infers the parts of a definition from top to
 * bottom, and its messages show this name.
 */
export type NoneDeclaredAbove = Record<never, never>;

/** A definition that stands apart: its props and slots can be taken up by another one, `props: { ...parts.props, … }`. */
export interface WrittenDefinition<
  P,
  S,
  State,
  Events,
  H extends Record<string, readonly unknown[]>,
  Accepts = never,
  Text = string,
  Data = unknown,
  N = NoProps,
  M extends Record<string, readonly unknown[]> = NoneDeclaredAbove,
> extends Definition<P, S, State, Events, H, Accepts, Text, Data, N, M> {
  readonly props: NoInfer<P>;
  readonly slots: NoInfer<S>;
}

/**
 * Writes a definition apart from its component, with the same types. Several components may be made of one, each with
 * parts of its own, which win: another template, another look, more props. A component that works for any type of item
 * is made from a function that returns one.
 *
 * @example
 * const counting = definition({ props: { label: prop.text() }, state: () => ({ count: 0 }), template: … });
 * const BigCounter = component('big-counter', { ...counting, styles: 'b { font-size: 3rem }', template: … });
 * @example
 * const RowList = component.generic('row-list', <Item>(item: Kind<Item>) =>
 *   definition({
 *     props: { items: prop.list(item) },
 *     slots: { row: slot.with(item) },
 *     template: ({ props, slots }) => el.ul(eachOf(props.items, (each) => el.li(slots.row(each)))),
 *   }));
 * RowList({ items: varieties }, { row: (variety) => variety.name });
 */
export function definition<
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
  parts: Definition<P, S, State, Events, H, Accepts, Text, Data, N, M>,
): WrittenDefinition<P, S, State, Events, H, Accepts, Text, Data, N, M> {
  return parts as WrittenDefinition<P, S, State, Events, H, Accepts, Text, Data, N, M>;
}
