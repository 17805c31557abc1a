// What a template text's expressions do, in a page and in Node.

/** Null and undefined both say that there is nothing, so they are the same; all else is compared strictly. */
export function same(a: unknown, b: unknown): boolean {
  return a === b || ((a === null || a === undefined) && (b === null || b === undefined));
}

/** Two numbers, two texts or two dates by their order; anything else has none, so no comparison holds. */
export function compare(a: unknown, b: unknown, holds: (order: number) => boolean): boolean {
  if (typeof a === 'number' && typeof b === 'number')
    return !Number.isNaN(a - b) ? holds(a - b) : a === b && holds(0);
  if (typeof a === 'string' && typeof b === 'string') return holds(a < b ? -1 : a > b ? 1 : 0);
  if (a instanceof Date && b instanceof Date) return holds(a.getTime() - b.getTime());
  return false;
}

/** Texts joined, where one of two is a text, else numbers added. */
export function plus(a: unknown, b: unknown): unknown {
  if (typeof a === 'string' || typeof b === 'string') return text(a) + text(b);
  return numberOf(a, '+') + numberOf(b, '+');
}

function text(value: unknown): string {
  if (typeof value === 'string') return value;
  if (value === null || value === undefined || value === false) return '';
  if (typeof value === 'number' || typeof value === 'bigint' || value === true) return String(value);
  throw new TypeError(`+ joins texts and numbers, but received ${named(value)}`);
}

/** A number; what is none is refused. */
export function numberOf(value: unknown, operator: string): number {
  if (typeof value === 'number') return value;
  throw new TypeError(`${operator} expects numbers, but received ${named(value)}`);
}

function named(value: unknown): string {
  if (value === null || value === undefined) return 'a missing value';
  if (typeof value === 'string') return `the text ${JSON.stringify(value.slice(0, 30))}`;
  if (typeof value === 'boolean') return String(value);
  return Array.isArray(value) ? 'a list' : 'a record';
}

/**
 * A field of plain data: an own one, and no function, so that a template text reaches neither prototypes nor code.
 * A missing value has only missing fields.
 */
export function ownField(whole: unknown, key: unknown): unknown {
  // The common case first: this runs for every field that a template text shows.
  if (typeof whole === 'object' && whole !== null && typeof key === 'string') {
    if (!Object.hasOwn(whole, key)) return undefined;
    const value: unknown = (whole as Record<string, unknown>)[key];
    return typeof value === 'function' ? undefined : value;
  }
  if (typeof key !== 'string' && typeof key !== 'number') return undefined;
  if (typeof whole === 'string') return key === 'length' ? whole.length : undefined;
  if (typeof whole !== 'object' || whole === null || !Object.hasOwn(whole, key)) return undefined;
  const value: unknown = (whole as Record<string | number, unknown>)[key];
  return typeof value === 'function' ? undefined : value;
}
