import { type DefaultTreeAdapterTypes, parseFragment } from 'parse5';
import {
  type CompiledView,
  StaticElement,
  StaticHtml,
  type StaticNode,
  StaticText,
  styleMark,
} from 'zesty-lattice/internal/elements';

type ParsedNode = DefaultTreeAdapterTypes.ChildNode;

/** How many nodes ready-made HTML comes to. */
export function countNodes(html: string): number {
  return parseFragment(html).childNodes.length;
}

/** What is wrong with HTML that a page's parser is to make a view's nodes of; nothing where it does. */
export function htmlFault(html: string, view: CompiledView): string | undefined {
  if (hasPlaceholder(view.content)) return 'it has an element <t>, which stands for a text in written code';
  let { childNodes } = parseFragment(html);
  const isInside =
    html.startsWith('<svg>') &&
    view.content.some((one) => one instanceof StaticElement && one.isSvg && one.tag !== 'svg');
  if (isInside) childNodes = (childNodes[0] as DefaultTreeAdapterTypes.Element).childNodes;
  return isSame(view.content, childNodes) ? undefined : 'a parser of HTML reads its template in another way';
}

/** Whether there is an element of the name that written code has for texts that are empty at first. */
function hasPlaceholder(content: readonly StaticNode[]): boolean {
  return content.some((one) =>
    one instanceof StaticHtml
      ? /<t[\s/>]/i.test(one.html)
      : one instanceof StaticElement && (one.tag === 't' || hasPlaceholder(one.content)),
  );
}

function isSame(content: readonly StaticNode[], nodes: readonly ParsedNode[]): boolean {
  let at = 0;
  for (const one of content) {
    if (one instanceof StaticHtml) at += countNodes(one.html);
    else {
      const node = nodes[at++];
      if (!node || !isSameNode(one, node)) return false;
    }
  }
  return at === nodes.length;
}

function isSameNode(made: StaticNode, node: ParsedNode): boolean {
  if (made instanceof StaticHtml) return false;
  if (made instanceof StaticText) return 'value' in node && node.value === made.text;
  if (!(made instanceof StaticElement))
    return made.kind === 'mark'
      ? node.nodeName === '#comment'
      : node.nodeName === 't' || ('value' in node && node.value === ' ');
  if (!('tagName' in node) || node.tagName !== made.tag) return false;
  if (node.namespaceURI.endsWith('svg') !== made.isSvg) return false;
  const written = node.attrs.map(({ name, prefix, value }) => [
    prefix ? `${prefix}:${name}` : name === styleMark ? 'style' : name,
    value,
  ]);
  if (JSON.stringify(written) !== JSON.stringify([...made.attributes])) return false;
  return isSame(made.content, 'content' in node ? node.content.childNodes : node.childNodes);
}
