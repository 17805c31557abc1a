import { Kind, unreadable } from '../kind.js';

/**
 * A point in time, as a `Date`. As an attribute it is an ISO 8601 text such as `2026-11-28` or
 * `2026-11-28T09:30:00Z` (https://html.spec.whatwg.org/#dates-and-times).
 *
 * @example prop.date()
 */
export function date(): Kind<Date> {
  return new Kind<Date>({
    word: 'date',
    expected: 'a date',
    accepts: isDate,
    explain: (value) =>
      typeof value === 'string' || typeof value === 'number'
        ? `takes a Date, and got ${JSON.stringify(value)}; write new Date(${JSON.stringify(value)})`
        : undefined,
    read: readDate,
    write: (value) => value.toISOString(),
    schema: { type: 'string', format: 'date-time' },
  });
}

export function isDate(value: unknown): boolean {
  return value instanceof Date && !Number.isNaN(value.getTime());
}

export function readDate(written: string): unknown {
  const value = new Date(written);
  return isDate(value) ? value : unreadable;
}
