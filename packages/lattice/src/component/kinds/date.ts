import { Kind } from '../kind.js';
import { rule, unreadable } from '../rule.js';

export const dateRule = /* @__PURE__ */ rule('a date', isDate, (text) => {
  const value = new Date(text);
  return isDate(value) ? value : unreadable;
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
      typeof value === 'string' || typeof value === 'number'
        ? `expects a Date, but received ${JSON.stringify(value)}; write new Date(${JSON.stringify(value)})`
        : undefined,
    write: (value) => value.toISOString(),
  });
}

function isDate(value: unknown): boolean {
  return value instanceof Date && !Number.isNaN(value.getTime());
}
