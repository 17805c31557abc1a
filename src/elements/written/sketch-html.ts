import { lineEaters, rawTextElements, voidElements } from '../../template/index.js';
import { type Around, type Sketch, SketchElement, SketchReady, SketchText } from '../draft/sketch.js';

/** A sketch as HTML that a page's parser makes its nodes of; in SVG it has to stand in an `svg`. */
export function htmlOf(content: readonly Sketch[]): { readonly html: string; readonly isSvg: boolean } {
  const isSvg = content.some((one) => one instanceof SketchElement && one.isSvg && one.tag !== 'svg');
  return { html: allOf({ content: [...content] }, ''), isSvg };
}

function allOf(around: Around, tag: string): string {
  return around.content.map((one) => oneOf(one, around, tag)).join('');
}

function oneOf(sketch: Sketch, around: Around, parent: string): string {
  if (sketch instanceof SketchReady) return sketch.html;
  if (sketch instanceof SketchText) return rawTextElements.has(parent) ? sketch.text : escaped(sketch.text);
  if (sketch instanceof SketchElement) return elementOf(sketch);
  if (sketch.kind === 'mark') return '<!---->';
  // A text that is alone starts as a space; one among others, where a parser would join them, as an element `t`.
  return parent !== '' && around.content.length === 1 ? ' ' : '<t></t>';
}

function elementOf(element: SketchElement): string {
  const { tag, attributes } = element;
  const written = [...attributes].map(([name, value]) =>
    value === '' ? ` ${name}` : ` ${name}="${quoted(value)}"`,
  );
  const inside = allOf(element, tag);
  if (voidElements.has(tag) && !element.isSvg) return `<${tag}${written.join('')}>`;
  // A parser drops a line break that comes first.
  const line = lineEaters.has(tag) && inside.startsWith('\n') ? '\n' : '';
  return `<${tag}${written.join('')}>${line}${inside}</${tag}>`;
}

function escaped(text: string): string {
  return text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;');
}

function quoted(text: string): string {
  return text.replaceAll('&', '&amp;').replaceAll('"', '&quot;');
}
