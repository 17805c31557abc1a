import { Kind } from '../kind.js';
import { rule, unreadable } from '../rule.js';

export const anyRule = /* @__PURE__ */ rule('a value', isAny, readJson);

/** Whatever the type says, unchecked: what `prop.list<T>()` holds and what a generic component is made with. */
export function any<Value>(): Kind<Value> {
  return new Kind<Value>({
    ...anyRule,
    word: 'any',
    code: { name: 'anyRule' },
    write: (value) => JSON.stringify(value) ?? null,
  });
}

/** Whatever there is; text that could not be read is nothing. */
function isAny(value: unknown): boolean {
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
