import { finding } from '#dev';
import { failure } from './error.js';
import { callPlace, placeOf } from './place.js';

/**
 * Refuses a call with something else than its types ask for, which only JavaScript can make. Guards are for developing:
 * each stands behind `dev`.
 */
export function refuseCall(called: unknown, name: string, fault: string, hint: string): never {
  throw failure(finding('call-invalid', { name, fault, hint }, placeOf(callPlace(called))));
}

/** What a value is, in a word or two, as messages say it. */
export function sortOf(value: unknown): string {
  if (value === undefined) return 'nothing';
  if (value === null) return 'null';
  if (Array.isArray(value)) return 'a list';
  if (typeof value === 'string') return 'text';
  if (typeof value !== 'object') return `a ${typeof value}`;
  return value instanceof Promise ? 'a promise' : 'a record';
}
