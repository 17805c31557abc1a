import { ExprCore, type GivenNode } from '../../template/index.js';
import { filledCore } from '../block.js';
import type { PlanGiven } from '../plan.js';
import type { PlannedKind } from './kind.js';

/** One of two contents, by a test. */
export const given: PlannedKind<GivenNode, PlanGiven> = {
  plan: (node, at, planner) => ({
    kind: 'given',
    test: node.test,
    content: planner.block(node.content, at),
    otherwise: planner.block(node.otherwise, at),
  }),
  reads: ({ test }) => [test],
  blocks: ({ content, otherwise }) => [
    { block: content, locals: [] },
    { block: otherwise, locals: [] },
  ],
  filled({ test, content, otherwise }) {
    if (content.filled === otherwise.filled) return content.filled;
    const [holds, other] = [filledCore(content.filled), filledCore(otherwise.filled)];
    return new ExprCore({ op: 'choice', test, holds, otherwise: other });
  },
};
