import type { ComponentCore } from '../component/index.js';
import type { Finding } from '../problem/index.js';
import type { Core, Site } from '../template/index.js';
import type { PlanAttribute } from './attributes/plan-attribute.js';
import type { Block, Filled } from './block.js';

/**
 * A template made ready for its readers: content in one normal form, attributes decided, uses bound to their
 * components, props checked as far as they are constant, slots assigned. Every output reads these nodes, and decides
 * nothing that is decided here.
 */
export type PlanNode =
  | PlanText
  | PlanValue
  | PlanElement
  | PlanData
  | PlanGiven
  | PlanEach
  | PlanSlot
  | PlanTrusted
  | PlanUse;

export type PlanKind = PlanNode['kind'];
export type PlanOf<Kind extends PlanKind> = Extract<PlanNode, { readonly kind: Kind }>;

export interface PlanText {
  readonly kind: 'text';
  readonly text: string;
}

export interface PlanValue {
  readonly kind: 'value';
  readonly value: Core;
}

export interface PlanElement {
  readonly kind: 'element';
  /** As a parser of HTML gives it. */
  readonly tag: string | Core;
  /** Every tag that it can have; undefined where it can be any. */
  readonly tags: readonly string[] | undefined;
  readonly attributes: readonly PlanAttribute[];
  readonly content: Block;
  /** Attributes that HTML has given up, and that stand here on purpose. */
  readonly old?: readonly string[] | undefined;
  /** Whether it stands for the component's own element. */
  readonly isHostBox?: true;
  /** Where it is written, for `placeOfNode`. */
  readonly place: object | undefined;
}

/** Data as the text of a `script` element (https://html.spec.whatwg.org/#data-block). */
export interface PlanData {
  readonly kind: 'data';
  readonly value: Core;
}

export interface PlanGiven {
  readonly kind: 'given';
  readonly test: Core;
  readonly content: Block;
  readonly otherwise: Block;
}

export interface PlanEach {
  readonly kind: 'each';
  readonly list: Core;
  /** The local that holds the item; the next one holds its number from 0. */
  readonly item: number;
  readonly label: string;
  readonly key: Core | undefined;
  readonly row: Block;
  readonly empty: Block;
}

export interface PlanSlot {
  readonly kind: 'slot';
  readonly name: string;
  /** The slot's number among the component's slots. */
  readonly slot: number;
  /** Different for each place in the template; part of the ids below it. */
  readonly number: number;
  readonly data: Core;
  /** Whether the slot passes data to its filler. */
  readonly hands: boolean;
  readonly fallback: Block;
  /** Where it is written, for `placeOfNode`. */
  readonly place: object | undefined;
}

export interface PlanTrusted {
  readonly kind: 'trusted';
  readonly html: Core;
  /** The element that reads it as text of its own, such as `script`. */
  readonly inside: string;
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
  readonly accepted: readonly PlanAttribute[] | undefined;
  /**
   * Attributes of the component's own element: what any element may have, and where it stays one, events that are listened to and
   * its slot. Where it is flattened they go to its outermost element (`givenIn`).
   */
  readonly own: readonly PlanAttribute[];
  /** Attributes of that element that stand in a document, as they are written there. */
  readonly host: string;
  /** Where it is written, for `placeOfNode`. */
  readonly place: object | undefined;
  /** Whether it comes to anything, read where it is written. */
  readonly filled: Filled;
}

export interface PlanFill {
  readonly block: Block;
  /** The local that takes what the slot passes. */
  readonly data: number | undefined;
}

/** One declared prop at one use. */
export interface BoundProp {
  readonly name: string;
  /** Where its value comes from. */
  readonly from: 'given' | 'fallback' | 'absent';
  /** Set where the value is known only at render time. */
  readonly expr: Core | undefined;
  /** The normalised value where it is constant. */
  readonly value: unknown;
}

/** A component's template, or content that stands in none, ready for its readers. */
export interface Plan {
  readonly component: ComponentCore | undefined;
  readonly content: Block;
  /** What stands in its place where it cannot be shown, with the local that holds what went wrong. */
  readonly onFailure: { readonly block: Block; readonly fault: number } | undefined;
  /** What is wrong in it, each with the path of the use it belongs to, below this component. */
  readonly faults: readonly Fault[];
  /** How many locals its scopes need. */
  readonly locals: number;
}

export interface Fault {
  readonly finding: Finding;
  readonly site: Site | undefined;
}
