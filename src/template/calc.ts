import { dev, finding, LatticeError, placed, refuseCall, show } from '../problem/index.js';
import { coreOf, describe, type Expr, ExprCore, type ExprOf, getterOf, type ReadText } from './expr.js';
import { type Frame, pathOf } from './frame.js';
import { gotIn } from './got.js';
import { currentRun } from './run-state.js';

type ValueOf<T> = T extends ExprOf<infer V> ? V : T;
type Values<Inputs extends readonly unknown[]> = { [I in keyof Inputs]: ValueOf<Inputs[I]> };

/**
 * A value worked out at render time. The last argument gets the values of the ones before it. With inputs it must
 * depend on them alone; without any it is worked out anew at each rendering.
 *
 * @throws LatticeError `call-invalid`, while developing
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
  const inputs = args.slice(0, -1);
  const compute = args.at(-1) as (...values: unknown[]) => Result;
  if (dev && (typeof compute !== 'function' || coreOf(compute)))
    refuseCall(
      calc,
      'calc',
      `takes a function as its last argument, and got ${gotIn(compute)}`,
      'Write calc(props.crates, (crates) => crates * 2).',
    );
  const core: ExprCore = new ExprCore(
    { op: 'calc', inputs, compute },
    getterFor(inputs, compute, () => describe(core)),
    calc,
  );
  return core.face as Expr<Result>;
}

/** A value worked out from others, written as a template text's expression. */
export function worked(
  inputs: readonly unknown[],
  compute: (...values: unknown[]) => unknown,
  text: string,
  read?: ReadText,
): ExprCore {
  return new ExprCore(
    { op: 'calc', inputs, compute, text, ...(read && { read }) },
    getterFor(inputs, compute, () => text),
  );
}

function getterFor(
  inputs: readonly unknown[],
  compute: (...values: unknown[]) => unknown,
  name: () => string,
): ExprCore['get'] {
  return workedGetter(inputs.map(getterOf), compute, name);
}

/** How to have a value that is worked out from others; one that fails is told by its name, with its place. */
export function workedGetter(
  getters: readonly ExprCore['get'][],
  compute: (...values: never[]) => unknown,
  name: () => string,
): ExprCore['get'] {
  const work = compute as (...values: unknown[]) => unknown;
  const failed = (thrown: unknown, frame: Frame): Error => {
    if (thrown instanceof LatticeError) return thrown;
    const reason = thrown instanceof Error ? thrown.message : String(thrown);
    return new LatticeError([placed(finding('value-failed', { name: name(), reason }), pathOf(frame))], {
      cause: thrown,
    });
  };
  const [first] = getters;
  if (first && getters.length === 1) {
    return (frame) => {
      try {
        return work(first(frame));
      } catch (thrown) {
        throw failed(thrown, frame);
      }
    };
  }
  return (frame) => {
    try {
      return work(...getters.map((get) => get(frame)));
    } catch (thrown) {
      throw failed(thrown, frame);
    }
  };
}

/**
 * Text with expressions in it. Missing values (`null`, `undefined`, `false`) come out as nothing.
 *
 * @throws LatticeError `call-invalid`, while developing
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
  const getters = parts.map(getterOf);
  const [first] = getters;
  const [before = '', after = ''] = strings;
  const get: ExprCore['get'] =
    first && getters.length === 1
      ? (frame) => before + plainText(first(frame)) + after
      : (frame) => {
          let text = before;
          for (let at = 0; at < getters.length; at++) {
            text += plainText(getters[at]?.(frame)) + (strings[at + 1] ?? '');
          }
          return text;
        };
  return new ExprCore({ op: 'phrase', strings, parts }, get, phrase).face as Expr<string>;
}

/** A value as a phrase writes it: missing ones are nothing. */
export function plainText(value: unknown): string {
  if (typeof value === 'string') return value;
  return value === null || value === undefined || value === false ? '' : String(value);
}

/**
 * An id that is different for each use on a page and the same on every render of the same tree. Asked for again
 * by the same label in the same place it is the same id.
 *
 * @throws LatticeError `call-invalid`, while developing
 * @example
 * const panel = uid('panel');
 * return [el.button({ 'aria-controls': panel }, 'Show'), el.div({ id: panel }, slots.default())];
 */
export function uid(label: string): Expr<string> {
  if (dev && (typeof label !== 'string' || label === ''))
    refuseCall(uid, 'uid', `takes a label, and got ${show(label || undefined)}`, "Write uid('panel').");
  const depth = currentRun()?.depth ?? 0;
  const get: ExprCore['get'] = (frame) => label + (frame.at?.[depth] ?? '');
  return new ExprCore({ op: 'uid', label, depth }, get, uid).face as Expr<string>;
}
