import type { ComponentCore } from '../component/index.js';
import { type Site, stepText } from '../template/index.js';
import type { Branch } from './ids.js';
import type { PlanFill } from './plan.js';
import type { TreeCondition, TreePart } from './tree.js';

/** One use being followed: its component's template, and what is known of its props and slots. */
export interface Scope {
  readonly component: ComponentCore | undefined;
  readonly path: string;
  readonly known: ReadonlyMap<string, unknown>;
  readonly fills: readonly (ScopedFill | undefined)[];
  /** Whether slots without a fill may still be filled by whoever renders it. */
  readonly isOpen: boolean;
  /** The components around it, outermost first, each with whether a condition stands before the next. */
  readonly above: readonly ComponentCore[];
}

export interface ScopedFill {
  readonly fill: PlanFill;
  readonly scope: Scope;
  readonly parts: TreePart[];
  shown: boolean;
}

/** Where in the page a node stands. */
export interface Spot {
  /** Open tags, outermost first. */
  readonly open: readonly string[];
  readonly under: readonly TreeCondition[];
  readonly branches: readonly Branch[];
  readonly repeats: boolean;
  /** Components entered with no condition in between, to find those that never end. */
  readonly unconditional: readonly ComponentCore[];
  /** Where uses go, in tree form. */
  readonly into: TreePart[];
  /** Whether elements and text are outlined as well, as they are in a slot. */
  readonly outlines: boolean;
}

export function topSpot(into: TreePart[]): Spot {
  return { open: [], under: [], branches: [], repeats: false, unconditional: [], into, outlines: false };
}

export function pathTo(scope: Scope, site: Site | undefined): string {
  const steps = (site?.path ?? []).map((step) => stepText(step));
  return [scope.path, ...steps].filter((step) => step !== '').join(' › ');
}

export function short(text: string): string {
  return text.length > 40 ? `${text.slice(0, 39)}…` : text;
}
