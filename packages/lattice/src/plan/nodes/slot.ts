import { ExprCore, operandOf, type SlotNode } from '../../template/index.js';
import { either } from '../block.js';
import type { PlanSlot } from '../plan.js';
import type { PlannedKind } from './kind.js';

/** The place of a slot. Content that stands in no component has no slots: there a place shows its fallback. */
export const slot: PlannedKind<SlotNode, PlanSlot> = {
  plan(node, at, planner) {
    const slots = planner.component?.slots;
    const index = slots?.at.get(node.name) ?? -1;
    return {
      kind: 'slot',
      name: node.name,
      slot: index,
      number: planner.places++,
      data: operandOf(node.data),
      hands: slots?.kinds[index]?.hands ?? false,
      fallback: planner.block(node.fallback, at),
      place: node.place,
    };
  },
  reads: ({ data }) => [data],
  blocks: ({ fallback }) => [{ block: fallback, locals: [] }],
  filled: ({ name, slot: index, fallback }) =>
    index < 0 ? fallback.filled : either(new ExprCore({ op: 'filled', slot: name, index }), fallback.filled),
};
