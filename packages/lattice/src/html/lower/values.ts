import { filledCore } from '../../plan/index.js';
import { dev } from '../../problem/index.js';
import { type Core, canFail, describe, ExprCore, type Op, withInputs } from '../../template/index.js';
import { Named } from '../frame.js';
import { deeper, expressionSource, literal, ownerAt, register, type Scope } from './env.js';
import { remember } from './settled.js';
import type { Register } from './steps.js';

/** An expression as one of registers, worked out at once as far as it is constant. */
export function lower(core: Core, at: Scope): Core {
  const { op } = core;
  const { env } = at;
  switch (op.op) {
    case 'prop':
      return env.props[op.index] ?? literal(undefined);
    case 'state':
      return env.state ? new ExprCore({ op: 'field', of: env.state, key: op.name }) : literal(undefined);
    case 'data':
      return env.data ?? literal(undefined);
    case 'local':
      return checked(at.locals.get(op.local) ?? literal(undefined), at);
    case 'event':
      return literal(undefined);
    case 'shared':
      return register(at.lowering.shared(op.name, env));
    case 'filled':
      return filledIn(op, at);
    case 'uid': {
      const start = at.ids[op.depth]?.() ?? literal('');
      return joined(op.label, start, '');
    }
    case 'literal':
      return core;
    case 'outer':
      return lower(op.of, ownerAt(at, op.up));
    case 'any': {
      const list = lower(op.list, at);
      const item = at.lowering.register('item');
      const index = at.lowering.register('index');
      const inside = deeper(
        at,
        [
          [op.item, register(item)],
          [op.item + 1, register(index)],
        ],
        () => literal(''),
      );
      return new ExprCore({ ...op, list, item, of: lower(op.of, inside) });
    }
    default:
      return normalisedCore(
        withInputs(op, (input) => lower(input, at)),
        core,
        at,
      );
  }
}

/** The register that holds a value since it was checked; the value itself where it was not. */
function checked(value: Core, { known }: Scope): Core {
  const source = known.size > 0 ? expressionSource(value) : undefined;
  return (source !== undefined && known.get(source)) || value;
}

/** Text with a changing part in its middle. */
export function joined(before: string, value: Core, after: string): Core {
  if (value.op.op === 'literal') return literal(before + String(value.op.value ?? '') + after);
  return new ExprCore({ op: 'phrase', strings: [before, after], parts: [value] });
}

/** Whether a slot is filled: known where the component is inlined in, else asked of whoever calls. */
function filledIn(op: Extract<Op, { readonly op: 'filled' }>, { env }: Scope): Core {
  const text = env.texts?.[op.index];
  if (text !== undefined) return isGiven(text);
  if (!env.fills) return new ExprCore(op);
  const given = env.fills[op.index];
  if (!given) return literal(false);
  return filledHere(given.fill.data !== undefined || given.fill.block.filled, given.at);
}

/** Whether a register holds something. */
export function isGiven(text: Register): Core {
  return new ExprCore({ op: 'binary', operator: '!=', left: register(text), right: literal(undefined) });
}

/** Whether content comes to anything, where it is written. */
export function filledHere(filled: boolean | Core, at: Scope): Core {
  return lower(filledCore(filled), at);
}

function normalisedCore(op: Op, core: Core, { env }: Scope): Core {
  const simpler = decided(op);
  if (simpler) {
    if (dev && (op.op === 'calc' || op.op === 'call') && simpler.op.op === 'literal')
      remember({
        core: new ExprCore(op),
        source: core instanceof ExprCore ? core.source : undefined,
        value: simpler.op.value,
        component: env.component?.name ?? '',
      });
    return simpler;
  }
  if (op.op === 'written' && !canFail(op.of)) return op.of;
  if (op.op !== 'calc' && op.op !== 'written') return new ExprCore(op);
  return new ExprCore({ ...op, at: new Named(describe(core), env.where) });
}

/** What an operation comes to, where its inputs say so already. */
function decided(op: Op): Core | undefined {
  switch (op.op) {
    case 'choice':
      if (op.test.op.op === 'literal') return op.test.op.value ? op.holds : op.otherwise;
      return undefined;
    case 'binary': {
      if (op.left.op.op !== 'literal') return undefined;
      const { value } = op.left.op;
      if (op.operator === 'or') return value ? op.left : op.right;
      if (op.operator === 'and') return value ? op.right : op.left;
      if (op.operator === '??') return value === null || value === undefined ? op.right : op.left;
      return worked(op, [op.right]);
    }
    case 'field':
    case 'unary':
    case 'written':
    case 'read':
    case 'something':
    case 'full':
      return worked(op, [op.of]);
    case 'member':
      return worked(op, [op.of, op.key]);
    case 'phrase':
      return worked(op, op.parts);
    case 'calc':
      return op.inputs.length === 0 ? undefined : worked(op, op.inputs);
    case 'call':
      return op.args.length === 0 ? undefined : worked(op, op.args);
    default:
      return undefined;
  }
}

/** The constant that an operation of constants comes to. What fails is left to fail where it is shown. */
function worked(op: Op, inputs: readonly Core[]): Core | undefined {
  if (!inputs.every((input) => input.op.op === 'literal')) return undefined;
  try {
    return literal(new ExprCore(op).get({} as never));
  } catch {
    return undefined;
  }
}
