import { ExpressionFault } from './tree.js';

/** One word of an expression. */
export interface Word {
  readonly kind: 'name' | 'number' | 'text' | 'sign' | 'end';
  /** A name, an operator or bracket, a number's digits, a text without its quotes. */
  readonly text: string;
  readonly at: number;
}

// In HTML text `<`, `>` and `&` may be written as references; these are read as what they stand for.
const references: Readonly<Record<string, string>> = {
  '&lt;': '<',
  '&gt;': '>',
  '&amp;': '&',
  '&quot;': '"',
};

const signs = [
  '===',
  '!==',
  '?.',
  '??',
  '||',
  '&&',
  '==',
  '!=',
  '<=',
  '>=',
  ...'<>+-*/%!?:.,()[]{}=&|`;',
] as const;

const spelled: Readonly<Record<string, string>> = { '||': 'or', '&&': 'and', '!': 'not' };

/** How many words an expression may have. */
const most = 1000;

/** Splits an expression into its words; the last one is the end. */
export function wordsOf(expression: string): readonly Word[] {
  const words: Word[] = [];
  let at = 0;
  while (at < expression.length) {
    const rest = expression.slice(at);
    const space = /^\s+/.exec(rest);
    if (space) {
      at += space[0].length;
      continue;
    }
    const { word, length } = wordAt(rest, at);
    if (words.push(word) > most) {
      throw new ExpressionFault('is too long', at, 'Work out a part of it in a helper, and call that.');
    }
    at += length;
  }
  words.push({ kind: 'end', text: '', at: expression.length });
  return words;
}

function wordAt(rest: string, at: number): { readonly word: Word; readonly length: number } {
  const name = /^[A-Za-z_$][\w$]*/.exec(rest);
  if (name) return { word: { kind: 'name', text: name[0], at }, length: name[0].length };
  const number = /^(?:\d+(?:\.\d+)?|\.\d+)(?:e[+-]?\d+)?/i.exec(rest);
  if (number) return numberAt(number[0], rest, at);
  if (rest[0] === "'" || rest[0] === '"') return textAt(rest, at);
  const { plain, length } = unreferenced(rest);
  const sign = signs.find((one) => plain.startsWith(one));
  if (sign === undefined) {
    throw new ExpressionFault(
      `has ${JSON.stringify(String.fromCodePoint(rest.codePointAt(0) ?? 0))}, which means nothing here`,
      at,
      at === 0
        ? 'An interpolation contains one value. Conditions and rows are elements: <template given="…">, <template each-of="…" as="…">.'
        : 'An expression is made of names, texts in quotes, numbers, operators and calls to helpers.',
    );
  }
  return { word: { kind: 'sign', text: spelled[sign] ?? sign, at }, length: length(sign.length) };
}

/** The start of what is left with references read, and how many characters its first signs take as written. */
function unreferenced(rest: string): { readonly plain: string; length(signs: number): number } {
  let plain = '';
  const lengths: number[] = [];
  let at = 0;
  while (plain.length < 3 && at < rest.length) {
    const reference = /^&(?:lt|gt|amp|quot);/.exec(rest.slice(at))?.[0];
    plain += reference ? references[reference] : rest[at];
    at += reference?.length ?? 1;
    lengths.push(at);
  }
  return { plain, length: (signs) => lengths[signs - 1] ?? signs };
}

function numberAt(
  digits: string,
  rest: string,
  at: number,
): { readonly word: Word; readonly length: number } {
  if (/^[\w$]/.test(rest.slice(digits.length))) {
    throw new ExpressionFault(
      `has "${/^[\w$.]+/.exec(rest)?.[0]}", which is neither a number nor a name`,
      at,
      'A name starts with a letter; put an operator between a number and a name.',
    );
  }
  return { word: { kind: 'number', text: digits, at }, length: digits.length };
}

const escapes: Readonly<Record<string, string>> = { n: '\n', t: '\t', r: '\r' };

function textAt(rest: string, at: number): { readonly word: Word; readonly length: number } {
  const quote = rest.charAt(0);
  let text = '';
  for (let index = 1; index < rest.length; index++) {
    const char = rest.charAt(index);
    if (char === quote) return { word: { kind: 'text', text, at }, length: index + 1 };
    if (char === '\\') {
      index++;
      const escaped = rest.charAt(index);
      text += escapes[escaped] ?? escaped;
    } else text += char;
  }
  throw new ExpressionFault(
    'has a text that is not closed',
    at,
    `Close it with ${quote === '"' ? 'another "' : "another '"}.`,
  );
}
