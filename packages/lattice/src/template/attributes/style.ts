import { finding, isScriptUrl } from '../../problem/index.js';
import type { Scope } from '../scope.js';
import type { Report } from './text.js';

/** A property with its value, or how to have it. */
export type StylePart = readonly [name: string, value: unknown];

/** How to have the text of a style. */
export function writtenStyle(
  tag: string,
  parts: readonly StylePart[],
): (scope: Scope, report: Report) => string {
  return (scope, report) => styleText(tag, parts, (get) => get(scope), report);
}

/** The text of a style's declarations; those that render nothing, or are wrong, are left out. */
export function styleText(
  tag: string,
  parts: readonly StylePart[],
  read: (get: (scope: Scope) => unknown) => unknown,
  report: Report,
): string {
  let text = '';
  for (const [name, value] of parts) {
    const one = declaration(tag, name, typeof value === 'function' ? read(value as never) : value, report);
    if (one !== '') text += (text === '' ? '' : '; ') + one;
  }
  return text;
}

/** One declaration; nothing where its value renders nothing, or is wrong. */
export function declaration(tag: string, name: string, value: unknown, report: Report): string {
  if (value === null || value === undefined || value === false || value === '') return '';
  const text = String(value);
  const wrong = typeof value === 'object' ? 'is no text or number' : valueFault(text);
  if (wrong === undefined) return `${name}: ${text}`;
  report(
    finding('attribute-unsafe', {
      attribute: `style (${name})`,
      tag,
      fault: `was given ${JSON.stringify(text.slice(0, 40))}, which ${wrong}`,
      hint: 'Give the value of one CSS property, with its quotes and brackets closed.',
    }),
  );
  return '';
}

const closers: Readonly<Record<string, string>> = { '(': ')', '[': ']' };

/** Values with nothing in them that could end a declaration: numbers, words, lengths, colours. */
const plainValue = /^[\w#%.,\- ]*$/;

/** Whether a value stands in a declaration just as it is, and in quotes. */
export function isDeclared(value: unknown): boolean {
  return typeof value === 'number' || (typeof value === 'string' && value !== '' && plainValue.test(value));
}

/**
 * What keeps a text from being the value of one declaration: anything that would end the declaration or reach
 * past it (https://www.w3.org/TR/css-syntax-3/#consume-declaration), and URLs that carry a script.
 */
export function valueFault(text: string): string | undefined {
  if (plainValue.test(text)) return undefined;
  const end = valueEnd(text, 0);
  if (typeof end === 'string') return end;
  if (end < text.length) return 'holds more than one declaration';
  for (const [, url = ''] of text.matchAll(/(?:url|src|image-set)\(\s*['"]?\s*([^'")]*)/gi)) {
    if (isScriptUrl(url)) return 'holds a URL that can carry a script';
  }
  return undefined;
}

/** Where a declaration's value ends, at a semicolon or with the text; what is wrong with it, where it never does. */
export function valueEnd(text: string, from: number): number | string {
  const open: string[] = [];
  let quote = '';
  let isEscaped = false;
  let at = from;
  for (; at < text.length; at++) {
    const char = text.charAt(at);
    if (char === '\\') {
      if (at === text.length - 1) return 'ends with a backslash';
      if (quote === '') isEscaped = true;
      at++;
    } else if (quote !== '') {
      if (char === quote) quote = '';
      else if (/[\n\r\f]/.test(char)) return 'has a line break in quotes';
    } else if (char === '"' || char === "'") quote = char;
    else if (char === '{' || char === '}') return 'has a brace';
    else if (char === ';' && open.length === 0) break;
    else if (char === '/' && text.charAt(at + 1) === '*') return 'has a comment';
    else if (char === '(' && /url$/i.test(text.slice(from, at)) && !/^\s*['"]/.test(text.slice(at + 1))) {
      // Without quotes a URL is read as it stands, up to the bracket that closes it
      // (https://www.w3.org/TR/css-syntax-3/#consume-url-token): quotes and brackets in it make it another thing.
      const url = /^\s*[^\s"'()\\\0-\x1f\x7f]*\s*\)/.exec(text.slice(at + 1));
      if (!url) return 'has a URL that has to stand in quotes';
      at += url[0].length;
    } else if (closers[char]) open.push(closers[char]);
    else if ((char === ')' || char === ']') && open.pop() !== char)
      return 'has a bracket that was not opened';
  }
  if (quote !== '') return 'has a quote that is not closed';
  if (open.length > 0) return 'has a bracket that is not closed';
  if (isEscaped && text.slice(from, at).includes('(')) return 'hides a URL behind escapes';
  return at;
}
