import type { Get } from './text.js';

/** How to have a value that never changes. */
export function always(value: unknown): Get {
  return () => value;
}

/** Whether a value is a list with something in it. */
export function isFull(value: unknown): boolean {
  return Array.isArray(value) && value.length > 0;
}
