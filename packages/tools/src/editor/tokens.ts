import type { TextDocument } from 'vscode-languageserver-textdocument';
import { type Word, wordsOf } from 'zesty-lattice/internal/markup';
import type { Expression } from './rename-text.js';

/** What words of an expression are, by the protocol's own names. */
export const tokenTypes = [
  'variable',
  'property',
  'function',
  'keyword',
  'string',
  'number',
  'operator',
] as const;

const keywords = new Set(['true', 'false', 'null', 'undefined', 'or', 'and', 'not']);

/** What each word of expressions is, five numbers a word (semanticTokens: line and start from the one before, length, type, none). */
export function* tokensOf(expressions: readonly Expression[], document: TextDocument): Generator<number> {
  let [line, start] = [0, 0];
  for (const { at, written } of expressions)
    for (const { from, to, type } of wordsIn(written)) {
      const place = document.positionAt(at + from);
      const end = document.positionAt(at + to);
      // A token stands in one line.
      if (end.line !== place.line) continue;
      yield place.line - line;
      yield place.line === line ? place.character - start : place.character;
      yield to - from;
      yield tokenTypes.indexOf(type);
      yield 0;
      [line, start] = [place.line, place.character];
    }
}

interface Token {
  readonly from: number;
  readonly to: number;
  readonly type: (typeof tokenTypes)[number];
}

function wordsIn(written: string): readonly Token[] {
  let words: readonly Word[];
  try {
    words = wordsOf(written);
  } catch {
    return [];
  }
  return words.flatMap((word, index) => {
    const { at: from, kind } = word;
    if (kind === 'end') return [];
    const next = words[index + 1]?.at ?? written.length;
    const to = from + written.slice(from, next).trimEnd().length;
    const before = words[index - 1]?.text;
    const type: Token['type'] =
      kind === 'number'
        ? 'number'
        : kind === 'text'
          ? 'string'
          : kind === 'sign'
            ? 'operator'
            : keywords.has(word.text)
              ? 'keyword'
              : words[index + 1]?.text === '('
                ? 'function'
                : before === '.' || before === '?.'
                  ? 'property'
                  : 'variable';
    return [{ from, to, type }];
  });
}
