import type { Block, PlanNode } from '../plan/index.js';
import { type Core, describe } from '../template/index.js';

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
      return `given ${describe(node.test)}: ${outlines(node.content)}${node.otherwise.nodes.length > 0 ? ` or ${outlines(node.otherwise)}` : ''}`;
    case 'each':
      return `each of ${listName(node.list)}: ${outlines(node.row)}`;
    case 'data':
      return 'data';
    case 'slot':
      return `slot ${node.name}`;
    case 'trusted':
      return trustedOutline(node.html);
    case 'use':
      return node.component.name;
  }
}

function trustedOutline(html: Core): string {
  const { op } = html;
  if (op.op !== 'literal') return `trusted { ${clip(describe(html), 48)} }`;
  const text = String(op.value).trim().replace(/\s+/g, ' ');
  return text === '' ? '' : `trusted ${clip(text, 64)}`;
}

/** A list as its author would write it. */
export function listName(list: Core): string {
  const { op } = list;
  if (op.op !== 'literal') return describe(list);
  return Array.isArray(op.value) ? `a list of ${op.value.length}` : 'rows that come one after another';
}

function outlines({ nodes }: Block): string {
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
