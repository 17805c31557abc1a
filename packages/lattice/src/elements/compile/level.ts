import type { ComponentCore } from '../../component/index.js';
import type { Block, PlanAttribute, PlanNode, PlanUse } from '../../plan/index.js';
import type { Dependencies } from './dependencies.js';
import type { Around, CountNodes } from './static.js';
import type { CompiledView } from './view.js';

/** One component whose template is part of a view: which scope its expressions read, and what fills its slots. */
export interface Level {
  /** The number of its scope among the scopes. */
  readonly index: number;
  readonly component: ComponentCore;
  readonly dependencies: Dependencies;
  /** The use that it is, in the level of its owner; the element's own component has none. */
  readonly use: { readonly node: PlanUse; readonly owner: Level; readonly depth: number } | undefined;
  /** What the use gives to the element that the component renders as. */
  readonly accepted: readonly PlanAttribute[] | undefined;
}

/** Where in a view something is built. */
export interface Spot {
  readonly level: Level;
  /** How many row and slot functions enclose it, in its own template. */
  readonly depth: number;
  readonly isSvg: boolean;
}

/** What all views of one element's shadow root share. */
export interface Common {
  /** The number of the next scope. */
  next: number;
  /** The components that are elements of their own in it, and so have to be registered with it. */
  readonly uses: Set<ComponentCore>;
  /** Components whose rules the shadow root needs besides its own. */
  readonly styled: Set<ComponentCore>;
  /** Whether some of it stands in the shadow roots of elements in it, whose slots it fills. */
  fillsOthers: boolean;
  /** Components that may stand in it somewhere and have been taken note of: each is once. */
  readonly noted: Set<ComponentCore>;
  /** Whether there may be forms in it. */
  hasForms: boolean;
  /** Whether an `<output>` with content stands in it, which a reset of its form would empty. */
  hasOutputs: boolean;
  /** Whether elements in it have styles. */
  hasStyles: boolean;
  /** Whether a default slot of the element has a fallback. */
  leavesOutBlanks: boolean;
  readonly count: CountNodes;
  /** How nodes are built, and views of their own: handed to those that build one kind, so that they need not know of each other. */
  nodes(nodes: readonly PlanNode[], parent: Around, view: CompiledView, spot: Spot): void;
  view(nodes: readonly PlanNode[], spot: Spot): CompiledView;
}

/** Content as a view of its own; none where there is none. */
export function viewOf({ nodes }: Block, common: Common, spot: Spot): CompiledView | undefined {
  return nodes.length === 0 ? undefined : common.view(nodes, spot);
}
