import { Kind, unreadable } from '../kind.js';

/** Numbers as HTML's valid floating-point numbers (https://html.spec.whatwg.org/#valid-floating-point-number). */
const numberText = /^\s*[+-]?(\d+\.?\d*|\.\d+)(e[+-]?\d+)?\s*$/i;

/**
 * A finite number. Text is not a number: `crates: '4'` is a problem, while the attribute `crates="4"` is read as 4.
 *
 * @example prop.number().fallback(0)
 */
export function number(): Kind<number> {
  return new Kind({
    word: 'number',
    expected: 'a number',
    accepts: isNumber,
    explain: (value) =>
      typeof value === 'string' && numberText.test(value)
        ? `takes a number, and got the text ${JSON.stringify(value)}; write ${Number(value)} without quotes`
        : undefined,
    read: readNumber,
    write: String,
    schema: { type: 'number' },
  });
}

export function isNumber(value: unknown): boolean {
  return typeof value === 'number' && Number.isFinite(value);
}

export function readNumber(written: string): unknown {
  return numberText.test(written) ? Number(written) : unreadable;
}
