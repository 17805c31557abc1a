import {
  atAttribute,
  type Finding,
  isTextPlace,
  placeOf,
  type SourcePlace,
  saidInText,
} from '../problem/index.js';
import type { ExprOf } from './expression/expr.js';
import { currentRun, placeIn } from './run-state.js';

/** What tells nodes from other things, whichever copy of the library made them. */
export const nodeBrand: unique symbol = Symbol.for('zesty-lattice.node') as never;

/** A piece of a template, such as an element: what the builders give, and what content is made of. */
export interface TemplateNode {
  readonly [nodeBrand]: true;
}

/** What every node of a template has; the kinds are in `nodes/`, one file each. */
export interface AnyNode extends TemplateNode {
  readonly kind: string;
  /** Where it was written, for `placeOfNode`. */
  readonly place: object | undefined;
  /** Whatever it holds that may be, or hold, an expression or another node. */
  parts(): readonly unknown[];
}

/**
 * Makes the nodes of a class count as nodes of a kind, in every copy of the library. Node classes have no base class: many nodes
 * are made for content that is built for each call, and a derived constructor makes that several times as slow.
 */
export function brandNodes<Kind extends string>(
  made: { readonly prototype: { readonly kind: Kind } },
  kind: Kind,
): void {
  Object.defineProperties(made.prototype, { [nodeBrand]: { value: true }, kind: { value: kind } });
}

export function isNode(candidate: unknown): candidate is AnyNode {
  return typeof candidate === 'object' && candidate !== null && nodeBrand in candidate;
}

/** Remembers where a node is written: `writtenBy` is the public function whose caller wrote it. Only inside a template. */
export function placeNow(writtenBy: unknown): object | undefined {
  const run = currentRun();
  return run && (run.reading ?? placeIn(run, writtenBy));
}

/** File, line and column of the line that wrote a node, where known. */
export function placeOfNode({ place }: { readonly place: object | undefined }): SourcePlace | undefined {
  return place && placeOf(place);
}

/** A finding with the line that wrote a node, unless it has a place of its own; in the words of HTML text, where that did. */
export function withSource(found: Finding, written: { readonly place: object | undefined }): Finding {
  const { place } = written;
  const isText = isTextPlace(place);
  const said = isText ? saidInText(found) : found;
  if (said.source) return said;
  const source = (isText ? atAttribute(found, place) : undefined) ?? placeOfNode(written);
  return source ? { ...said, source } : said;
}

/** A value that can stand as text. Lists and records cannot: use `eachOf`, or reach for a field. */
export type Textual = string | number | bigint | null | undefined | false;

/** Whatever can stand between an element's tags or in a slot. */
export type Content = Textual | TemplateNode | ExprOf<Textual> | readonly Content[];

/** Whether a first argument is a record of attributes, props or slots rather than content. */
export function isRecord(candidate: unknown): candidate is Readonly<Record<string, unknown>> {
  if (typeof candidate !== 'object' || candidate === null) return false;
  const prototype: unknown = Object.getPrototypeOf(candidate);
  return prototype === Object.prototype || prototype === null;
}
