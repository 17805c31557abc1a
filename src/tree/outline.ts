import { describe } from '../template/index.js';
import type { PlanNode } from './plan.js';

/** Content in one short line for a person: `<p> "Thin skin, sharp."`, `given props.rare: <p>`. */
export function outline(node: PlanNode): string {
  switch (node.kind) {
    case 'text':
      return node.text.trim() === '' ? '' : JSON.stringify(clip(node.text.trim().replace(/\s+/g, ' '), 48));
    case 'value':
      return `{ ${clip(describe(node.value), 48)} }`;
    case 'element': {
      const tag = typeof node.tag === 'string' ? node.tag : describe(node.tag);
      const inside = outlines(node.content);
      return inside === '' ? `<${tag}>` : `<${tag}> ${inside}`;
    }
    case 'given':
      return `given ${describe(node.test)}: ${outlines(node.content)}${node.otherwise.length > 0 ? ` or ${outlines(node.otherwise)}` : ''}`;
    case 'each':
      return `each of ${Array.isArray(node.list) ? `a list of ${node.list.length}` : describe(node.list as never)}: ${outlines(node.row)}`;
    case 'slot':
      return `slot ${node.name}`;
    case 'trusted':
      return 'trusted HTML';
    case 'use':
      return node.component.name;
  }
}

function outlines(nodes: readonly PlanNode[]): string {
  return clip(
    nodes
      .map(outline)
      .filter((line) => line !== '')
      .join(', '),
    72,
  );
}

function clip(text: string, most: number): string {
  return text.length > most ? `${text.slice(0, most - 1)}…` : text;
}
