import { dev, nearest, printValue, refuseCall } from '../../problem/index.js';
import { Kind } from '../kind.js';
import { type Rule, rule, unreadable } from '../rule.js';

/** One of some texts. */
export function choiceRule(words: readonly string[]): Rule<never> {
  const known: ReadonlySet<unknown> = new Set(words);
  return rule(
    `one of ${words.map((word) => `"${word}"`).join(', ')}`,
    (value) => known.has(value),
    (text) => (known.has(text) ? text : unreadable),
  );
}

/**
 * One text out of a fixed set.
 *
 * @throws LatticeError `call-invalid`, during development
 * @example prop.choice(['early', 'late']).fallback('early')
 */
export function choice<const Words extends readonly [string, ...string[]]>(
  words: Words,
): Kind<Words[number]> {
  if (dev && !areWords(words))
    refuseCall(choice, 'prop.choice', 'expects a list of texts', "Write prop.choice(['early', 'late']).");
  const { expected, ...ruled } = choiceRule(words);
  return new Kind<Words[number]>({
    ...ruled,
    expected,
    word: 'choice',
    code: { name: 'choiceRule', args: [words] },
    explain(value) {
      const near = typeof value === 'string' ? nearest(value, words) : undefined;
      const got = `expects ${expected}, but received ${printValue(value)}`;
      return near === undefined ? undefined : `${got}. Did you mean "${near}"?`;
    },
    write: (value) => value,
    holds: words,
  });
}

/** Whether there is a word at least, and all of them are text. */
export function areWords(words: unknown): boolean {
  return Array.isArray(words) && words.length > 0 && words.every((word) => typeof word === 'string');
}
