import type { Instance } from './instance.js';

/** What a list holds, or a plain record: its fields and their values. */
function partsOf(value: unknown): readonly unknown[] {
  if (Array.isArray(value)) return value;
  const isPlain =
    typeof value === 'object' && value !== null && Object.getPrototypeOf(value) === Object.prototype;
  return isPlain ? Object.entries(value).flat() : [];
}

type Work = (context: { readonly state?: object }, ...args: unknown[]) => unknown;

/** Tells lists and records of the state that a handler changes as they are: what shows them hears nothing of it. */
export function watched(instance: Instance, handler: string, work: unknown): Work {
  return (context, ...args) => {
    const before = Object.entries(context.state ?? {}).map(
      ([field, value]) => [field, value, [...partsOf(value)]] as const,
    );
    const look = (changes: unknown): unknown => {
      for (const [field, value, parts] of before) {
        const now = partsOf(value);
        if (now.length === parts.length && now.every((one, index) => Object.is(one, parts[index]))) continue;
        instance.tell('state-changed-in-place', { handler, field, isList: Array.isArray(value) });
      }
      return changes;
    };
    const outcome = (work as Work | undefined)?.(context, ...args);
    return outcome instanceof Promise ? outcome.then(look) : look(outcome);
  };
}
