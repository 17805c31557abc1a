import type { PlanNode } from '../tree/index.js';
import type { Chunks } from './chunks.js';
import { escapeText } from './escape.js';
import { foldable, foldInto } from './fold.js';
import type { At } from './lowering.js';
import { lowerEach } from './nodes/each.js';
import { lowerElement } from './nodes/element.js';
import { lowerGiven } from './nodes/given.js';
import { lowerSlot } from './nodes/slot.js';
import { lowerTrusted } from './nodes/trusted.js';
import { lowerUse } from './nodes/use.js';
import { lowerValue } from './nodes/value.js';

/** Compiles nodes to HTML text, one after the other. */
export function lowerAll(nodes: readonly PlanNode[], to: Chunks, at: At): void {
  for (const node of nodes) lower(node, to, at);
}

function lower(node: PlanNode, to: Chunks, at: At): void {
  switch (node.kind) {
    case 'text':
      return to.text(escapeText(node.text));
    case 'element':
      return lowerElement(node, to, at);
    case 'trusted':
      return lowerTrusted(node, to, at);
    case 'slot':
      return lowerSlot(node, to, at);
    default:
      if (!at.lowering.marksPlaces && foldable(node, at.lowering.inner)) foldInto(node, to, at, lowerPlace);
      else lowerPlace(node, to, at);
  }
}

type Place = Extract<PlanNode, { kind: 'value' | 'given' | 'each' | 'use' }>;

function lowerPlace(node: Place, to: Chunks, at: At): void {
  switch (node.kind) {
    case 'value':
      return lowerValue(node, to, at);
    case 'given':
      return lowerGiven(node, to, at);
    case 'each':
      return lowerEach(node, to, at);
    case 'use':
      return lowerUse(node, to, at);
  }
}
