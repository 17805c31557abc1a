import { type Rule, rule } from '../rule.js';
import { readJson } from './any.js';

/** A list of records, in which conditions and rows stand as lists of their own. */
export function usesRule(item: Rule): Rule<never> {
  const all = (value: unknown): readonly unknown[] =>
    Array.isArray(value) ? value.flat(Number.POSITIVE_INFINITY).filter((one) => one !== undefined) : [];
  return {
    ...rule(
      `a list, each item ${item.expected}`,
      (value) => Array.isArray(value) && all(value).every((one) => item.accepts(one)),
      readJson,
    ),
    settle: (value) => all(value).map((one) => (item.settle ? item.settle(one) : one)) as never,
  };
}
