import { Kind, unreadable } from '../kind.js';

/** Whatever the type says, unchecked: what `prop.list<T>()` holds and what a generic component is made with. */
export function any<Value>(): Kind<Value> {
  return new Kind<Value>({
    word: 'any',
    expected: 'a value',
    accepts: isAny,
    read: readJson,
    write: (value) => JSON.stringify(value) ?? null,
    schema: {},
  });
}

/** Whatever there is; text that could not be read is nothing. */
export function isAny(value: unknown): boolean {
  return value !== undefined && value !== unreadable;
}

/** An attribute's text as JSON. */
export function readJson(written: string): unknown {
  try {
    return JSON.parse(written);
  } catch {
    return unreadable;
  }
}
