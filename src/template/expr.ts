import { callPlace, failure, finding, placeOf, type SourcePlace } from '../problem/index.js';
import type { Frame } from './frame.js';
import { currentRun } from './run-state.js';

declare const value: unique symbol;

/**
 * A value known only at render time. Its fields are reached as on the value: `variety.name` is an `Expr<string>`.
 * It can stand wherever content or an attribute goes; to calculate with it use `calc`, to join text `phrase`.
 */
export type Expr<T> = ExprOf<T> & Fields<NonNullable<T>>;

/** An expression of a field of the state, which a form control can be tied to. */
export type StateExpr<T> = Expr<T> & OfState;

declare const ofState: unique symbol;
interface OfState {
  readonly [ofState]: true;
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

/** An expression of a template text as it was read: a tree of the text's language, and the names of its inputs. */
export interface ReadText {
  readonly tree: unknown;
  readonly names: readonly string[];
  /** The component whose helpers it calls. */
  readonly component: string;
}

/** What an expression is made of. */
export type Op =
  | { readonly op: 'prop'; readonly name: string; readonly index: number }
  | { readonly op: 'state'; readonly name: string }
  | {
      readonly op: 'local';
      readonly local: number;
      readonly label: string;
      readonly what: 'item' | 'index' | 'data';
    }
  | { readonly op: 'field'; readonly of: ExprCore; readonly key: string }
  | {
      readonly op: 'calc';
      readonly inputs: readonly unknown[];
      readonly compute: (...values: unknown[]) => unknown;
      /** How it was written, where it was written as text, and what that was read as. */
      readonly text?: string;
      readonly read?: ReadText;
    }
  | { readonly op: 'phrase'; readonly strings: readonly string[]; readonly parts: readonly unknown[] }
  | { readonly op: 'filled'; readonly slot: string; readonly index: number }
  | { readonly op: 'uid'; readonly label: string; readonly depth: number }
  | { readonly op: 'shared'; readonly name: string };

/** The working side of an expression: how it is made, and how its value is had. */
export class ExprCore {
  readonly op: Op;
  readonly get: (frame: Frame) => unknown;
  /** The proxy that stands for it in a template. */
  readonly face: Expr<unknown>;
  readonly #place: object | undefined;

  constructor(op: Op, get: (frame: Frame) => unknown, readBy?: unknown) {
    this.op = op;
    this.get = get;
    // A proxy has whatever fields the value's type has; no declared type can say that of its target.
    this.face = new Proxy(target, new Handler(this)) as unknown as Expr<unknown>;
    const run = currentRun();
    if (run?.tracks && readBy !== undefined) {
      run.read.push(this);
      this.#place = callPlace(readBy);
    }
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
    this.get = this.get.bind(this);
  }

  get(_target: unknown, key: string | symbol): unknown {
    if (key === exprBrand) return this.core;
    if (typeof key === 'symbol') {
      if (key !== Symbol.toPrimitive && key !== Symbol.iterator) return undefined;
      const how = key === Symbol.iterator ? 'walked through' : 'used as text or number';
      const use = (): never => {
        throw usedEarly(this.core, how, use);
      };
      return use;
    }
    return fieldOf(this.core, key, this.get).face;
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

function usedEarly(core: ExprCore, how: string, above: unknown, method?: string): Error {
  const name = describe(core);
  const run = currentRun();
  const found = finding('value-used-early', { name, how, method }, placeOf(callPlace(above)));
  if (run) run.findings.push(found);
  return failure(found, run?.name ?? '');
}

/** A field of an expression's value; a missing value has only missing fields. */
export function fieldOf(of: ExprCore, key: string, readBy?: unknown): ExprCore {
  return new ExprCore({ op: 'field', of, key }, fieldGetter(of, key), readBy);
}

function fieldGetter(of: ExprCore, key: string): ExprCore['get'] {
  if (of.op.op === 'local') {
    const { local } = of.op;
    return (frame) => {
      const whole = frame.locals[local] as Record<string, unknown> | null | undefined;
      return whole === null || whole === undefined ? undefined : whole[key];
    };
  }
  const { get } = of;
  return (frame) => {
    const whole = get(frame) as Record<string, unknown> | null | undefined;
    return whole === null || whole === undefined ? undefined : whole[key];
  };
}

/** The working side of what may be an expression; undefined when it is a plain value. */
export function coreOf(candidate: unknown): ExprCore | undefined {
  return typeof candidate === 'function' ? (candidate as { [exprBrand]?: ExprCore })[exprBrand] : undefined;
}

/** Whether something is the working side of an expression, of this or another copy of the library. */
export function isCore(candidate: unknown): candidate is ExprCore {
  return typeof candidate === 'object' && candidate !== null && 'op' in candidate && 'get' in candidate;
}

/** How to have the value of something that may be an expression or a plain value. */
export function getterOf(candidate: unknown): (frame: Frame) => unknown {
  return coreOf(candidate)?.get ?? (() => candidate);
}

/** An expression as a person would write it: `props.title`, `variety.name`, `calc(props.crates)`. */
export function describe(core: ExprCore): string {
  const { op } = core;
  switch (op.op) {
    case 'prop':
      return `props.${op.name}`;
    case 'state':
      return `state.${op.name}`;
    case 'local':
      return op.label;
    case 'field':
      return `${describe(op.of)}.${op.key}`;
    case 'calc':
      return op.text ?? `calc(${op.inputs.map(describeValue).join(', ')})`;
    case 'phrase':
      return `phrase\`${op.strings.map((text, at) => text + (at < op.parts.length ? `\${${describeValue(op.parts[at])}}` : '')).join('')}\``;
    case 'filled':
      return `slots.${op.slot}.filled`;
    case 'uid':
      return `uid('${op.label}')`;
    case 'shared':
      return `shared ${op.name}`;
  }
}

/** A plain value or an expression as a person would write it. */
export function describeValue(candidate: unknown): string {
  const core = coreOf(candidate);
  if (core) return describe(core);
  return JSON.stringify(candidate) ?? String(candidate);
}

/** The expressions that this one is made from, directly. */
export function inputsOf(core: ExprCore): readonly ExprCore[] {
  const { op } = core;
  if (op.op === 'field') return [op.of];
  const inputs = op.op === 'calc' ? op.inputs : op.op === 'phrase' ? op.parts : [];
  return inputs.map(coreOf).filter((input) => input !== undefined);
}
