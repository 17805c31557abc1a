import type { PlanNode } from '../../tree/index.js';
import { type Common, Draft, type Spot } from './draft.js';
import { buildEach } from './nodes/each.js';
import { buildElement } from './nodes/element.js';
import { buildGiven } from './nodes/given.js';
import { buildSlot } from './nodes/slot.js';
import { buildTrusted } from './nodes/trusted.js';
import { buildUse } from './nodes/use.js';
import { buildValue } from './nodes/value.js';
import { type Around, SketchSpot } from './sketch.js';

/** Builds nodes into a view, under a parent in it. */
export function buildAll(nodes: readonly PlanNode[], parent: Around, view: Draft, spot: Spot): void {
  for (const node of nodes) build(node, parent, view, spot);
}

function build(node: PlanNode, parent: Around, view: Draft, spot: Spot): void {
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
export function draftOf(nodes: readonly PlanNode[], common: Common, spot: Spot): Draft {
  const view = new Draft(common);
  const [first] = nodes;
  const isFixed = first?.kind === 'element' && typeof first.tag === 'string';
  if (first && !isFixed) view.add(view, new SketchSpot('mark'));
  buildAll(nodes, view, view, spot);
  if (view.content.length === 0) view.add(view, new SketchSpot('mark'));
  return view;
}
