import { hostTag } from '../../plan/index.js';
import { type Finding, finding, type Problem, placed } from '../../problem/index.js';
import { lineEaters } from '../../template/index.js';
import { addressFaults, withBase } from './addresses.js';
import { inlineRules } from './inline.js';
import { packageOf } from './package-of.js';
import { mailSheet, onOneLine } from './sheet.js';
import { attributeIn, type HtmlElement, type HtmlNode, isElement, setAttribute } from './tree.js';

export { type MailTextOptions, mailText } from './text.js';

/** How large a mail may be until some programs cut it, in bytes of its HTML. */
export const mostMailBytes = 102 * 1024;

interface Parse5 {
  parse(html: string): HtmlNode;
  serialize(node: HtmlNode): string;
}

/**
 * A document as mail programs show it: rules stand in the elements' own style attributes, what cannot be there (rules for
 * some screens alone) stays in a style element that may be missed, and nothing runs. What such programs do not show, or
 * cut, is reported.
 *
 * @param base what relative addresses are resolved against
 */
export function mailHtml(page: string, tell: (problem: Problem) => void, base?: string | URL): string {
  const { parse, serialize } = packageOf<Parse5>('parse5');
  const say = (found: Finding): void => tell(placed(found, ''));
  const document = parse(page);
  removeScripts(document, say);
  const sheet = mailSheet(takeStyles(document).map(inLight));
  for (const one of sheet.findings) say(one);
  inlineRules(document, sheet);
  const rest = base === undefined ? sheet.rest : withBase(sheet.rest, base);
  if (rest !== '') addStyle(document, rest);
  clean(document, { base, rest, say });
  // A parser reads a line feed for a carriage return that is not escaped (https://html.spec.whatwg.org/#normalize-newlines).
  const html = serialize(document).replaceAll('\r', '&#13;');
  const bytes = new TextEncoder().encode(html).length;
  if (bytes > mostMailBytes)
    say(
      finding('mail-unfit', {
        fault: `is ${Math.ceil(bytes / 1024)} KB, and some programs cut what is longer than 102 KB`,
        hint: 'Show less of it, and link to the rest.',
      }),
    );
  return html;
}

/** Takes the style elements out; gives their texts. */
function takeStyles(node: HtmlNode): readonly string[] {
  const texts: string[] = [];
  if (!node.childNodes) return texts;
  node.childNodes = node.childNodes.filter((child) => {
    if (child.tagName !== 'style') {
      texts.push(...takeStyles(child));
      return true;
    }
    const css = child.childNodes?.[0]?.value ?? '';
    const media = isElement(child) ? attributeIn(child, 'media') : undefined;
    texts.push(media ? `@media ${media} {${css}}` : css);
    return false;
  });
  return texts;
}

/** Puts rules into the head, where mail programs look for them. */
function addStyle(document: HtmlNode, css: string): void {
  const head = document.childNodes?.find(isElement)?.childNodes.find(({ tagName }) => tagName === 'head');
  if (!head) return;
  const style: HtmlElement = {
    nodeName: 'style',
    tagName: 'style',
    attrs: [],
    childNodes: [],
    namespaceURI: 'http://www.w3.org/1999/xhtml',
    parentNode: head,
  };
  style.childNodes.push({ nodeName: '#text', value: css.replaceAll('</', '<\\/'), parentNode: style });
  head.childNodes?.push(style);
}

/** Removes scripts, with a warning for each. */
function removeScripts(node: HtmlNode, say: (found: Finding) => void): void {
  if (!node.childNodes) return;
  node.childNodes = node.childNodes.filter((child) => {
    if (child.tagName !== 'script') return true;
    say(
      finding('mail-unfit', {
        fault: 'has a script, which no mail program runs',
        hint: 'It was removed. Show its result instead.',
      }),
    );
    return false;
  });
  for (const child of node.childNodes) removeScripts(child, say);
}

interface Cleaning {
  readonly base: string | URL | undefined;
  /** The rules that stay in a style element: what they select by stays as well. */
  readonly rest: string;
  readonly say: (found: Finding) => void;
}

/** Removes what is of no use any more, and warns of what a mail program would not show. */
function clean(node: HtmlNode, cleaning: Cleaning): void {
  for (const child of node.childNodes ?? []) {
    if (isElement(child)) cleanElement(child, cleaning);
    clean(child, cleaning);
  }
}

function cleanElement(element: HtmlElement, { base, rest, say }: Cleaning): void {
  const isSelected = (name: string): boolean => rest.includes(`[${name}`);
  element.attrs = element.attrs.filter(({ name }) => !/^data-in(?:-host)?$/.test(name) || isSelected(name));
  if (element.tagName === 'img' && attributeIn(element, 'alt') === undefined)
    say(finding('image-unnamed', { src: attributeIn(element, 'src') ?? '' }));
  const style = attributeIn(element, 'style');
  // Mail programs know no custom elements.
  if (element.tagName === hostTag) {
    element.tagName = /(?:^|[\s;])display:(?!\s*inline)/.test(style ?? '') ? 'div' : 'span';
    element.attrs = element.attrs.filter(({ name }) => name === 'style' || isSelected(name));
  }
  if (style !== undefined) setAttribute(element, 'style', inLight(onOneLine(style)));
  for (const found of addressFaults(element, base)) say(found);
  const first = element.childNodes[0];
  // A parser drops the first line break in these elements (https://html.spec.whatwg.org/#parsing-main-inbody, "pre").
  if (lineEaters.has(element.tagName) && first?.value?.startsWith('\n')) first.value = `\n${first.value}`;
}

/** Mail programs know neither `:where()` nor `light-dark()`: what is meant for light stands for both. */
function inLight(style: string): string {
  let text = style
    .replace(/:where\((\[data-in[^()]*\])\)/g, '$1')
    .replace(/:where\(([^()]*\[data-in[^()]*\])\)/g, '$1');
  for (let at = text.indexOf('light-dark('); at >= 0; at = text.indexOf('light-dark(')) {
    let depth = 0;
    let comma = -1;
    let end = at + 'light-dark('.length;
    for (; end < text.length; end++) {
      const char = text[end];
      if (char === '(') depth++;
      else if (char === ')' && depth-- === 0) break;
      else if (char === ',' && depth === 0 && comma < 0) comma = end;
    }
    const light = text.slice(at + 'light-dark('.length, comma < 0 ? end : comma).trim();
    text = text.slice(0, at) + light + text.slice(end + 1);
  }
  return text;
}
