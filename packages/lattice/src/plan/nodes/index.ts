import type { UseNode } from '../../component/index.js';
import type { EachNode, ElementNode, GivenNode, SlotNode, TrustedNode } from '../../template/index.js';
import type { FactsTable } from '../block.js';
import type { PlanNode } from '../plan.js';
import { data, text, value } from './content.js';
import { each } from './each.js';
import { element } from './element.js';
import { given } from './given.js';
import type { PlannedKind } from './kind.js';
import { slot } from './slot.js';
import { trusted } from './trusted.js';
import { use } from './use.js';

/** The kinds of node that a template is made of. */
export type Node = ElementNode | GivenNode | EachNode | SlotNode | TrustedNode | UseNode;

type PlannersTable = {
  readonly [Kind in Node['kind']]: PlannedKind<
    Extract<Node, { readonly kind: Kind }>,
    Extract<PlanNode, { readonly kind: Kind }>
  >;
};

/** How each kind is planned. */
export const planners: PlannersTable = { element, given, each, slot, trusted, use };

/** What is known of each kind of planned node. */
export const facts: FactsTable = { ...planners, text, value, data };
