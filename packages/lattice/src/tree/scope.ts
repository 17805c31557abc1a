import type { ComponentCore } from '../component/index.js';
import { isInteractive, type PlanAttribute, type PlanFill, type PlanUse } from '../plan/index.js';
import { type Core, type Scope, type Site, stepText } from '../template/index.js';
import type { Branch, ShadowRootOf } from './ids.js';
import type { TreeCondition, TreePart } from './tree.js';

/** One use being followed: its component's template, and what is known of its props and slots. */
export interface TreeScope {
  readonly component: ComponentCore | undefined;
  readonly path: string;
  /** What expressions read, as far as it is known. */
  readonly values: Scope;
  /** The props that are not known, by their numbers. */
  readonly open: ReadonlySet<number>;
  readonly isStateKnown: boolean;
  readonly fills: readonly (ScopedFill | undefined)[];
  /** Whether slots without a fill may still be filled by whoever renders it. */
  readonly isOpen: boolean;
  /** The scope in which this use is written. */
  readonly owner: TreeScope | undefined;
  /** What the use gives to the element that its component renders as. */
  readonly accepted: readonly PlanAttribute[] | undefined;
  /** The expressions that its use gives to its props, by their numbers. */
  readonly given: readonly (Core | undefined)[];
  /** The shadow root that its template stands in; undefined in the page itself. */
  readonly root: ShadowRootOf | undefined;
  /** The components around it and itself, outermost first. */
  readonly above: readonly ComponentCore[];
  /** The uses that led here, outermost first. */
  readonly entered: readonly EnteredUse[];
}

/** A use whose component's template is followed. */
export interface EnteredUse {
  readonly node: PlanUse;
  readonly path: string;
  /** How many tags were open where it is written. */
  readonly depth: number;
}

export interface ScopedFill {
  readonly fill: PlanFill;
  /** The component whose slot it fills. */
  readonly of: ComponentCore;
  readonly scope: TreeScope;
  readonly parts: TreePart[];
  shown: boolean;
}

/** Where in the page a node stands. */
export interface Spot {
  /** The component in whose content or template it is written; none on a page itself. */
  readonly writtenIn: ComponentCore | undefined;
  /** The component that shows it there: another one where content was passed on. */
  readonly shownIn: ComponentCore | undefined;
  /** Open tags, outermost first. */
  readonly open: readonly string[];
  readonly under: readonly TreeCondition[];
  readonly branches: readonly Branch[];
  readonly repeats: boolean;
  /** Whether what is known says that it is not shown. */
  readonly isHidden: boolean;
  /** Components entered with no condition in between, to find those that never end. */
  readonly unconditional: readonly ComponentCore[];
  /** Where uses go, in tree form. */
  readonly into: TreePart[];
  /** Whether elements and text are outlined as well, as they are in a slot. */
  readonly outlines: boolean;
}

export function topSpot(into: TreePart[]): Spot {
  return {
    writtenIn: undefined,
    shownIn: undefined,
    open: [],
    under: [],
    branches: [],
    repeats: false,
    isHidden: false,
    unconditional: [],
    into,
    outlines: false,
  };
}

/** The spot under one more condition. */
export function under(spot: Spot, condition: TreeCondition): Spot {
  return {
    ...spot,
    outlines: false,
    under: [...spot.under, condition],
    isHidden: spot.isHidden || condition.holds === false,
  };
}

/** The scope of content that stands in no component. */
export const outside: TreeScope = {
  component: undefined,
  path: '',
  values: {
    name: '',
    props: [],
    locals: [],
    fills: [],
    owner: undefined,
    site: undefined,
    at: undefined,
    state: undefined,
    shared: undefined,
    accepted: undefined,
  },
  open: new Set(),
  isStateKnown: false,
  fills: [],
  isOpen: false,
  owner: undefined,
  accepted: undefined,
  given: [],
  root: undefined,
  above: [],
  entered: [],
};

/** Returns the shadow root in which a component's template stands: its own, or that of whoever uses it. */
export function rootIn(component: ComponentCore, owner: TreeScope): ShadowRootOf | undefined {
  return isInteractive(component) ? { component } : owner.root;
}

/** Returns what stands for an id that `uid` makes, the same in all components that it is passed to. */
export function madeId(core: Core, scope: TreeScope): string | undefined {
  const { op } = core;
  if (op.op === 'uid') return `${scope.path} › ${op.label} ${op.depth}`;
  if (op.op === 'prop') {
    const given = scope.owner && scope.given[op.index];
    return given && madeId(given, scope.owner as TreeScope);
  }
  if (op.op !== 'outer') return undefined;
  let owner: TreeScope | undefined = scope;
  for (let up = 0; up < op.up; up++) owner = owner?.owner;
  return owner && madeId(op.of, owner);
}

export function pathTo(scope: TreeScope, site: Site | undefined): string {
  const steps = (site?.path ?? []).map((step) => stepText(step));
  return [scope.path, ...steps].filter((step) => step !== '').join(' › ');
}

export function short(text: string): string {
  return text.length > 40 ? `${text.slice(0, 39)}…` : text;
}
