import type { SourcePlace } from '../problem/index.js';
import type { Provided } from '../template/index.js';
import type { AnyEventKind } from './event.js';
import type { AnyKind } from './kind.js';
import type { AnyNodeKind } from './node-kind.js';
import type { Placement } from './placement.js';
import type { AnySlotKind } from './slot.js';

/** A template written as HTML text, or CSS rules, and the file that was read from. */
export interface TemplateText {
  readonly text: string;
  /** The file's path, where the text is the whole of a file. */
  readonly file?: string | undefined;
  /** Set where the file could not be read: why, and what to do. */
  readonly unread?: { readonly reason: string; readonly hint: string };
}

/** A component as the rest of the library reads it, without the types that only its users need. */
export interface ComponentCore {
  readonly name: string;
  readonly description: string | undefined;
  /** What to use in its place. */
  readonly deprecated?: string | undefined;
  readonly props: Declared<AnyKind>;
  readonly slots: Declared<AnySlotKind>;
  /** The prop that names the element whose attributes a use may give as well. */
  readonly accepts: string | undefined;
  /** Where it may be used; anywhere unless given. */
  readonly placement?: Placement | undefined;
  readonly events: Readonly<Record<string, AnyEventKind>>;
  readonly load: ((context: never) => unknown) | undefined;
  /** How long a load may take, in milliseconds, where the component says so. */
  readonly loadTimeOut?: number | undefined;
  /** Whether what was loaded stays while it loads for another prop. */
  readonly keepLoaded?: boolean | undefined;
  /** Content for where it cannot be shown, or a function of what went wrong. */
  readonly onFailure: unknown;
  readonly handlers: Readonly<Record<string, HandlerFunction>>;
  readonly connected: ((context: never) => void) | undefined;
  /** What happens when changes have been shown. */
  readonly shown: HandlerFunction | undefined;
  /** Fields of the state that follow a prop, and which. */
  readonly follows: Readonly<Record<string, string>>;
  /** What others may call on its element. */
  readonly elementMethods: Readonly<Record<string, HandlerFunction>>;
  /** Nodes of its template that its functions reach, by name. */
  readonly nodes: Readonly<Record<string, AnyNodeKind>>;
  /** What happens when a prop has changed, by prop name. */
  readonly reactions: Readonly<Record<string, HandlerFunction>>;
  /** What it hands down to components below it. */
  readonly provides: ((context: never) => readonly Provided[]) | undefined;
  /** The states that style sheets find the element by, and whether each is on. */
  readonly states: ((context: never) => Readonly<Record<string, unknown>>) | undefined;
  /** The role and ARIA properties of the element. */
  readonly aria: ((context: never) => Readonly<Record<string, unknown>>) | undefined;
  /** How the element takes part in a form, where it does. */
  readonly field: FieldRules | undefined;
  readonly state:
    | ((props: Readonly<Record<string, unknown>>) => Readonly<Record<string, unknown>>)
    | undefined;
  /** The pieces of its rules, each with the file that it was read from. */
  readonly sheets: readonly TemplateText[];
  /** CSS text; empty where the component has no styles. */
  readonly styles: string;
  readonly template: ((context: unknown) => unknown) | TemplateText;
  /** Components that a template text may name. */
  readonly uses: readonly ComponentCore[];
  /** Functions that a template text may call. */
  readonly helpers: Readonly<Record<string, (...args: never[]) => unknown>>;
  /** Tags of custom elements from elsewhere that a template text may name. */
  readonly foreign: readonly (string | RegExp)[];
  /** Whether white space with a line break in a template text is layout and dropped. */
  readonly joinLines: boolean;
  /** Set for a text whose component is not at hand: any name may be read in it. */
  readonly takesAnyName?: true;
  /** Where `component()` was called, where known. */
  readonly source: SourcePlace | undefined;
}

/** A form-associated element's part in its form, without the types that only its author needs. */
export interface FieldRules {
  /** The node that gets the focus. */
  readonly focuses?: string;
  readonly value: (context: never) => string | null | Readonly<Record<string, string>>;
  readonly fault?:
    | ((context: never) => string | undefined | Readonly<Record<string, string | false | undefined>>)
    | undefined;
  readonly restore?:
    | ((text: string, entries: Readonly<Record<string, string>>) => Readonly<Record<string, unknown>>)
    | undefined;
}

export type HandlerFunction = (context: never, ...args: never[]) => unknown;

/** Named things in the order they were declared. */
export interface Declared<Kind> {
  readonly names: readonly string[];
  readonly kinds: readonly Kind[];
  readonly at: ReadonlyMap<string, number>;
}

export function declared<Kind>(record: Readonly<Record<string, Kind>> | undefined): Declared<Kind> {
  const names = Object.keys(record ?? {});
  return {
    names,
    kinds: Object.values(record ?? {}),
    at: new Map(names.map((name, index) => [name, index])),
  };
}

const coreBrand = Symbol.for('zesty-lattice.component');

/** The component behind a callable, if it is one. */
export function componentCore(candidate: unknown): ComponentCore | undefined {
  return typeof candidate === 'function'
    ? (candidate as { [coreBrand]?: ComponentCore })[coreBrand]
    : undefined;
}

export function brandComponent(callable: object, core: ComponentCore): void {
  Object.defineProperty(callable, coreBrand, { value: core });
}
