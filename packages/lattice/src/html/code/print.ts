import { hashOf } from '../hash.js';
import type { RoutineParts } from '../lower/steps.js';

/**
 * Returns a short text that is another one where a routine's code would be another one: of the kinds of its steps, its
 * texts, and what its expressions read. Code that a build wrote runs only where the routine still has the same print.
 */
export function printOf({ kinds, steps, takes }: RoutineParts): string {
  const words: string[] = [];
  const seen = new Set<object>();
  const add = (value: unknown, name: string): void => {
    if (typeof value === 'function') return void words.push('f');
    if (typeof value !== 'object' || value === null)
      return void words.push(`${typeof value} ${String(value)}`);
    // A position in a file says nothing of the code, and what is data is passed.
    if (seen.has(value) || aside.has(name)) return;
    seen.add(value);
    for (const [key, field] of Object.entries(fieldsOf(value))) {
      words.push(key);
      add(field, key);
    }
  };
  add([takes, kinds, steps], '');
  const text = words.join('\n');
  return `${hashOf(text)}-${text.length.toString(36)}`;
}

/** Fields whose values say nothing of the code. */
const aside = new Set(['place', 'where', 'source', 'site']);

/** What is looked at of a record: all of plain ones, the name or the kind of others. */
function fieldsOf(value: object): Readonly<Record<string, unknown>> {
  const { name, op, rules, settings } = value as Readonly<Record<string, object | undefined>>;
  const isPlain = Array.isArray(value) || Object.getPrototypeOf(value) === Object.prototype;
  if (op instanceof Object) return isData(op) ? {} : { op };
  if ('sheets' in value) return { name };
  if (rules && settings) return { rules, settings };
  return isPlain ? (value as Readonly<Record<string, unknown>>) : { name };
}

/** Whether an operation is a constant that is more than one value: its code has none of it. */
function isData({ op, value }: { readonly op?: string; readonly value?: unknown }): boolean {
  return op === 'literal' && typeof value === 'object' && value !== null;
}
