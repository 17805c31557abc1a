import { nearestOr } from '../../problem/index.js';
import { type ExprCore, worked } from '../../template/index.js';
import { evaluator, namesIn, visit } from '../expression/evaluate.js';
import { parseExpression } from '../expression/parse.js';
import { ExpressionFault, type ExpressionTree } from '../expression/tree.js';
import type { Locals } from './names.js';
import type { TextReading } from './reading.js';

/** A parsed expression whose names are known. */
export interface Bound {
  readonly core: ExprCore;
  /** Set where the expression is a value written out, such as `3` or `'text'`. */
  readonly constant: unknown;
  readonly isConstant: boolean;
}

/**
 * Reads an expression and binds its names. What is wrong is told, with its place where `at` is known; the
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

/** Does work on an expression; a fault in it is told, and the work comes to nothing. */
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
  const inputs = new Map<string, ExprCore>();
  let isSound = true;
  const fail = (what: string, name: string, hint: string, offset: number): void => {
    isSound = false;
    reading.report('name-unknown', { what, name, hint }, at === undefined ? undefined : at + offset);
  };
  const known = guarded(() => rooted(tree, locals, reading, inputs, fail), text, at, reading);
  if (!known) return undefined;
  for (const { name, at: offset } of namesIn(known)) {
    if (inputs.has(name)) continue;
    const meaning = reading.names.meaning(name, locals);
    if ('core' in meaning) inputs.set(name, meaning.core);
    else fail(meaning.what, name, meaning.hint, offset);
  }
  checkCalls(known, reading, fail);
  if (!isSound) return undefined;
  if (known.kind === 'literal')
    return { core: constant(known.value, text, known, reading), constant: known.value, isConstant: true };
  const alone = known.kind === 'name' ? inputs.get(known.name) : undefined;
  if (alone) return { core: alone, constant: undefined, isConstant: false };
  const order = [...inputs.keys()];
  const slotOf = (name: string): number | undefined => (order.length === 1 ? undefined : order.indexOf(name));
  const evaluate = evaluator(known, slotOf, reading.component.helpers);
  const cores = [...inputs.values()];
  if (cores.length === 0) {
    const value = evaluate([]);
    return { core: constant(value, text, known, reading), constant: value, isConstant: true };
  }
  const core = worked(
    cores.map((one) => one.face),
    cores.length === 1 ? evaluate : (...values) => evaluate(values),
    text.trim(),
    { tree: known, names: order, component: reading.component.name },
  );
  return { core, constant: undefined, isConstant: false };
}

function constant(value: unknown, text: string, tree: ExpressionTree, { component }: TextReading): ExprCore {
  return worked([value], () => value, text.trim(), { tree, names: [''], component: component.name });
}

type Fail = (what: string, name: string, hint: string, offset: number) => void;

/** Puts one name in the place of each path that starts with a word of its own, and of each id that is asked for. */
function rooted(
  tree: ExpressionTree,
  locals: Locals,
  reading: TextReading,
  inputs: Map<string, ExprCore>,
  fail: Fail,
): ExpressionTree {
  const again = (part: ExpressionTree): ExpressionTree => rooted(part, locals, reading, inputs, fail);
  const named = (name: string, core: ExprCore): ExpressionTree => {
    inputs.set(name, core);
    return { kind: 'name', name, at: tree.at };
  };
  const found = tree.kind === 'field' ? reading.names.rooted(tree, locals) : undefined;
  if (found) {
    if ('core' in found.meaning) return named(`path ${inputs.size}`, found.meaning.core);
    fail(found.meaning.what, found.meaning.name, found.meaning.hint, found.at);
    return { kind: 'literal', value: null, at: tree.at };
  }
  switch (tree.kind) {
    case 'call': {
      const [label] = tree.args;
      if (tree.name !== 'uid' || Object.hasOwn(reading.component.helpers, 'uid')) {
        const helper = Object.hasOwn(reading.component.helpers, tree.name)
          ? (reading.component.helpers[tree.name] as () => unknown)
          : undefined;
        // One that is handed nothing, such as the time of day, is asked anew at each rendering.
        if (helper && tree.args.length === 0)
          return named(
            `call ${tree.name}`,
            worked([], () => helper(), `${tree.name}()`, {
              tree: { ...tree, args: [] },
              names: [],
              component: reading.component.name,
            }),
          );
        return { ...tree, args: tree.args.map(again) };
      }
      const core =
        tree.args.length === 1 && label?.kind === 'literal' && typeof label.value === 'string'
          ? reading.names.uid(label.value)
          : undefined;
      if (core) return named(`uid ${String(label?.kind === 'literal' && label.value)}`, core);
      throw new ExpressionFault('asks for an id without its label', tree.at, "Write uid('panel').");
    }
    case 'field':
      return { ...tree, of: again(tree.of), key: again(tree.key) };
    case 'list':
      return { ...tree, items: tree.items.map(again) };
    case 'unary':
      return { ...tree, of: again(tree.of) };
    case 'binary':
      return { ...tree, left: again(tree.left), right: again(tree.right) };
    case 'choice':
      return { ...tree, test: again(tree.test), holds: again(tree.holds), otherwise: again(tree.otherwise) };
    default:
      return tree;
  }
}

function checkCalls(tree: ExpressionTree, { component }: TextReading, fail: Fail): void {
  const names = Object.keys(component.helpers);
  visit(tree, (part) => {
    if (part.kind !== 'call' || component.takesAnyName || Object.hasOwn(component.helpers, part.name)) return;
    const hint = nearestOr(part.name, names, `Declare it: helpers: { ${part.name}: (value) => … }.`);
    fail('helper', part.name, hint, part.at);
  });
}
