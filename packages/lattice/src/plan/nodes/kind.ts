import type { AnyNode } from '../../template/index.js';
import type { NodeFacts } from '../block.js';
import type { PlanNode } from '../plan.js';
import type { Planner, PlanScope } from '../planner.js';

/** How a kind of template node is planned, and what is known of the outcome. */
export interface PlannedKind<Node extends AnyNode, Planned extends PlanNode> extends NodeFacts<Planned> {
  plan(node: Node, at: PlanScope, planner: Planner): Planned;
}
