import { type CSSToken, TokenType, tokenize } from '@csstools/css-tokenizer';
import fc from 'fast-check';
import { expect, test } from 'vitest';
import type { Finding } from '../../packages/lattice/src/problem/index.js';
import { isScriptUrl } from '../../packages/lattice/src/problem/script-url.js';
import { classWord } from '../../packages/lattice/src/template/attributes/class.js';
import { declaration, styleText, valueFault } from '../../packages/lattice/src/template/attributes/style.js';

const opens = new Map<string, string>([
  [TokenType.Function, TokenType.CloseParen],
  [TokenType.OpenParen, TokenType.CloseParen],
  [TokenType.OpenSquare, TokenType.CloseSquare],
  [TokenType.OpenCurly, TokenType.CloseCurly],
]);

const closers: ReadonlySet<string> = new Set(opens.values());

/** Whether a text ends where it ends as the value of a declaration too, as the standard's tokenizer has it. */
function isOneValue(text: string): boolean {
  const css = `${text};end:1`;
  const open: string[] = [];
  for (const [type, , start, end] of tokenize({ css }) as CSSToken[]) {
    if (type === TokenType.BadString || type === TokenType.BadURL || type === TokenType.Comment) return false;
    if (type === TokenType.Semicolon && open.length === 0) return start === text.length;
    // What begins in the text and ends behind it has swallowed the end.
    if (start < text.length && end >= text.length) return false;
    const closer = opens.get(type);
    if (closer) open.push(closer);
    else if (closers.has(type) && open.pop() !== type) return false;
  }
  return false;
}

const pieces = fc.constantFrom(
  'red',
  ' ',
  ';',
  ':',
  '(',
  ')',
  '[',
  ']',
  '{',
  '}',
  '"',
  "'",
  '\\',
  '\\\n',
  '\n',
  '\r',
  '\f',
  '/*',
  '*/',
  '//',
  'url(',
  'URL(',
  'url("',
  'src(',
  'calc(1px + 2px)',
  '#fff',
  '--x',
  'a\\62 c',
  'u\\72l(',
  '!important',
  '柑',
  '/',
  ',',
  '@media',
  '<!--',
  '</style>',
  'image-set(',
  'javascript:x',
  'data:text/html,x',
  '\0',
  '\\0',
);

test('a value that is let through is the value of one declaration, whatever stands in it', () => {
  let kept = 0;
  fc.assert(
    fc.property(fc.array(pieces, { minLength: 1, maxLength: 8 }), (all) => {
      const text = all.join('');
      if (valueFault(text) !== undefined) return;
      kept++;
      expect([text, isOneValue(text)]).toEqual([text, true]);
    }),
    { numRuns: 20_000, seed: 11 },
  );
  expect(kept).toBeGreaterThan(1_000);
});

test.each([
  'red',
  '1px solid #fff',
  'calc((1px + 2px) * 3)',
  '[a] 1fr [b]',
  '"a;b{c}"',
  "'it\\'s'",
  'url(/a.png)',
  'url( /a.png )',
  'url("/a b(c).png")',
  'var(--x, (1px))',
  '1px / 2px',
  '"\\\n"',
  'URL(/a)',
  'image-set("a.png" 1x)',
  '\\62',
  'src("/a")',
])('%j is a value', (text) => {
  expect(valueFault(text)).toBeUndefined();
});

test.each([
  ['red; color: blue', 'holds more than one declaration'],
  ['red;', 'holds more than one declaration'],
  ['a}', 'has a brace'],
  ['{', 'has a brace'],
  ['a /* b', 'has a comment'],
  ['"a', 'has a quote that is not closed'],
  ['\'a"', 'has a quote that is not closed'],
  ['(a', 'has a bracket that is not closed'],
  ['[a', 'has a bracket that is not closed'],
  ['a)', 'has a bracket that was not opened'],
  ['(a]', 'has a bracket that was not opened'],
  ['a]', 'has a bracket that was not opened'],
  ['a\\', 'ends with a backslash'],
  ['"a\nb"', 'has a line break in quotes'],
  ['"a\rb"', 'has a line break in quotes'],
  ['"a\fb"', 'has a line break in quotes'],
  ['url(a b)', 'has a URL that has to stand in quotes'],
  ['url(a(b))', 'has a URL that has to stand in quotes'],
  ["url(a'b)", 'has a URL that has to stand in quotes'],
  ['url(a', 'has a URL that has to stand in quotes'],
  ['u\\72l(x)', 'hides a URL behind escapes'],
  ['url(javascript:x)', 'holds a URL that can carry a script'],
  ['url( "javascript:x")', 'holds a URL that can carry a script'],
  ['src("data:text/html,x")', 'holds a URL that can carry a script'],
  ['image-set("javascript:x" 1x)', 'holds a URL that can carry a script'],
])('%j %s', (text, fault) => {
  expect(valueFault(text)).toBe(fault);
});

test('a URL that carries script is found wherever it stands', () => {
  for (const url of ['javascript:x', ' javascript:x', 'data:text/html,x', 'vbscript:x']) {
    expect(isScriptUrl(url)).toBe(true);
    for (const text of [`url("${url}")`, `url(/a), url('${url}')`, `red url("${url}") blue`])
      expect([text, valueFault(text)]).toEqual([text, 'holds a URL that can carry a script']);
  }
});

test('declarations that render nothing are left out, and wrong ones are reported', () => {
  const found: Finding[] = [];
  const report = (one: Finding): void => void found.push(one);
  for (const nothing of [null, undefined, false, ''])
    expect(declaration('p', 'color', nothing, report)).toBe('');
  expect(declaration('p', 'opacity', 0, report)).toBe('opacity: 0');
  expect(declaration('p', 'color', 'red', report)).toBe('color: red');
  expect(
    styleText(
      'p',
      [
        ['color', 'red'],
        ['margin', null],
        ['--n', 3],
        ['top', () => 'x'],
      ],
      (get) => get({} as never),
      report,
    ),
  ).toBe('color: red; --n: 3; top: x');
  expect(found).toEqual([]);
  expect(declaration('p', 'color', {}, report)).toBe('');
  expect(declaration('p', 'color', 'a;b', report)).toBe('');
  expect(found.map(({ code, message }) => [code, message])).toEqual([
    ['attribute-unsafe', expect.stringMatching(/style \(color\).*is no text or number/)],
    ['attribute-unsafe', expect.stringMatching(/"a;b", which holds more than one declaration/)],
  ]);
});

test('a word of a class is text, a number, or nothing', () => {
  const found: Finding[] = [];
  const word = (value: unknown): string => classWord('p', value, (one) => void found.push(one));
  expect(['a b', '', 3, 0, null, undefined, false, true].map(word)).toEqual([
    'a b',
    '',
    '3',
    '',
    '',
    '',
    '',
    '',
  ]);
  expect([0n, Number.NaN, 7n].map(word)).toEqual(['', '', '7']);
  expect(found).toEqual([]);
  expect(word({})).toBe('');
  expect(found.map(({ code }) => code)).toEqual(['attribute-invalid']);
});
