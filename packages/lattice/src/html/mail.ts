import { hostTag } from '../plan/index.js';
import { type Finding, finding, nodeModule, PackageMissing, type Problem, placed } from '../problem/index.js';
import { fittingRules } from '../styles/index.js';
import { type HtmlNode, SetAside } from './set-aside.js';

/** How large a mail may be until some programs cut it, in bytes of its HTML. */
export const mostMailBytes = 102 * 1024;

interface Modules {
  createRequire(from: string): (name: string) => unknown;
}

/** Packages that only mail needs are asked for when one is written: not every server has them, and no page. */
function packageOf<Package>(name: string): Package {
  const modules = nodeModule<Modules>('node:module');
  if (!modules) throw new Error('Mail is written in Node alone.');
  try {
    return modules.createRequire(import.meta.url)(name) as Package;
  } catch {
    throw new PackageMissing(
      'Mail needs the packages juice and html-to-text: npm install juice html-to-text.',
    );
  }
}

interface Parse5 {
  parse(html: string): HtmlNode;
  serialize(node: HtmlNode): string;
}

interface Juice {
  (html: string, options: Readonly<Record<string, unknown>>): string;
  /** Signs of template languages that it leaves alone, by name: of the whole process. */
  codeBlocks: Readonly<Record<string, unknown>>;
}

/**
 * A document as mail programs show it: rules stand in the elements' own style attributes, what cannot be there (rules for
 * some screens alone) stays in a style element that may be missed, and nothing runs. What such programs do not show, or
 * cut, is reported.
 */
export function mailHtml(page: string, tell: (problem: Problem) => void): string {
  const juice = packageOf<Juice>('juice');
  const { parse, serialize } = packageOf<Parse5>('parse5');
  const say = (found: Finding): void => tell(placed(found, ''));
  const document = parse(page);
  const kept = new SetAside(page);
  removeScripts(document, say);
  kept.take(document);
  eachStyle(document, (text) =>
    fittingRules(inLight(text), (selector) => {
      const isFit = !deepSelector.test(selector);
      if (!isFit) say(unfitSelector(selector));
      return isFit;
    }),
  );
  const styled = parse(inlined(juice, serialize(document)));
  let keepsMarks = false;
  eachStyle(styled, (text) => {
    keepsMarks ||= text.includes('[data-in');
    return text;
  });
  kept.restore(styled);
  clean(styled, keepsMarks, say);
  // A parser reads a line feed for a carriage return that is not escaped (https://html.spec.whatwg.org/#normalize-newlines).
  const html = serialize(styled).replaceAll('\r', '&#13;');
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

/** A document with its rules in the style attributes. Nothing in it is taken for a sign of another template language. */
function inlined(juice: Juice, html: string): string {
  const { codeBlocks } = juice;
  const blocks = { ...codeBlocks };
  for (const name of Object.keys(codeBlocks)) Reflect.deleteProperty(codeBlocks, name);
  try {
    return juice(html, {
      removeStyleTags: true,
      preserveMediaQueries: true,
      preserveFontFaces: true,
      preservePseudos: true,
      preserveImportant: true,
      resolveCSSVariables: true,
      applyWidthAttributes: true,
      applyHeightAttributes: true,
    });
  } finally {
    // Whatever else of this process inlines rules has its own settings back.
    Object.assign(codeBlocks, blocks);
  }
}

/** A selector with a list, or brackets, in brackets: the package that puts rules into attributes does not end with some. */
const deepSelector = /\([^()]*[(,]/;

function unfitSelector(selector: string): Finding {
  const written = selector.replace(/\[data-in[^\]]*\]/g, '');
  return finding('mail-unfit', {
    fault: `has rules for "${written.slice(0, 60)}", which are left out`,
    hint: 'Write a selector for each case, without lists in :is(), :where() and :not().',
  });
}

/** Replaces the text of each style element. */
function eachStyle(node: HtmlNode, changed: (text: string) => string): void {
  for (const child of node.childNodes ?? []) {
    const text = child.tagName === 'style' ? child.childNodes?.[0] : undefined;
    if (text?.value !== undefined) text.value = changed(text.value);
    eachStyle(child, changed);
  }
}

/** The plain text of a mail, for programs and people that want it. */
export function mailText(html: string): string {
  const { convert } = packageOf<{ convert(html: string, options: object): string }>('html-to-text');
  return convert(html, {
    wordwrap: 78,
    selectors: [
      { selector: 'img', format: 'skip' },
      { selector: '[aria-hidden="true"]', format: 'skip' },
      { selector: 'a', options: { hideLinkHrefIfSameAsText: true, ignoreHref: false } },
      ...['h1', 'h2', 'h3', 'h4'].map((selector) => ({ selector, options: { uppercase: false } })),
      { selector: 'ul', options: { itemPrefix: '- ' } },
      // Tables are how a mail is laid out: their rows are lines.
      { selector: 'table', format: 'block', options: { leadingLineBreaks: 1, trailingLineBreaks: 1 } },
      { selector: 'tr', format: 'block', options: { leadingLineBreaks: 1, trailingLineBreaks: 1 } },
    ],
  });
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

/** Removes what is of no use any more, and warns of what a mail program would not show. */
function clean(node: HtmlNode, keepsMarks: boolean, say: (found: Finding) => void): void {
  for (const child of node.childNodes ?? []) {
    if (child.attrs)
      cleanAttributes(child as HtmlNode & { attrs: NonNullable<HtmlNode['attrs']> }, keepsMarks, say);
    clean(child, keepsMarks, say);
  }
}

function cleanAttributes(
  element: HtmlNode & { attrs: NonNullable<HtmlNode['attrs']> },
  keepsMarks: boolean,
  say: (found: Finding) => void,
): void {
  if (!keepsMarks)
    element.attrs = element.attrs.filter(({ name }) => name !== 'data-in' && name !== 'data-in-host');
  const of = (name: string): string | undefined => element.attrs.find((one) => one.name === name)?.value;
  if (element.tagName === 'img' && of('alt') === undefined)
    say(finding('image-unnamed', { src: of('src') ?? '' }));
  const style = element.attrs.find(({ name }) => name === 'style');
  // Mail programs know no custom elements.
  if (element.tagName === hostTag) {
    element.tagName = /(?:^|[\s;])display:(?!\s*inline)/.test(style?.value ?? '') ? 'div' : 'span';
    if (!keepsMarks) element.attrs = element.attrs.filter((one) => one === style);
  }
  if (style) style.value = style.value.replace(/\s*\n\s*/g, ' ');
  for (const name of ['href', 'src', 'background']) {
    const url = of(name);
    if (url === undefined || /^(?:https?:|mailto:|tel:|cid:|data:|#)/i.test(url)) continue;
    say(
      finding('mail-unfit', {
        fault: `has ${name}="${url.slice(0, 60)}", which leads nowhere from a mail`,
        hint: 'Write the whole address, with https://.',
      }),
    );
  }
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
