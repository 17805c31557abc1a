import { valueEnd } from '../../template/index.js';
import type { MailDeclaration, MailSheet } from './sheet.js';
import { attributeIn, type HtmlElement, type HtmlNode, isElement, setAttribute } from './tree.js';

/** What custom properties stand for where an element is (https://drafts.csswg.org/css-variables/#using-variables). */
type Variables = ReadonlyMap<string, string>;

/**
 * Puts rules into the style attributes of a document, as they win there: rules by their order, what the attribute says, and
 * what is important.
 */
export function inlineRules(node: HtmlNode, sheet: MailSheet, variables: Variables = new Map()): void {
  for (const child of node.childNodes ?? []) {
    const inner = isElement(child) && !isUnstyled(child) ? styled(child, sheet, variables) : variables;
    inlineRules(child, sheet, inner);
  }
}

/** What is not shown needs no style. */
const isUnstyled = ({ tagName }: HtmlElement): boolean =>
  /^(?:head|title|meta|link|style|script|base|template|html|noscript)$/.test(tagName) && tagName !== 'html';

function styled(element: HtmlElement, { important, rules }: MailSheet, outer: Variables): Variables {
  const own = attributeIn(element, 'style');
  const won = new Map<string, MailDeclaration>();
  const take = (one: MailDeclaration): void => {
    // A shorthand comes after what it sets, and before what sets a part of it.
    won.delete(one.name);
    won.set(one.name, one);
  };
  for (const { declarations, fits } of rules) if (fits(element)) for (const one of declarations) take(one);
  const [written, left] = own === undefined ? [[], ''] : declarationsOf(own);
  for (const one of written) if (!one.isImportant) take(one);
  for (const { declarations, fits } of important)
    if (fits(element)) for (const one of declarations) take(one);
  for (const one of written) if (one.isImportant) take(one);
  if (won.size === 0) return outer;
  const variables = withOwn(won, outer);
  let style = '';
  for (const { isImportant, name, value } of won.values()) {
    if (name.startsWith('--')) continue;
    const text = resolved(value, variables);
    if (text === undefined) continue;
    style += `${style === '' ? '' : ' '}${name}: ${text}${isImportant ? ' !important' : ''};`;
    sizes(element, name, text);
  }
  style += left;
  setAttribute(element, 'style', style === '' ? undefined : style);
  return variables;
}

/** The custom properties of an element, and those that it takes over from around it. */
function withOwn(won: ReadonlyMap<string, MailDeclaration>, outer: Variables): Variables {
  let own: Map<string, string> | undefined;
  for (const { name, value } of won.values()) {
    if (!name.startsWith('--')) continue;
    own ??= new Map(outer);
    own.set(name, value);
  }
  if (!own) return outer;
  for (const name of won.keys()) {
    if (!name.startsWith('--')) continue;
    const value = resolved(own.get(name) ?? '', own, new Set([name]));
    if (value === undefined) own.delete(name);
    else own.set(name, value);
  }
  return own;
}

/** A value with what its variables stand for; undefined where one stands for nothing. */
function resolved(
  value: string,
  variables: Variables,
  within: ReadonlySet<string> = new Set(),
): string | undefined {
  const start = value.search(/\bvar\(/i);
  if (start < 0) return value;
  const end = closing(value, start + 4);
  const [name = '', fallback] = splitAtComma(value.slice(start + 4, end));
  const known = within.has(name.trim()) ? undefined : variables.get(name.trim());
  const found =
    known === undefined
      ? fallback === undefined
        ? undefined
        : resolved(fallback.trim(), variables, within)
      : resolved(known, variables, new Set([...within, name.trim()]));
  const rest = resolved(value.slice(end + 1), variables, within);
  return found === undefined || rest === undefined ? undefined : value.slice(0, start) + found + rest;
}

/** Where the bracket closes that is open at a place. */
function closing(text: string, from: number): number {
  let depth = 0;
  for (let at = from; at < text.length; at++) {
    if (text[at] === '(') depth++;
    else if (text[at] === ')' && depth-- === 0) return at;
  }
  return text.length;
}

function splitAtComma(text: string): readonly [string, string?] {
  const comma = text.indexOf(',');
  return comma < 0 ? [text] : [text.slice(0, comma), text.slice(comma + 1)];
}

/** Elements whose size mail programs read from attributes. */
const sized = new Set(['table', 'td', 'th', 'img']);

function sizes(element: HtmlElement, name: string, value: string): void {
  if ((name !== 'width' && name !== 'height') || !sized.has(element.tagName)) return;
  const [, number, unit] = /^(\d+(?:\.\d+)?)(px|%)$/.exec(value) ?? [];
  if (number === undefined || attributeIn(element, name) !== undefined) return;
  setAttribute(element, name, unit === '%' ? `${number}%` : number);
}

/** The declarations of a style attribute, and what of it is none: a component does not write that. */
function declarationsOf(style: string): readonly [readonly MailDeclaration[], left: string] {
  const found: MailDeclaration[] = [];
  for (let at = 0; at < style.length; ) {
    const colon = style.indexOf(':', at);
    const end = colon < 0 ? undefined : valueEnd(style, colon + 1);
    if (typeof end !== 'number') return [found, ` ${style.slice(at).trim()}`.trimEnd()];
    const written = style.slice(colon + 1, end).trim();
    const value = written.replace(/!\s*important$/i, '').trimEnd();
    const name = style.slice(at, colon).trim();
    found.push({
      name: name.startsWith('--') ? name : name.toLowerCase(),
      value,
      isImportant: value !== written,
    });
    at = end + 1;
  }
  return [found, ''];
}
