import { callPlace, failure, finding, placeOf, type SourcePlace } from '../../problem/index.js';
import { currentRun, placeIn } from '../run-state.js';
import { describe } from './describe.js';
import { getterOf } from './evaluate.js';
import type { Core, Get, Op } from './ops.js';

declare const value: unique symbol;

/**
 * A value known only at render time. Its fields are reached as on the value: `variety.name` is an `Expr<string>`.
 * It can stand wherever content or an attribute goes; to calculate with it use `calc`, to join text `phrase`.
 */
export type Expr<T> = ExprOf<T> & Fields<NonNullable<T>>;

/** An expression of a field of the state, which a form control can be tied to. */
export type StateExpr<T> = ExprOf<T> & OfState & StateFields<NonNullable<T>>;

type StateFields<T> = T extends Plain
  ? unknown
  : T extends readonly (infer Item)[]
    ? { readonly length: Expr<number>; readonly [index: number]: StateExpr<Item | undefined> }
    : T extends object
      ? { readonly [K in keyof T]-?: StateExpr<T[K]> }
      : unknown;

declare const ofState: unique symbol;
interface OfState {
  readonly [ofState]: true;
}

/** Tells whether an expression is of the state. */
export interface PerhapsOfState<Is> {
  readonly [ofState]?: Is;
}

/** The part of an expression that says what it is an expression of. */
export interface ExprOf<out T> {
  readonly [value]: T;
}

type Plain = string | number | bigint | boolean | symbol | Date | ((...args: never[]) => unknown);

type Fields<T> = T extends Plain
  ? unknown
  : T extends readonly (infer Item)[]
    ? { readonly length: Expr<number>; readonly [index: number]: Expr<Item | undefined> }
    : T extends object
      ? { readonly [K in keyof T]-?: Expr<T[K]> }
      : unknown;

/** An expression: its working side, and the proxy that stands for it in a template. */
export class ExprCore implements Core {
  readonly op: Op;
  readonly get: Get;
  readonly #place: object | undefined;
  #face: Expr<unknown> | undefined;

  /** `readBy` is the function whose caller read it, so that one that is placed nowhere can be reported with its line. */
  constructor(op: Op, readBy?: unknown) {
    this.op = op;
    this.get = getterOf(op);
    const run = currentRun();
    if (run && readBy !== undefined) {
      run.read.push(this);
      this.#place = placeIn(run, readBy);
    }
  }

  /** The proxy that stands for it in a template. */
  get face(): Expr<unknown> {
    // A proxy has whatever fields the value's type has; no declared type can say that of its target.
    this.#face ??= new Proxy(target, new Handler(this)) as unknown as Expr<unknown>;
    return this.#face;
  }

  /** File, line and column of the line that read it, where known. */
  get source(): SourcePlace | undefined {
    return placeOf(this.#place);
  }
}

const exprBrand = Symbol.for('zesty-lattice.expression');

const target = (): void => undefined;

class Handler implements ProxyHandler<() => void> {
  readonly core: ExprCore;

  constructor(core: ExprCore) {
    this.core = core;
    // A function of its own, which stacks can be cut at: what is above it is the template's own line.
    const get = (_target: unknown, key: string | symbol): unknown => this.read(key, get);
    this.get = get;
  }

  get: (target: unknown, key: string | symbol) => unknown;

  read(key: string | symbol, readBy: unknown): unknown {
    if (key === exprBrand) return this.core;
    if (typeof key === 'symbol') {
      if (key !== Symbol.toPrimitive && key !== Symbol.iterator) return undefined;
      const how = key === Symbol.iterator ? 'walked through' : 'used as text or number';
      const use = (): never => {
        throw usedEarly(this.core, how, use);
      };
      return use;
    }
    return fieldOf(this.core, key, readBy).face;
  }

  apply(): never {
    const { op } = this.core;
    if (op.op !== 'field') throw usedEarly(this.core, 'called', this.apply);
    throw usedEarly(op.of, `asked for its method "${op.key}"`, this.apply, op.key);
  }

  set(): never {
    throw usedEarly(this.core, 'changed', this.set);
  }

  has(): never {
    throw usedEarly(this.core, 'searched with "in"', this.has);
  }

  ownKeys(): never {
    throw usedEarly(this.core, 'spread or listed', this.ownKeys);
  }
}

function usedEarly(core: Core, how: string, above: unknown, method?: string): Error {
  const name = describe(core);
  const run = currentRun();
  const found = finding('value-used-early', { name, how, method }, placeOf(callPlace(above)));
  if (run) run.findings.push(found);
  return failure(found, run?.name ?? '');
}

/** A field of an expression's value; a missing value has only missing fields. */
export function fieldOf(of: Core, key: string, readBy?: unknown): ExprCore {
  return new ExprCore({ op: 'field', of, key }, readBy);
}

/** The working side of what may be an expression; undefined when it is a plain value. */
export function coreOf(candidate: unknown): ExprCore | undefined {
  return typeof candidate === 'function' ? (candidate as { [exprBrand]?: ExprCore })[exprBrand] : undefined;
}

/** The working side of an expression, or of a plain value as one. */
export function operand(candidate: unknown): Core {
  return coreOf(candidate) ?? new ExprCore({ op: 'literal', value: candidate });
}

/** The same, where a plain record or list may hold expressions. */
export function operandOf(candidate: unknown): Core {
  if (coreOf(candidate) || !holdsExpr(candidate)) return operand(candidate);
  if (Array.isArray(candidate)) return new ExprCore({ op: 'list', items: candidate.map(operandOf) });
  const fields = Object.entries(candidate as object);
  const items = fields.map(([, value]) => operandOf(value));
  return new ExprCore({ op: 'record', keys: fields.map(([key]) => key), items });
}

function holdsExpr(candidate: unknown): boolean {
  if (coreOf(candidate)) return true;
  if (typeof candidate !== 'object' || candidate === null) return false;
  const above = Object.getPrototypeOf(candidate);
  const isPlain = Array.isArray(candidate) || above === Object.prototype || above === null;
  return isPlain && Object.values(candidate).some(holdsExpr);
}

/** Whether something is the working side of an expression, of this or another copy of the library. */
export function isCore(candidate: unknown): candidate is Core {
  return typeof candidate === 'object' && candidate !== null && 'op' in candidate && 'get' in candidate;
}

/** A plain value or an expression as a person would write it. */
export function describeValue(candidate: unknown): string {
  const core = coreOf(candidate);
  return core ? describe(core) : (JSON.stringify(candidate) ?? String(candidate));
}
