import type { PlanNode } from '../tree/index.js';
import { buildEach } from './nodes/each.js';
import { buildElement } from './nodes/element.js';
import { buildGiven } from './nodes/given.js';
import { buildSlot } from './nodes/slot.js';
import { buildTrusted } from './nodes/trusted.js';
import { buildUse } from './nodes/use.js';
import { buildValue } from './nodes/value.js';
import { type Numbers, type Spot, View } from './view.js';

/** Builds nodes into a view, under a parent in its fragment. */
export function buildAll(nodes: readonly PlanNode[], parent: Node, view: View, spot: Spot): void {
  for (const node of nodes) build(node, parent, view, spot);
}

function build(node: PlanNode, parent: Node, view: View, spot: Spot): void {
  switch (node.kind) {
    case 'text':
      return view.text(parent, node.text);
    case 'value':
      return buildValue(node, parent, view, spot);
    case 'element':
      return buildElement(node, parent, view, spot);
    case 'given':
      return buildGiven(node, parent, view, spot);
    case 'each':
      return buildEach(node, parent, view, spot);
    case 'slot':
      return buildSlot(node, parent, view, spot);
    case 'trusted':
      return buildTrusted(node, parent, view, spot);
    case 'use':
      return buildUse(node, parent, view, spot);
  }
}

/** A view of its own for content that comes and goes. A place that comes first gets a node to start from. */
export function viewOf(nodes: readonly PlanNode[], numbers: Numbers, spot: Spot): View {
  const view = new View(numbers);
  const [first] = nodes;
  const isFixed = first?.kind === 'element' && typeof first.tag === 'string';
  if (first && !isFixed) view.top.appendChild(document.createComment(''));
  buildAll(nodes, view.top, view, spot);
  if (!view.top.firstChild) view.top.appendChild(document.createComment(''));
  return view;
}
