import type { PlanNode } from '../tree/index.js';
import type { Chunks } from './chunks.js';
import type { At } from './lowering.js';

/** Puts a place between the comments that an element finds it by, where one is going to take it over. */
export function between(to: Chunks, at: At, lower: () => void): void {
  // The text of these elements is all there is in them: a comment would be text.
  if (!at.lowering.marksPlaces || /^(textarea|title|script|style|option)$/.test(at.tag)) return lower();
  to.text('<!--(-->');
  lower();
  to.text('<!--)-->');
}

/** What a block of content starts with, so that it has a first node of its own: a text would be one with the text before it. */
export function blockStart(nodes: readonly PlanNode[], at: At): string {
  if (!at.lowering.marksPlaces) return '';
  const [first] = nodes;
  const isFixed = first?.kind === 'element' && typeof first.tag === 'string';
  return isFixed ? '' : '<!---->';
}
