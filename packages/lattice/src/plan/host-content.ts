import { ExprCore } from '../template/index.js';
import type { PlanAttribute } from './attributes/plan-attribute.js';
import type { Block } from './block.js';
import { isInteractive } from './interactive.js';
import type { PlanElement, PlanNode, PlanUse } from './plan.js';

/**
 * What stands between the tags of a component that stays an element: what is given to its slots, each piece naming its
 * slot. Where that renders nothing there is nothing, so that the element shows its own fallback.
 */
export function hostContent(use: PlanUse): readonly PlanNode[] {
  const nodes: PlanNode[] = [];
  for (const [index, fill] of use.fills.entries()) {
    if (!fill || fill.data !== undefined) continue;
    const { block } = fill;
    const { filled } = block;
    if (filled === false) continue;
    const name = use.component.slots.names[index] as string;
    const content = name === 'default' ? block : named(block, name);
    if (filled === true) nodes.push(...content.nodes);
    else nodes.push({ kind: 'given', test: filled, content, otherwise: block.of([]) });
  }
  return nodes;
}

/** Content whose outermost elements name a slot. Text cannot do so: an element without a box of its own does. */
function named(block: Block, slot: string): Block {
  const nodes: PlanNode[] = [];
  let unnamed: PlanNode[] = [];
  const wrap = (): void => {
    if (unnamed.length > 0) nodes.push(nameless(block.of(unnamed), slot));
    unnamed = [];
  };
  for (const node of block.nodes) {
    const one = namedNode(node, slot);
    if (one) {
      wrap();
      nodes.push(one);
    } else unnamed.push(node);
  }
  wrap();
  return block.of(nodes);
}

function namedNode(node: PlanNode, slot: string): PlanNode | undefined {
  switch (node.kind) {
    case 'element':
      return { ...node, attributes: withSlot(node.attributes, slot) };
    case 'given':
      return { ...node, content: named(node.content, slot), otherwise: named(node.otherwise, slot) };
    case 'each':
      return { ...node, row: named(node.row, slot), empty: named(node.empty, slot) };
    case 'use':
      return isInteractive(node.component)
        ? { ...node, own: withSlot(node.own, slot), filled: true }
        : undefined;
    default:
      return undefined;
  }
}

/** Attributes with that of a slot, in place of one that says something else. */
function withSlot(attributes: readonly PlanAttribute[], slot: string): readonly PlanAttribute[] {
  return [...attributes.filter(({ key }) => key !== 'slot'), slotAttribute(slot)];
}

function slotAttribute(slot: string): PlanAttribute {
  return { kind: 'fixed', key: 'slot', name: 'slot', rule: 'plain', text: slot };
}

function nameless(content: Block, slot: string): PlanElement {
  const style: PlanAttribute = {
    kind: 'style',
    key: 'style',
    parts: [['display', new ExprCore({ op: 'literal', value: 'contents' })]],
  };
  return {
    kind: 'element',
    tag: 'span',
    tags: ['span'],
    attributes: [style, slotAttribute(slot)],
    content,
    place: undefined,
  };
}
