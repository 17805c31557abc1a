import { finding, isScriptUrl } from '../../problem/index.js';
import { coreOf, describeValue } from '../expr.js';
import type { Frame } from '../frame.js';
import type { Report } from './text.js';

type StyleWriter = (frame: Frame, report: Report) => string;

/** The style text of a record of CSS properties, where it is constant, else how to have it. */
export function styleWriter(tag: string, input: unknown, report: Report): string | StyleWriter {
  if (typeof input === 'string') return input;
  if (typeof input !== 'object' || input === null || coreOf(input)) {
    if (input !== null && input !== undefined && input !== false) report(notARecord(tag, input));
    return '';
  }
  const parts = styleParts(tag, input, report);
  if (!parts.some(([, value]) => coreOf(value)))
    return join(parts.map(([name, value]) => declaration(tag, name, value, report)));
  return writtenStyle(
    tag,
    parts.map(([name, value]) => [name, coreOf(value)?.get ?? value]),
  );
}

/** The properties of a record that are some, with their values. */
export function styleParts(tag: string, input: unknown, report: Report): readonly StylePart[] {
  const parts = Object.entries(input as Readonly<Record<string, unknown>>);
  return parts.filter(([name]) => isPropertyFit(tag, name, report));
}

/** A property with its value, or how to have it. */
export type StylePart = readonly [name: string, value: unknown];

/** How to have the text of a style. */
export function writtenStyle(tag: string, parts: readonly StylePart[]): StyleWriter {
  return (frame, report) =>
    join(
      parts.map(([name, value]) =>
        declaration(tag, name, typeof value === 'function' ? value(frame) : value, report),
      ),
    );
}

function join(declarations: readonly string[]): string {
  return declarations.filter((one) => one !== '').join('; ');
}

function declaration(tag: string, name: string, value: unknown, report: Report): string {
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

function isPropertyFit(tag: string, name: string, report: Report): boolean {
  if (/^(--[\w-]+|-?[a-z][a-z0-9-]*)$/.test(name)) return true;
  const kebab = name.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`);
  report(
    finding('attribute-invalid', {
      attribute: 'style',
      tag,
      fault: `names ${JSON.stringify(name.slice(0, 40))}, which is no CSS property`,
      hint: /^-?[a-z][a-z-]*$/.test(kebab)
        ? `Write it as CSS does: '${kebab}'.`
        : "Write names as CSS does: 'margin-top', '--tone'.",
    }),
  );
  return false;
}

function notARecord(tag: string, input: unknown): ReturnType<typeof finding> {
  return finding('attribute-invalid', {
    attribute: 'style',
    tag,
    fault: `takes a record of CSS properties, and got ${describeValue(input)}`,
    hint: "Write style: { color: …, '--tone': … }, each value an expression if need be.",
  });
}

const closers: Readonly<Record<string, string>> = { '(': ')', '[': ']' };

/**
 * What keeps a text from being the value of one declaration: anything that would end the declaration or reach
 * past it (https://www.w3.org/TR/css-syntax-3/#consume-declaration), and URLs that carry a script.
 */
export function valueFault(text: string): string | undefined {
  const open: string[] = [];
  let quote = '';
  for (let at = 0; at < text.length; at++) {
    const char = text.charAt(at);
    if (char === '\\') {
      if (at === text.length - 1) return 'ends with a backslash';
      at++;
    } else if (quote !== '') {
      if (char === quote) quote = '';
      else if (char === '\n' || char === '\r' || char === '\f') return 'has a line break in quotes';
    } else if (char === '"' || char === "'") quote = char;
    else if (char === '{' || char === '}') return 'has a brace';
    else if (char === ';' && open.length === 0) return 'holds more than one declaration';
    else if (char === '/' && text.charAt(at + 1) === '*') return 'has a comment';
    else if (closers[char]) open.push(closers[char] ?? '');
    else if ((char === ')' || char === ']') && open.pop() !== char)
      return 'has a bracket that was not opened';
  }
  if (quote !== '') return 'has a quote that is not closed';
  if (open.length > 0) return 'has a bracket that is not closed';
  if (/\\/.test(text) && /u\\?r\\?l|expression/i.test(text)) return 'hides a URL behind escapes';
  for (const [, url = ''] of text.matchAll(/(?:url|src|image-set)\(\s*['"]?\s*([^'")]*)/gi)) {
    if (isScriptUrl(url)) return 'holds a URL that can carry a script';
  }
  return undefined;
}
