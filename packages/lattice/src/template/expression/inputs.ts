import { byOp, type Core, type Op, type OpTable } from './ops.js';

/** The expressions that one is made from, directly. */
export function inputsOf(core: Pick<Core, 'op'>): readonly Core[] {
  return byOp(inputs, core.op);
}

const noInputs: readonly Core[] = [];
const inputs: OpTable<readonly Core[]> = {
  prop: () => noInputs,
  state: () => noInputs,
  local: () => noInputs,
  event: () => noInputs,
  data: () => noInputs,
  shared: () => noInputs,
  filled: () => noInputs,
  uid: () => noInputs,
  literal: () => noInputs,
  field: ({ of }) => [of],
  member: ({ of, key }) => [of, key],
  calc: (op) => op.inputs,
  call: ({ args }) => args,
  phrase: ({ parts }) => parts,
  list: ({ items }) => items,
  record: ({ items }) => items,
  unary: ({ of }) => [of],
  binary: ({ left, right }) => [left, right],
  choice: ({ test, holds, otherwise }) => [test, holds, otherwise],
  written: ({ of }) => [of],
  read: ({ of }) => [of],
  outer: ({ of }) => [of],
  something: ({ of }) => [of],
  full: ({ of }) => [of],
  any: ({ list, of }) => [list, of],
};

/** The same operation with other inputs. */
export function withInputs(op: Op, map: (input: Core) => Core): Op {
  switch (op.op) {
    case 'field':
    case 'unary':
    case 'written':
    case 'read':
    case 'outer':
    case 'something':
    case 'full':
      return { ...op, of: map(op.of) };
    case 'member':
      return { ...op, of: map(op.of), key: map(op.key) };
    case 'calc':
      return { ...op, inputs: op.inputs.map(map) };
    case 'call':
      return { ...op, args: op.args.map(map) };
    case 'phrase':
      return { ...op, parts: op.parts.map(map) };
    case 'list':
    case 'record':
      return { ...op, items: op.items.map(map) };
    case 'binary':
      return { ...op, left: map(op.left), right: map(op.right) };
    case 'choice':
      return { ...op, test: map(op.test), holds: map(op.holds), otherwise: map(op.otherwise) };
    case 'any':
      return { ...op, list: map(op.list), of: map(op.of) };
    case 'prop':
    case 'state':
    case 'local':
    case 'event':
    case 'data':
    case 'shared':
    case 'filled':
    case 'uid':
    case 'literal':
      return op;
  }
}

/** What an operation reads by itself, whatever its inputs are. */
type Reading = 'scope' | 'author' | undefined;

/** Of the scope (a prop, a field of the state, a local), or whatever a function of the author makes of its inputs. */
const reading: { readonly [Kind in Op['op']]: Reading } = {
  prop: 'scope',
  state: 'scope',
  local: 'scope',
  event: 'scope',
  data: 'scope',
  shared: 'scope',
  filled: 'scope',
  uid: 'scope',
  outer: 'scope',
  calc: 'author',
  call: 'author',
  literal: undefined,
  field: undefined,
  member: undefined,
  phrase: undefined,
  list: undefined,
  record: undefined,
  unary: undefined,
  binary: undefined,
  choice: undefined,
  written: undefined,
  read: undefined,
  something: undefined,
  full: undefined,
  any: undefined,
};

/** Returns what an operation reads by itself. */
export function readingOf({ op }: Core): Reading {
  return reading[op.op];
}

/** Whether an expression gives something new each time it is asked, such as the time of day. */
export function isAnew({ op }: Core): boolean {
  return (op.op === 'calc' && op.inputs.length === 0) || (op.op === 'call' && op.args.length === 0);
}
