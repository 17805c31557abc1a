import type { ComponentCore } from '../component/index.js';
import type { Finding, SourcePlace } from '../problem/index.js';
import type { ExprCore, Site } from '../template/index.js';

/**
 * A template made ready for its readers: content in one normal form, uses bound to their components, props checked
 * as far as they are constant, slots assigned. Every output reads these nodes.
 */
export type PlanNode =
  | PlanText
  | PlanValue
  | PlanElement
  | PlanGiven
  | PlanEach
  | PlanSlot
  | PlanTrusted
  | PlanUse;

export interface PlanText {
  readonly kind: 'text';
  readonly text: string;
}

export interface PlanValue {
  readonly kind: 'value';
  readonly value: ExprCore;
}

export interface PlanElement {
  readonly kind: 'element';
  readonly tag: string | ExprCore;
  /** As written: plain values, expressions, lists and records of them. */
  readonly attributes: Readonly<Record<string, unknown>>;
  readonly content: readonly PlanNode[];
  readonly source: SourcePlace | undefined;
}

export interface PlanGiven {
  readonly kind: 'given';
  readonly test: ExprCore;
  readonly content: readonly PlanNode[];
  readonly otherwise: readonly PlanNode[];
}

export interface PlanEach {
  readonly kind: 'each';
  readonly list: ExprCore | readonly unknown[];
  /** The local that holds the item; the next one holds its number from 0. */
  readonly item: number;
  readonly label: string;
  readonly key: ExprCore | undefined;
  readonly row: readonly PlanNode[];
  readonly empty: readonly PlanNode[];
}

export interface PlanSlot {
  readonly kind: 'slot';
  readonly name: string;
  /** The slot's number among the component's slots. */
  readonly slot: number;
  /** Different for each place in the template; part of the ids below it. */
  readonly number: number;
  readonly data: unknown;
  /** Whether the slot hands data to its filler. */
  readonly hands: boolean;
  readonly fallback: readonly PlanNode[];
}

export interface PlanTrusted {
  readonly kind: 'trusted';
  readonly html: string | ExprCore;
  readonly source: SourcePlace | undefined;
}

export interface PlanUse {
  readonly kind: 'use';
  readonly component: ComponentCore;
  readonly site: Site;
  /** In the order the component declares them. */
  readonly props: readonly BoundProp[];
  /** In the order the component declares its slots; undefined where nothing was given. */
  readonly fills: readonly (PlanFill | undefined)[];
  /** Attributes for the element that the component renders as. */
  readonly accepted: Readonly<Record<string, unknown>> | undefined;
  readonly source: SourcePlace | undefined;
}

export interface PlanFill {
  readonly content: readonly PlanNode[];
  /** The local that takes what the slot hands over. */
  readonly data: number | undefined;
}

/** One declared prop at one use. */
export interface BoundProp {
  readonly name: string;
  /** Where its value comes from. */
  readonly from: 'given' | 'fallback' | 'absent';
  /** Set where the value is known only at render time. */
  readonly expr: ExprCore | undefined;
  /** The settled value where it is constant. */
  readonly value: unknown;
}

/** A component's template, or content that stands in none, ready for its readers. */
export interface Plan {
  readonly component: ComponentCore | undefined;
  readonly content: readonly PlanNode[];
  readonly uses: readonly PlanUse[];
  /** What is wrong in it, each with the path of the use it belongs to, below this component. */
  readonly faults: readonly Fault[];
  /** How many locals its frames need. */
  readonly locals: number;
}

export interface Fault {
  readonly finding: Finding;
  readonly site: Site | undefined;
}
