import type { LiveProp } from './live.js';

/** The value that a template sees for what was given to a prop; what is missing or does not fit is told by `fail`. */
export function settled(
  { fallback, isNeeded, rule }: LiveProp,
  given: unknown,
  fail: (fault?: string) => undefined,
): unknown {
  if (given === undefined) return isNeeded ? fail() : fallback;
  if (!rule.accepts(given)) return fail(rule.explain?.(given) ?? `takes ${rule.expected}`);
  return rule.settle ? rule.settle(given) : given;
}
