import { htmlFragment } from '../../template/index.js';
import { markHoles } from './holes.js';
import type { MarkupNode } from './nodes.js';
import type { Reading } from './reading.js';

/** Reads template text with the page's own parser, which gives no places and fixes what is wrong without a word. */
export function readMarkup(text: string): Reading {
  const marked = markHoles(text);
  return { nodes: nodesFrom(htmlFragment(marked.text)), marked, findings: [] };
}

function nodesFrom(parent: Node): readonly MarkupNode[] {
  return [...parent.childNodes].flatMap((node): readonly MarkupNode[] => {
    if (node instanceof Text) return [{ kind: 'text', text: node.data, at: undefined }];
    if (node instanceof Comment) return [{ kind: 'comment', text: node.data, at: undefined }];
    if (!(node instanceof Element)) return [];
    return [
      {
        kind: 'element',
        tag: node.localName,
        attributes: [...node.attributes].map(({ name, value }) => ({
          name,
          value,
          isBare: false,
          at: undefined,
          valueAt: undefined,
        })),
        children: nodesFrom(node instanceof HTMLTemplateElement ? node.content : node),
        at: undefined,
      },
    ];
  });
}
