import { Kind } from '../kind.js';
import { rule, unreadable } from '../rule.js';

export const dateRule = /* @__PURE__ */ rule('a date', isDate, (text) => {
  const value = new Date(text);
  // The 30th of February is the 2nd of March to a Date, and no day to anyone else; and a text without the hyphen before its
  // day means one thing here and another there. Compared with the hyphen, as a number below zero: this is in many pages.
  const isReal = -new Date(text.slice(0, 10)).getUTCDate() === +text.slice(7, 10);
  return isReal && isDate(value) ? value : unreadable;
});

/**
 * A point in time, as a `Date`. As an attribute it is an ISO 8601 text such as `2026-11-28` or
 * `2026-11-28T09:30:00Z` (https://html.spec.whatwg.org/#dates-and-times).
 *
 * @example prop.date()
 */
export function date(): Kind<Date> {
  return new Kind<Date>({
    ...dateRule,
    word: 'date',
    code: { name: 'dateRule' },
    explain: (value) =>
      typeof value === 'string' && dateRule.read(value) === unreadable
        ? `expects a day such as 2026-11-28, or a day and a time, but received ${JSON.stringify(value)}`
        : typeof value === 'string' || typeof value === 'number'
          ? `expects a Date, but received ${JSON.stringify(value)}; write new Date(${JSON.stringify(value)})`
          : undefined,
    write: (value) => value.toISOString(),
  });
}

function isDate(value: unknown): boolean {
  return value instanceof Date && !Number.isNaN(value.getTime());
}
