import type { ComponentCore } from '../../component/index.js';
import { nearestOr } from '../../problem/index.js';
import { type Core, ExprCore, inputsOf, isAnew, type Op, readingOf } from '../../template/index.js';
import { parseExpression } from '../expression/parse.js';
import { ExpressionFault, type ExpressionTree } from '../expression/tree.js';
import { pieces, unmarked } from '../syntax/holes.js';
import { fieldFault, kindOf } from './kinds.js';
import type { Locals, Meaning } from './names.js';
import type { TextReading } from './reading.js';

/** An expression whose names are known. */
export interface Bound {
  readonly core: ExprCore;
  /** Its value, where it reads nothing, such as `3` or `'text'`. */
  readonly constant: unknown;
  readonly isConstant: boolean;
}

/**
 * Reads an expression and binds its names. What is wrong is reported, with its place where `at` is known; the
 * expression is then nothing.
 */
export function readExpression(
  text: string,
  at: number | undefined,
  locals: Locals,
  reading: TextReading,
): Bound | undefined {
  const tree = guarded(() => parseExpression(text), text, at, reading);
  return tree && bind(tree, text, at, locals, reading);
}

/** Does work on an expression; a fault in it is reported, and the work renders nothing. */
export function guarded<T>(
  work: () => T,
  expression: string,
  at: number | undefined,
  reading: TextReading,
): T | undefined {
  try {
    return work();
  } catch (thrown) {
    if (!(thrown instanceof ExpressionFault)) throw thrown;
    const facts = { expression, fault: thrown.message, hint: thrown.hint };
    reading.report('expression-invalid', facts, at === undefined ? undefined : at + thrown.at);
    return undefined;
  }
}

/** Binds a tree's names to what they stand for where it stands. */
export function bind(
  tree: ExpressionTree,
  text: string,
  at: number | undefined,
  locals: Locals,
  reading: TextReading,
): Bound | undefined {
  const binder = new Binder(locals, reading, at);
  const core = guarded(() => binder.core(tree), text, at, reading);
  if (!core || !binder.isSound) return undefined;
  if (isConstant(core)) return { core, constant: core.get(nothing), isConstant: true };
  const isRead = readingOf(core) === 'scope';
  const shown = isRead ? core : new ExprCore({ op: 'written', text: text.trim(), of: core });
  return { core: shown, constant: undefined, isConstant: false };
}

/** Stands for a scope where nothing is read from one. */
const nothing = undefined as never;

/** Whether an expression reads nothing and is not worked out anew each time. */
function isConstant(core: Core): boolean {
  if (core.op.op === 'literal') return true;
  return !isAnew(core) && inputsOf(core).length > 0 && inputsOf(core).every(isConstant);
}

/** Turns trees of the language into expressions, the very ones that functions make. */
class Binder {
  /** Whether all names were known. */
  isSound = true;
  readonly #locals: Locals;
  readonly #reading: TextReading;
  readonly #component: ComponentCore;
  readonly #at: number | undefined;

  constructor(locals: Locals, reading: TextReading, at: number | undefined) {
    this.#locals = locals;
    this.#reading = reading;
    this.#component = reading.component;
    this.#at = at;
  }

  core(tree: ExpressionTree): ExprCore {
    switch (tree.kind) {
      case 'literal':
        return made({ op: 'literal', value: tree.value });
      case 'name':
        return this.#meant(this.#reading.names.meaning(tree.name, this.#locals), tree.at);
      case 'field': {
        const path = this.#reading.names.rooted(tree, this.#locals);
        if (path) return this.#meant(path.meaning, path.at);
        const of = this.core(tree.of);
        this.#checkField(of, tree);
        return made({ op: 'member', of, key: this.core(tree.key) });
      }
      case 'call':
        return this.#call(tree);
      case 'list':
        return made({ op: 'list', items: tree.items.map((item) => this.core(item)) });
      case 'record':
        return made({ op: 'record', keys: tree.keys, items: tree.items.map((item) => this.core(item)) });
      case 'unary':
        return made({ op: 'unary', operator: tree.operator, of: this.core(tree.of) });
      case 'binary':
        return made({
          op: 'binary',
          operator: tree.operator,
          left: this.core(tree.left),
          right: this.core(tree.right),
        });
      case 'choice':
        return made({
          op: 'choice',
          test: this.core(tree.test),
          holds: this.core(tree.holds),
          otherwise: this.core(tree.otherwise),
        });
    }
  }

  /** Tells a field that what is read does not have, where its kind is declared. */
  #checkField(of: ExprCore, { key }: Extract<ExpressionTree, { kind: 'field' }>): void {
    if (key.kind !== 'literal' || typeof key.value !== 'string') return;
    const hint = fieldFault(kindOf(of, this.#component, this.#reading.kinds), key.value);
    if (hint !== undefined) this.#fail('field', key.value, hint, key.at);
  }

  #call(tree: Extract<ExpressionTree, { kind: 'call' }>): ExprCore {
    const { args, at, name } = tree;
    const { helpers, name: component, takesAnyName } = this.#component;
    const helper = Object.hasOwn(helpers, name) ? helpers[name] : undefined;
    if (name === 'uid' && !helper) {
      const [label] = args;
      const core =
        args.length === 1 && label?.kind === 'literal' && typeof label.value === 'string'
          ? this.#reading.names.uid(label.value)
          : undefined;
      if (core) return core;
      throw new ExpressionFault('asks for an id without its label', at, "Write uid('panel').");
    }
    if (!helper && !takesAnyName) {
      const declare = `Declare it: helpers: { ${name}: (value) => … }.`;
      this.#fail('helper', name, nearestOr(name, Object.keys(helpers), declare), at);
    }
    const compute = (helper ?? (() => undefined)) as (...values: unknown[]) => unknown;
    return made({ op: 'call', name, args: args.map((arg) => this.core(arg)), compute, component });
  }

  #meant(meaning: Meaning, at: number): ExprCore {
    if ('core' in meaning) return meaning.core;
    this.#fail(meaning.what, meaning.name, meaning.hint, at);
    return made({ op: 'literal', value: null });
  }

  #fail(what: string, name: string, hint: string, offset: number): void {
    this.isSound = false;
    const at = this.#at === undefined ? undefined : this.#at + offset;
    this.#reading.report('name-unknown', { what, name, hint }, at);
  }
}

function made(op: Op): ExprCore {
  return new ExprCore(op);
}

/** Where an interpolation's expression starts; unknown where the parser tells no places. */
export function holeAt(at: number, known: number | undefined): number | undefined {
  return known === undefined ? undefined : at + 2;
}

/** As `valueIn`, but always an expression: what a condition or a list needs. */
export function expressionOf(
  value: string,
  at: number | undefined,
  locals: Locals,
  reading: TextReading,
): ExprCore | undefined {
  return expressionIn(value, at, locals, reading)?.core;
}

export function expressionIn(value: string, at: number | undefined, locals: Locals, reading: TextReading) {
  const [first, ...more] = pieces(value.trim(), reading.holes);
  if (first !== undefined && typeof first !== 'string' && more.length === 0)
    return readExpression(first.expression, holeAt(first.at, at), locals, reading);
  return readExpression(unmarked(value, reading.holes), at, locals, reading);
}
