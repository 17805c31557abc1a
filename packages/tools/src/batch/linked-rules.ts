import { createHash } from 'node:crypto';
import { type DefaultTreeAdapterTypes, parse } from 'parse5';

type ParsedNode = DefaultTreeAdapterTypes.Node;
type ParsedElement = DefaultTreeAdapterTypes.Element;

/** A page without rules of its own, and the files that it links in their place, by name. */
export interface LinkedPage {
  readonly html: string;
  readonly files: ReadonlyMap<string, string>;
}

/**
 * Puts each style element of a page into a file, which a link stands for: a policy such as `default-src 'self'` refuses what
 * stands in the page itself (https://www.w3.org/TR/CSP3/#directive-style-src). The same rules are one file, whatever page
 * they are of.
 *
 * @param hrefOf the address of a file, from the page
 */
export function linkedRules(html: string, hrefOf: (name: string) => string): LinkedPage {
  const files = new Map<string, string>();
  let linked = '';
  let at = 0;
  for (const { attrs, childNodes, sourceCodeLocation: place } of stylesIn(
    parse(html, { sourceCodeLocationInfo: true }),
  )) {
    if (!place) continue;
    const [text] = childNodes;
    const css = text && 'value' in text ? text.value : '';
    const name = `rules-${createHash('sha256').update(css).digest('hex').slice(0, 12)}.css`;
    files.set(name, css);
    const others = attrs
      .filter((one) => one.name !== 'nonce')
      .map(({ name: key, value }) => ` ${key}="${quoted(value)}"`);
    linked += `${html.slice(at, place.startOffset)}<link rel="stylesheet" href="${quoted(hrefOf(name))}"${others.join('')}>`;
    at = place.endOffset;
  }
  return { html: linked + html.slice(at), files };
}

function quoted(value: string): string {
  return value.replaceAll('&', '&amp;').replaceAll('"', '&quot;');
}

/** The style elements of a document in the order they stand, those of shadow roots among them. */
function* stylesIn(node: ParsedNode): Generator<ParsedElement> {
  if (node.nodeName === 'style' && 'attrs' in node) yield node;
  if ('content' in node) yield* stylesIn(node.content);
  if ('childNodes' in node) for (const child of node.childNodes) yield* stylesIn(child);
}
