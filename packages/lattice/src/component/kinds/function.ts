import { Kind } from '../kind.js';
import { rule, unreadable } from '../rule.js';

export const functionRule = /* @__PURE__ */ rule(
  'a function',
  (value) => typeof value === 'function',
  () => unreadable,
);

/** The kind of a function. What gives its fallback is a function, too. */
export interface FunctionKind<F> extends Kind<F> {
  fallback(make: () => F): Kind<F, F, 'fallback'>;
}

/**
 * A function, typed by its own type. It is a property of the element and never an attribute: HTML text does not hold it. A
 * template calls it in `calc`. A fallback is a function that gives it.
 *
 * @example
 * props: { rows: prop.list<Stall>(), label: prop.function<(stall: Stall) => string>() },
 * template: ({ props }) => el.ul(eachOf(props.rows, (row) => el.li(calc(props.label, row, (label, stall) => label(stall))))),
 */
export function ofFunction<F extends (...args: never[]) => unknown>(): FunctionKind<F> {
  return new Kind<F>({
    ...functionRule,
    word: 'function',
    code: { name: 'functionRule' },
    write: () => null,
  });
}
