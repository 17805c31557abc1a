import { dev, printValue, refuseCall } from '../../problem/index.js';
import { gotIn } from '../got.js';
import { currentRun } from '../run-state.js';
import { coreOf, type Expr, ExprCore, type ExprOf, operand } from './expr.js';

type ValueOf<T> = T extends ExprOf<infer V> ? V : T;
type Values<Inputs extends readonly unknown[]> = { [I in keyof Inputs]: ValueOf<Inputs[I]> };

/**
 * A value worked out at render time. The last argument gets the values of the ones before it. With inputs it must
 * depend on them alone; without any it is worked out anew at each rendering.
 *
 * @throws LatticeError `call-invalid`, during development
 * @example calc(props.crates, props.price, (crates, price) => crates * price)
 * @example calc(() => new Date().getFullYear())
 */
export function calc<Result>(compute: () => Result): Expr<Result>;
export function calc<A, Result>(a: ExprOf<A> | A, compute: (a: A) => Result): Expr<Result>;
export function calc<A, B, Result>(
  a: ExprOf<A> | A,
  b: ExprOf<B> | B,
  compute: (a: A, b: B) => Result,
): Expr<Result>;
export function calc<A, B, C, Result>(
  a: ExprOf<A> | A,
  b: ExprOf<B> | B,
  c: ExprOf<C> | C,
  compute: (a: A, b: B, c: C) => Result,
): Expr<Result>;
export function calc<const Inputs extends readonly unknown[], Result>(
  ...args: [...inputs: Inputs, compute: (...values: Values<Inputs>) => Result]
): Expr<Result>;
export function calc<Result>(...args: readonly unknown[]): Expr<Result> {
  const compute = args.at(-1) as (...values: unknown[]) => Result;
  if (dev && (typeof compute !== 'function' || coreOf(compute)))
    refuseCall(
      calc,
      'calc',
      `expects a function as its last argument, but received ${gotIn(compute)}`,
      'Write calc(props.crates, (crates) => crates * 2).',
    );
  const inputs = args.slice(0, -1).map(operand);
  return new ExprCore({ op: 'calc', inputs, compute }, calc).face as Expr<Result>;
}

/**
 * Whether two values are the same; missing values (`null`, `undefined`) are the same as one another. In the rows of a list
 * it is the quick way to ask which one is selected: a change of the one value looks only at the rows that it concerns.
 *
 * @example eachOf(props.rows, (row) => el.li({ class: { picked: isSame(row.id, state.picked) } }, row.name), { key: 'id' })
 */
export function isSame<Value>(
  one: Value | ExprOf<Value | null | undefined> | null | undefined,
  other: NoInfer<Value> | ExprOf<NoInfer<Value> | null | undefined> | null | undefined,
): Expr<boolean> {
  return new ExprCore({ op: 'binary', operator: '==', left: operand(one), right: operand(other) }, isSame)
    .face as Expr<boolean>;
}

/**
 * Text with expressions in it. Missing values (`null`, `undefined`, `false`) come out as nothing.
 *
 * @throws LatticeError `call-invalid`, during development
 * @example phrase`${props.crates} crates left`
 */
export function phrase(
  strings: TemplateStringsArray,
  ...parts: (
    | string
    | number
    | bigint
    | null
    | undefined
    | ExprOf<string | number | bigint | null | undefined | false>
  )[]
): Expr<string> {
  if (dev && !Array.isArray(strings))
    refuseCall(
      phrase,
      'phrase',
      'was called like a function',
      'Write it before a template literal: phrase`${props.crates} crates left`.',
    );
  return new ExprCore({ op: 'phrase', strings, parts: parts.map(operand) }, phrase).face as Expr<string>;
}

/**
 * An id that is different for each use on a page and the same on every render of the same tree. Asked for again
 * by the same label in the same place it is the same id.
 *
 * @throws LatticeError `call-invalid`, during development
 * @example
 * const panel = uid('panel');
 * return [el.button({ 'aria-controls': panel }, 'Show'), el.div({ id: panel }, slots.default())];
 */
export function uid(label: string): Expr<string> {
  if (dev && (typeof label !== 'string' || label === ''))
    refuseCall(
      uid,
      'uid',
      `expects a label, but received ${printValue(label || undefined)}`,
      "Write uid('panel').",
    );
  return new ExprCore({ op: 'uid', label, depth: currentRun()?.depth ?? 0 }, uid).face as Expr<string>;
}
