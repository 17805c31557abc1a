import { escapeAttribute, escapeText } from '../../template/escape.js';
import { lineEaters, rawTextElements, voidElements } from '../../template/index.js';
import { type Around, StaticElement, StaticHtml, type StaticNode, StaticText } from '../compile/static.js';

/** Static nodes as HTML that a page's parser makes its nodes of; in SVG it has to stand in an `svg`. */
/** The attribute that a view's HTML has for a style that never changes: a page's policy may refuse style attributes. */
export const styleMark = 'data-lattice-style';

export function htmlOf(content: readonly StaticNode[]): {
  readonly html: string;
  readonly isSvg: boolean;
  /** Whether elements in it have styles that never change. */
  readonly isStyled: boolean;
} {
  const isSvg = content.some((one) => one instanceof StaticElement && one.isSvg && one.tag !== 'svg');
  return { html: allOf({ content: [...content] }, ''), isSvg, isStyled: content.some(hasStyle) };
}

function hasStyle(node: StaticNode): boolean {
  return node instanceof StaticElement && (node.attributes.has('style') || node.content.some(hasStyle));
}

function allOf(around: Around, tag: string): string {
  return around.content.map((one) => oneOf(one, around, tag)).join('');
}

function oneOf(node: StaticNode, around: Around, parent: string): string {
  if (node instanceof StaticHtml) return node.html;
  if (node instanceof StaticText) return rawTextElements.has(parent) ? node.text : escapeText(node.text);
  if (node instanceof StaticElement) return elementOf(node);
  if (node.kind === 'mark') return '<!---->';
  // A text that is alone starts as a space; one among others, where a parser would join them, as an element `t`.
  return parent !== '' && around.content.length === 1 ? ' ' : '<t></t>';
}

function elementOf(element: StaticElement): string {
  const { tag, attributes } = element;
  const written = [...attributes].map(([key, value]) => {
    const name = key === 'style' ? styleMark : key;
    return value === '' ? ` ${name}` : ` ${name}="${escapeAttribute(value)}"`;
  });
  const inside = allOf(element, tag);
  if (voidElements.has(tag) && !element.isSvg) return `<${tag}${written.join('')}>`;
  // A parser drops a line break that comes first.
  const line = lineEaters.has(tag) && inside.startsWith('\n') ? '\n' : '';
  return `<${tag}${written.join('')}>${line}${inside}</${tag}>`;
}
