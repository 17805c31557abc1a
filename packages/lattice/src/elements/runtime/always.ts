import type { Get } from './text.js';

/** How to have a value that never changes. */
export function always(value: unknown): Get {
  return () => value;
}
