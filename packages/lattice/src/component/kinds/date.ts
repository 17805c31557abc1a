import { Kind } from '../kind.js';
import { rule, unreadable } from '../rule.js';

/** A day, or a day and a time: other texts mean one thing here and another there. */
const written = /^\d{4}-\d\d-(\d\d)(?:[T ][\d:.]+(?:Z|[+-]\d\d:\d\d)?)?$/;

export const dateRule = /* @__PURE__ */ rule('a date', isDate, (text) => {
  const day = written.exec(text)?.[1];
  // The 30th of February is the 2nd of March to a Date, and no day to anyone else.
  if (!day || new Date(text.slice(0, 10)).getUTCDate() !== +day) return unreadable;
  const value = new Date(text.replace(' ', 'T'));
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
