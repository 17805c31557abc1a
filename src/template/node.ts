import { callPlace, placeOf, type SourcePlace } from '../problem/index.js';
import type { ExprOf } from './expr.js';
import { currentRun } from './run-state.js';

const nodeBrand = Symbol.for('zesty-lattice.node');

/** A piece of a template, such as an element: what the builders give, and what content is made of. */
export interface TemplateNode {
  readonly [nodeBrand]: true;
}

/** What every node of a template has; the kinds are in `nodes/`, one file each. */
export abstract class BaseNode implements TemplateNode {
  declare readonly [nodeBrand]: true;
  readonly place: object | undefined;

  /** `writtenBy` is the public function whose caller wrote this node. */
  constructor(writtenBy: unknown) {
    const run = currentRun();
    this.place = run?.reading ?? (run?.tracks ? callPlace(writtenBy) : undefined);
  }

  /** File, line and column of the line that wrote it, where known: only inside a template. */
  get source(): SourcePlace | undefined {
    return placeOf(this.place);
  }
}

Object.defineProperty(BaseNode.prototype, nodeBrand, { value: true });

export function isNode(candidate: unknown): candidate is BaseNode {
  return typeof candidate === 'object' && candidate !== null && nodeBrand in candidate;
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
