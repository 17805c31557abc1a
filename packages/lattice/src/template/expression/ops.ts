import type { Scope } from '../scope.js';

/** How to have an expression's value where its template is rendered. */
export type Get = (scope: Scope) => unknown;

/** The working side of an expression: what it is made of, and how its value is had. */
export interface Core {
  readonly op: Op;
  readonly get: Get;
}

/** What a calculation is called and where it stands, if not in the component whose scope it is read in. */
export interface Whereabouts {
  readonly name: string;
  path(scope: Scope): string;
}

export type BinaryOperator =
  | '??'
  | 'or'
  | 'and'
  | '=='
  | '!='
  | '<'
  | '<='
  | '>'
  | '>='
  | '+'
  | '-'
  | '*'
  | '/'
  | '%';

/**
 * What an expression is made of, whether it was written with functions (`calc`, fields) or in HTML text. Whoever reads
 * expressions has a table with a line for each.
 */
export type Op =
  | { readonly op: 'prop'; readonly name: string; readonly index: number }
  | { readonly op: 'state'; readonly name: string }
  | {
      readonly op: 'local';
      readonly local: number;
      readonly label: string;
      readonly what: 'item' | 'index' | 'data';
    }
  /** The event that calls a handler, among the handler's arguments. */
  | { readonly op: 'event' }
  /** What a component has loaded: a `LoadState`. */
  | { readonly op: 'data' }
  | { readonly op: 'shared'; readonly name: string }
  | { readonly op: 'filled'; readonly slot: string; readonly index: number }
  | { readonly op: 'uid'; readonly label: string; readonly depth: number }
  | { readonly op: 'literal'; readonly value: unknown }
  | { readonly op: 'field'; readonly of: Core; readonly key: string }
  /** A field of plain data, as HTML text reads it: an own one, and no function. */
  | { readonly op: 'member'; readonly of: Core; readonly key: Core }
  | {
      readonly op: 'calc';
      readonly inputs: readonly Core[];
      readonly compute: (...values: unknown[]) => unknown;
      readonly at?: Whereabouts | undefined;
    }
  /** A call of one of a component's helpers, in HTML text. */
  | {
      readonly op: 'call';
      readonly name: string;
      readonly args: readonly Core[];
      readonly compute: (...values: unknown[]) => unknown;
      readonly component: string;
    }
  | { readonly op: 'phrase'; readonly strings: readonly string[]; readonly parts: readonly Core[] }
  | { readonly op: 'list'; readonly items: readonly Core[] }
  | { readonly op: 'record'; readonly keys: readonly string[]; readonly items: readonly Core[] }
  | { readonly op: 'unary'; readonly operator: 'not' | '-' | '+'; readonly of: Core }
  | { readonly op: 'binary'; readonly operator: BinaryOperator; readonly left: Core; readonly right: Core }
  | { readonly op: 'choice'; readonly test: Core; readonly holds: Core; readonly otherwise: Core }
  /** An expression of HTML text, with how it was written. */
  | {
      readonly op: 'written';
      readonly text: string;
      readonly of: Core;
      readonly at?: Whereabouts | undefined;
    }
  /** Text as the kind of a prop reads it; what it cannot read stays text. */
  | {
      readonly op: 'read';
      readonly of: Core;
      readonly read: (text: string) => unknown;
      /** The kind, as the prop declares it. */
      readonly declared: unknown;
      readonly component: string;
      readonly prop: string;
    }
  /** Read in the scope so many owners up: what a use gives to the element that its component renders as. */
  | { readonly op: 'outer'; readonly of: Core; readonly up: number }
  /** Whether a value shows as anything where content is placed, and whether a list has items. */
  | { readonly op: 'something'; readonly of: Core }
  | { readonly op: 'full'; readonly of: Core }
  /** Whether something holds for any row of a list, or what it comes to for each; the item and its number are locals. */
  | {
      readonly op: 'any';
      readonly list: Core;
      readonly item: number;
      readonly of: Core;
      readonly isEach?: true;
    };

export type OpName = Op['op'];
export type OpOf<Name extends OpName> = Extract<Op, { readonly op: Name }>;

/** A line for each kind of operation. */
export type OpTable<Result> = { readonly [Name in OpName]: (op: OpOf<Name>) => Result };

/** Reads an operation by a table. */
export function byOp<Result>(table: OpTable<Result>, op: Op): Result {
  // The line for an operation takes just that operation; TypeScript cannot follow the two through one index.
  return (table[op.op] as (op: Op) => Result)(op);
}
