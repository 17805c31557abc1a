import type { Content, Provided } from '../template/index.js';
import type { TemplateText } from './core.js';
import type { Placement } from './placement.js';
import type {
  ConnectedContext,
  EventKinds,
  FailureContext,
  FieldParts,
  HandlerContext,
  LoadContext,
  PropKinds,
  PropValues,
  SlotKinds,
  TemplateContext,
} from './types.js';
import type { UseNode } from './use-node.js';

/** CSS rules, or the file they were read from. */
export type StylesInput = string | TemplateText;

/**
 * Text as a template. Told by a method that text has and functions have not, so that TypeScript need not look at a
 * template that is a function to see that it is no text.
 */
interface WrittenText<Text> {
  readonly charAt: (index: number) => Text;
}

/** A template text that was read from a file. */
interface TextFile<Text> extends Omit<TemplateText, 'text'> {
  readonly text: Text;
}

/** What `component` is given; each part but the template may be left out. */
export interface Definition<
  P,
  S,
  State,
  Events,
  H extends Record<string, readonly unknown[]>,
  Accepts = never,
  Text = string,
  Data = unknown,
> {
  /** One sentence on what the component is. */
  readonly description?: string;
  readonly props?: P;
  readonly slots?: S;
  /** The name of a `prop.tag`: a use may then give the chosen element's attributes, and the template spreads `accepted`. */
  readonly accepts?: Accepts;
  /** Where it may be used, where that is not anywhere. */
  readonly placement?: Placement;
  /** CSS rules for the component's own elements. They reach neither slot content nor other components. */
  readonly styles?: StylesInput | readonly StylesInput[];
  readonly events?: Events;
  /** The first state, from this use's props. */
  readonly state?: (props: PropValues<NoInfer<P>>) => State;
  /**
   * Fetches what the component shows, for its template's `data`: on a server before its HTML is written, in a page when
   * its element is there, and again when a prop changes. Of answers that cross the last one counts.
   */
  readonly load?: (context: LoadContext<NoInfer<P>>) => Promise<Data> | Data;
  /**
   * How long `load` may take, in milliseconds, and each row of an async iterable; 10,000 unless said. On a server
   * `loads.timeOut` of the rendering counts first. `Infinity` waits for ever.
   *
   * @example loadTimeOut: 30_000
   */
  readonly loadTimeOut?: number;
  /** What can happen; each gives what changes in the state, or nothing. */
  readonly handlers?: {
    readonly [K in keyof H]: (
      context: HandlerContext<NoInfer<P>, State, Events>,
      ...args: H[K]
    ) => Partial<NoInfer<State>> | undefined | void | Promise<Partial<NoInfer<State>> | undefined | void>;
  };
  /**
   * What happens when a prop of a live element has changed: gets the value before, and gives what changes in the
   * state, or nothing.
   */
  readonly reactions?: {
    readonly [K in keyof NoInfer<P>]?: (
      context: ConnectedContext<NoInfer<P>, State, Events>,
      before: PropValues<NoInfer<P>>[K & keyof PropValues<NoInfer<P>>],
    ) => Partial<NoInfer<State>> | undefined | void;
  };
  /** Hands data down to components below, whatever stands in between; made with `share`. */
  readonly provides?: (context: {
    readonly props: PropValues<NoInfer<P>>;
    readonly state: Readonly<State>;
  }) => readonly Provided[];
  /** Makes the element a form field: it has a name, a value and a validity, is reset, disabled and restored. */
  readonly field?: FieldParts<NoInfer<P>, State>;
  /** Set-up when the element is put into a document; the signal tells when to clean up. */
  readonly connected?: (context: ConnectedContext<NoInfer<P>, State, Events>) => void;
  /**
   * What stands in its place where it cannot be shown: a value does not fit, a calculation stops, its data cannot be
   * loaded. All else of the page stands, and what went wrong is told.
   */
  readonly onFailure?: Content | ((context: FailureContext) => Content);
  /**
   * Called once, with expressions instead of values; what it returns is the component's template. Or HTML text, or a
   * file of it read with `markupFile`: `{{ … }}` places a value, `<slot>` a slot, the tag of a component in `uses` that
   * component.
   */
  readonly template:
    | ((context: TemplateContext<P, S, State, H, NoInfer<Data>>) => Content)
    | WrittenText<Text>
    | TextFile<Text>;
  /** With a template text: the components whose tags stand in it. */
  readonly uses?: readonly NamedComponent[];
  /**
   * With a template text: whether white space that holds a line break is the text's own layout. Beside a tag it is then
   * dropped, inside text it is one space. Left out, all white space stays as it is written. `pre` and `textarea` keep
   * theirs.
   */
  readonly joinLines?: boolean;
  /** With a template text: functions that its expressions may call. */
  readonly helpers?: Readonly<Record<string, (...args: never[]) => unknown>>;
  /** With a template text: tags of custom elements from elsewhere that stand in it: names, or patterns of them. */
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
> extends Definition<P, S, State, Events, H, Accepts, Text, Data> {
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
>(
  parts: Definition<P, S, State, Events, H, Accepts, Text, Data>,
): WrittenDefinition<P, S, State, Events, H, Accepts, Text, Data> {
  return parts as WrittenDefinition<P, S, State, Events, H, Accepts, Text, Data>;
}
