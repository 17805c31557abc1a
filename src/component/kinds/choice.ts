import { dev, refuseCall, show, suggest } from '../../problem/index.js';
import { Kind, unreadable } from '../kind.js';

/**
 * One text out of a fixed set.
 *
 * @throws LatticeError `call-invalid`, while developing
 * @example prop.choice(['early', 'late']).fallback('early')
 */
export function choice<const Words extends readonly [string, ...string[]]>(
  words: Words,
): Kind<Words[number]> {
  if (dev && !areWords(words))
    refuseCall(choice, 'prop.choice', 'takes a list of texts', "Write prop.choice(['early', 'late']).");
  const known: ReadonlySet<unknown> = new Set(words);
  return new Kind<Words[number]>({
    word: 'choice',
    expected: `one of ${words.map((word) => `"${word}"`).join(', ')}`,
    accepts: (value) => known.has(value),
    explain: (value) =>
      typeof value === 'string' ? `takes no ${show(value)}. ${suggest(value, words, 'word')}` : undefined,
    read: (written) => (known.has(written) ? written : unreadable),
    write: (value) => value,
    holds: words,
    schema: { type: 'string', enum: words },
  });
}

/** Whether there is a word at least, and all of them are text. */
export function areWords(words: unknown): boolean {
  return Array.isArray(words) && words.length > 0 && words.every((word) => typeof word === 'string');
}
