import { type DefaultTreeAdapterTypes, parseFragment } from 'parse5';

type Node = DefaultTreeAdapterTypes.ChildNode;

/** A parsed tree as plain data: text as strings, elements as [tag, attributes, children]. */
export type Plain =
  | string
  | readonly [tag: string, attributes: Record<string, string>, children: readonly Plain[]];

/** Parses HTML text by the standard's algorithm, as a browser without scripting would. */
export function parsed(html: string): Plain[] {
  return plain(parseFragment(html, { scriptingEnabled: false }).childNodes);
}

function plain(nodes: readonly Node[]): Plain[] {
  return nodes.flatMap((node): Plain[] => {
    if (node.nodeName === '#text') return [(node as DefaultTreeAdapterTypes.TextNode).value];
    if (!('tagName' in node)) return [`<${node.nodeName}>`];
    const children =
      node.nodeName === 'template' && 'content' in node ? node.content.childNodes : node.childNodes;
    const attributes = Object.fromEntries(
      node.attrs.map(({ prefix, name, value }) => [prefix ? `${prefix}:${name}` : name, value]),
    );
    return [[node.tagName, attributes, plain(children)]];
  });
}

/** Every tag in parsed trees, in order. */
export function tagsIn(nodes: readonly Plain[]): string[] {
  return nodes.flatMap((node) => (typeof node === 'string' ? [] : [node[0], ...tagsIn(node[2])]));
}

/** Every attribute name in parsed trees, in order. */
export function attributesIn(nodes: readonly Plain[]): string[] {
  return nodes.flatMap((node) =>
    typeof node === 'string' ? [] : [...Object.keys(node[1]), ...attributesIn(node[2])],
  );
}
