import type { ComponentCore } from '../component/index.js';
import type { PlanNode } from './plan.js';
import { planOf } from './plan-content.js';
import type { ScopedFill } from './scope.js';
import type { TreeSlot } from './tree.js';

export function treeSlot(
  component: ComponentCore,
  name: string,
  index: number,
  fill: ScopedFill | undefined,
): TreeSlot {
  if (fill)
    return { name, state: mayBeNothing(fill.fill.content) ? 'depends' : 'filled', content: fill.parts };
  return { name, state: hasFallback(planOf(component).content, index) ? 'fallback' : 'empty', content: [] };
}

/** Whether content places nothing for some values: it is all conditions, rows, slots and changing text. */
export function mayBeNothing(nodes: readonly PlanNode[]): boolean {
  return nodes.every((node) => {
    if (node.kind === 'given') return mayBeNothing(node.content) || mayBeNothing(node.otherwise);
    return node.kind === 'each' || node.kind === 'slot' || node.kind === 'value';
  });
}

export function hasFallback(nodes: readonly PlanNode[], slot: number): boolean {
  return nodes.some(
    (node) =>
      (node.kind === 'slot' && node.slot === slot && node.fallback.length > 0) ||
      childLists(node).some((inner) => hasFallback(inner, slot)),
  );
}

/** The lists of nodes that a node holds. */
export function childLists(node: PlanNode): readonly (readonly PlanNode[])[] {
  switch (node.kind) {
    case 'element':
      return [node.content];
    case 'given':
      return [node.content, node.otherwise];
    case 'each':
      return [node.row, node.empty];
    case 'slot':
      return [node.fallback];
    case 'use':
      return node.fills.flatMap((fill) => (fill ? [fill.content] : []));
    default:
      return [];
  }
}
