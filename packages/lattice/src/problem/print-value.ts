import { tells } from '#dev';

/** A value as it is quoted in a message: short, and saying what it is. */
export function printValue(value: unknown): string {
  // In a built page what kind of value it is has to do.
  if (!tells) return typeof value;
  if (typeof value === 'string') {
    const text = JSON.stringify(value.length > 40 ? `${value.slice(0, 39)}…` : value);
    return `the text ${text}`;
  }
  if (typeof value === 'number' || typeof value === 'bigint') return `the number ${value}`;
  if (value === undefined) return 'nothing';
  if (value === null || typeof value === 'boolean') return String(value);
  if (Array.isArray(value)) return `a list of ${value.length}`;
  if (value instanceof Promise) return 'a promise';
  if (value instanceof Date)
    return Number.isNaN(value.getTime()) ? 'an invalid date' : `the date ${value.toISOString()}`;
  if (typeof value === 'function') return 'a function';
  if (typeof value === 'symbol') return 'a symbol';
  const keys = Object.keys(value).slice(0, 4).join(', ');
  return keys === '' ? 'an empty record' : `a record with ${keys}`;
}
