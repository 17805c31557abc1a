import { createHash } from 'node:crypto';
import { type DefaultTreeAdapterTypes, html as names, parse } from 'parse5';
import { cssTokens, escapeAttribute } from 'zesty-lattice/internal/html';

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
 * @param back how to come from the folder of the files to that of the page, such as `../`: nothing where it is the same
 */
export function linkedRules(html: string, hrefOf: (name: string) => string, back = ''): LinkedPage {
  const files = new Map<string, string>();
  let linked = '';
  let at = 0;
  const document = parse(html, { sourceCodeLocationInfo: true, scriptingEnabled: false });
  for (const { attrs, childNodes, sourceCodeLocation: place } of stylesIn(document)) {
    if (!place) continue;
    const [text] = childNodes;
    const css = movedRules(text && 'value' in text ? text.value : '', back);
    const name = `rules-${createHash('sha256').update(css).digest('hex').slice(0, 12)}.css`;
    files.set(name, css);
    const others = attrs
      .filter((one) => one.name !== 'nonce')
      .map(({ name: key, value }) => ` ${key}="${escapeAttribute(value)}"`);
    linked += `${html.slice(at, place.startOffset)}<link rel="stylesheet" href="${escapeAttribute(hrefOf(name))}"${others.join('')}>`;
    at = place.endOffset;
  }
  return { html: linked + html.slice(at), files };
}

/**
 * Rules that stood in a page, for a file in another folder: an address in rules is read from where they stand
 * (https://drafts.csswg.org/css-values-4/#relative-urls).
 */
function movedRules(css: string, back: string): string {
  if (back === '') return css;
  let moved = '';
  let from = 0;
  /** What a string that comes next is an address of. */
  let holder = '';
  for (const token of cssTokens({ css })) {
    const [kind, , start, end] = token;
    const value = token[4] && 'value' in token[4] ? String(token[4].value) : '';
    const isAddress =
      kind === 'url-token' || (kind === 'string-token' && /^(?:url|src|image-set|import)$/.test(holder));
    if (isAddress && !/^(?:[a-z][\w+.-]*:|[/#]|$)/i.test(value)) {
      const text = JSON.stringify(back + value);
      moved += `${css.slice(from, start)}${kind === 'url-token' ? `url(${text})` : text}`;
      from = end + 1;
    }
    if (kind === 'function-token' || kind === 'at-keyword-token') holder = value.toLowerCase();
    else if (kind === ')-token' || kind === 'semicolon-token') holder = '';
  }
  return moved + css.slice(from);
}

/** The style elements of a document in the order they stand, those of shadow roots among them. */
function* stylesIn(node: ParsedNode): Generator<ParsedElement> {
  if (node.nodeName === 'style' && 'attrs' in node && node.namespaceURI === names.NS.HTML) yield node;
  if ('content' in node) yield* stylesIn(node.content);
  if ('childNodes' in node) for (const child of node.childNodes) yield* stylesIn(child);
}
