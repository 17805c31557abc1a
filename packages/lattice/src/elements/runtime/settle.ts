import type { Rule } from '../../component/rule.js';
import { dev, reasonOf } from '../../problem/index.js';

/** The value that a template sees for what was given to a prop; what does not fit is reported by `fail`. */
export function checkedValue(rule: Rule, given: unknown, fail: (fault: string) => unknown): unknown {
  try {
    if (!rule.accepts(given)) return fail(rule.explain?.(given) ?? `is not ${rule.expected}`);
    return rule.settle ? rule.settle(given) : given;
  } catch (thrown) {
    return fail(dev ? `cannot be read: ${reasonOf(thrown)}` : reasonOf(thrown));
  }
}
