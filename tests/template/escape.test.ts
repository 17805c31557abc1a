import fc from 'fast-check';
import { expect, test } from 'vitest';
import {
  escapeAttribute,
  escapeText,
  isSafe,
  isSafeText,
  quoted,
} from '../../packages/lattice/src/template/escape.js';

/** What each character is written as, by the standard's own words: one after another, without any short way. */
const references: Readonly<Record<string, string>> = {
  '&': '&amp;',
  '<': '&lt;',
  '>': '&gt;',
  '\r': '&#13;',
  '\0': '\uFFFD',
};
const plainly = (text: string, isQuoted: boolean): string =>
  [...text].map((one) => (isQuoted && one === '"' ? '&quot;' : (references[one] ?? one))).join('');

/** Texts short and long, of one byte a character and of more, in which signs stand alone, in pairs and apart. */
const texts = fc.tuple(
  fc.constantFrom('', 'a', 'é', '柑', '🍊', ' '.repeat(5), 'x'.repeat(11), 'y'.repeat(12), 'z'.repeat(60)),
  fc.array(fc.constantFrom('&', '<', '>', '"', '\r', '\0', "'", '\n', '', 'a', 'é', '柑', 'w'.repeat(13)), {
    maxLength: 6,
  }),
  fc.constantFrom('', 'b', 'q'.repeat(99), 'q'.repeat(101), 'q'.repeat(400), `${'q'.repeat(200)}柑`),
);

test('whatever stands in a text, each of its characters is written by itself', () => {
  fc.assert(
    fc.property(texts, ([start, signs, end]) => {
      for (const text of [start + signs.join('') + end, end + signs.join('') + start]) {
        expect(escapeText(text)).toBe(plainly(text, false));
        expect(escapeAttribute(text)).toBe(plainly(text, true));
        expect(quoted(escapeText(text))).toBe(plainly(text, true));
        expect(isSafe(text)).toBe(plainly(text, true) === text);
        expect(isSafeText(text)).toBe(isSafe(text));
      }
    }),
    { numRuns: 1500, seed: 7 },
  );
});

test.each(['&', '<', '>', '"', '\r', '\0'])('a long text whose only sign is %j', (sign) => {
  for (const text of [
    `${'a'.repeat(200)}${sign}`,
    `${sign}${'a'.repeat(200)}`,
    `é${'柑'.repeat(80)}${sign}`,
  ]) {
    expect(escapeText(text)).toBe(plainly(text, false));
    expect(escapeAttribute(text)).toBe(plainly(text, true));
    expect(isSafe(text)).toBe(false);
  }
});

test('what is no text is not safe text', () => {
  for (const one of [undefined, null, 3, {}, []]) expect(isSafeText(one)).toBe(false);
});
