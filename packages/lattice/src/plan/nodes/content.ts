import { ExprCore, isSomething } from '../../template/index.js';
import type { NodeFacts } from '../block.js';
import type { PlanData, PlanText, PlanValue } from '../plan.js';

/** Constant text. */
export const text: NodeFacts<PlanText> = {
  reads: () => [],
  blocks: () => [],
  filled: (node) => isSomething(node.text),
};

/** A value as text. */
export const value: NodeFacts<PlanValue> = {
  reads: (node) => [node.value],
  blocks: () => [],
  filled: (node) => new ExprCore({ op: 'something', of: node.value }),
};

/** Data as the text of a script. */
export const data: NodeFacts<PlanData> = {
  reads: (node) => [node.value],
  blocks: () => [],
  filled: () => true,
};
