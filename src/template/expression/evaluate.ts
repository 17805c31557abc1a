import { finding, LatticeError, placed } from '../../problem/index.js';
import { isFilled, isFull, isSomething, ownerOf, pathOf, type Scope } from '../scope.js';
import { compare, numberOf, ownField, plus, same } from './operators.js';
import { type BinaryOperator, byOp, type Core, type Get, type Op, type OpTable } from './ops.js';

/** How to have the value of an operation. */
export function getterOf(op: Op): Get {
  return byOp(getters, op);
}

const getters: OpTable<Get> = {
  prop: ({ index }) => (index < 0 ? () => undefined : (scope) => scope.props[index]),
  state:
    ({ name }) =>
    (scope) =>
      scope.state?.[name],
  local:
    ({ local }) =>
    (scope) =>
      scope.locals[local],
  event: () => (scope) => scope.event,
  shared:
    ({ name }) =>
    (scope) =>
      scope.shared?.get(name),
  filled:
    ({ index }) =>
    (scope) =>
      isFilled(scope, index),
  uid:
    ({ label, depth }) =>
    (scope) =>
      label + (scope.at?.[depth] ?? ''),
  literal:
    ({ value }) =>
    () =>
      value,
  field: ({ of, key }) => {
    if (of.op.op === 'local') {
      const { local } = of.op;
      return (scope) => (scope.locals[local] as Whole)?.[key];
    }
    const { get } = of;
    return (scope) => (get(scope) as Whole)?.[key];
  },
  member: ({ of, key }) => {
    const { get } = of;
    if (key.op.op === 'literal') {
      const name = key.op.value;
      return (scope) => ownField(get(scope), name);
    }
    return (scope) => ownField(get(scope), key.get(scope));
  },
  calc: (op) =>
    calculated(
      op.inputs.map(({ get }) => get),
      op.compute,
      () => describe({ op }),
    ),
  call: ({ args: [first, ...more], compute }) => {
    if (!first) return () => compute();
    if (more.length === 0) return (scope) => compute(first.get(scope));
    const all = [first, ...more];
    return (scope) => compute(...all.map(({ get }) => get(scope)));
  },
  phrase: ({ strings, parts }) => {
    const [before = '', after = ''] = strings;
    const [first] = parts;
    if (first && parts.length === 1) return (scope) => before + plainText(first.get(scope)) + after;
    return (scope) => {
      let text = before;
      for (let at = 0; at < parts.length; at++)
        text += plainText(parts[at]?.get(scope)) + (strings[at + 1] ?? '');
      return text;
    };
  },
  list:
    ({ items }) =>
    (scope) =>
      items.map(({ get }) => get(scope)),
  unary: ({ operator, of: { get } }) => {
    if (operator === 'not') return (scope) => !get(scope);
    const sign = operator === '-' ? -1 : 1;
    return (scope) => sign * numberOf(get(scope), operator);
  },
  binary: ({ operator, left, right }) => binary(operator, left.get, right.get),
  choice:
    ({ test, holds, otherwise }) =>
    (scope) =>
      test.get(scope) ? holds.get(scope) : otherwise.get(scope),
  written: ({ text, of }) => guarded(of.get, () => text),
  read:
    ({ of: { get }, read }) =>
    (scope) =>
      read(String(get(scope))),
  outer:
    ({ of: { get }, up }) =>
    (scope) =>
      get(ownerOf(scope, up)),
  something:
    ({ of: { get } }) =>
    (scope) =>
      isSomething(get(scope)),
  full:
    ({ of: { get } }) =>
    (scope) =>
      isFull(get(scope)),
  any: ({ list, item, of }) => anyRow(list.get, item, of.get),
};

type Whole = Readonly<Record<string, unknown>> | null | undefined;

function binary(operator: BinaryOperator, left: Get, right: Get): Get {
  switch (operator) {
    case '??':
      return (scope) => left(scope) ?? right(scope);
    case 'or':
      return (scope) => left(scope) || right(scope);
    case 'and':
      return (scope) => left(scope) && right(scope);
    case '==':
      return (scope) => same(left(scope), right(scope));
    case '!=':
      return (scope) => !same(left(scope), right(scope));
    case '<':
      return (scope) => compare(left(scope), right(scope), (order) => order < 0);
    case '<=':
      return (scope) => compare(left(scope), right(scope), (order) => order <= 0);
    case '>':
      return (scope) => compare(left(scope), right(scope), (order) => order > 0);
    case '>=':
      return (scope) => compare(left(scope), right(scope), (order) => order >= 0);
    case '+':
      return (scope) => plus(left(scope), right(scope));
    case '-':
      return (scope) => numberOf(left(scope), '-') - numberOf(right(scope), '-');
    case '*':
      return (scope) => numberOf(left(scope), '*') * numberOf(right(scope), '*');
    case '/':
      return (scope) => numberOf(left(scope), '/') / numberOf(right(scope), '/');
    case '%':
      return (scope) => numberOf(left(scope), '%') % numberOf(right(scope), '%');
  }
}

/** How to know whether something holds for any row of a list. */
export function anyRow(list: Get, item: number, holds: Get): Get {
  return (scope) => {
    const items = list(scope);
    if (!Array.isArray(items)) return false;
    const { locals } = scope;
    const [itemBefore, indexBefore] = [locals[item], locals[item + 1]];
    const found = items.some((one, index) => {
      locals[item] = one;
      locals[item + 1] = index;
      return holds(scope);
    });
    locals[item] = itemBefore;
    locals[item + 1] = indexBefore;
    return found;
  };
}

/** A value as a phrase writes it: missing ones are nothing. */
export function plainText(value: unknown): string {
  if (typeof value === 'string') return value;
  return value === null || value === undefined || value === false ? '' : String(value);
}

/** How to have a value that an author's function works out from others. */
export function calculated(
  getters: readonly Get[],
  compute: (...values: never[]) => unknown,
  name: () => string,
): Get {
  const work = compute as (...values: unknown[]) => unknown;
  const [first] = getters;
  return guarded(
    first && getters.length === 1
      ? (scope) => work(first(scope))
      : (scope) => work(...getters.map((get) => get(scope))),
    name,
  );
}

/** What fails is told by its name, with the path of components down to it. */
export function guarded(get: Get, name: () => string): Get {
  return (scope) => {
    try {
      return get(scope);
    } catch (thrown) {
      throw failed(thrown, name(), scope);
    }
  };
}

function failed(thrown: unknown, name: string, scope: Scope): unknown {
  if (thrown instanceof LatticeError) return thrown;
  const reason = thrown instanceof Error ? thrown.message : String(thrown);
  return new LatticeError([placed(finding('value-failed', { name, reason }), pathOf(scope))], {
    cause: thrown,
  });
}

/** An expression as a person would write it: `props.title`, `variety.name`, `calc(props.crates)`. */
export function describe(core: Pick<Core, 'op'>): string {
  return byOp(words, core.op);
}

const words: OpTable<string> = {
  prop: ({ name }) => `props.${name}`,
  state: ({ name }) => `state.${name}`,
  local: ({ label }) => label,
  event: () => 'event',
  shared: ({ name }) => `shared ${name}`,
  filled: ({ slot }) => `slots.${slot}.filled`,
  uid: ({ label }) => `uid('${label}')`,
  literal: ({ value }) => JSON.stringify(value) ?? String(value),
  field: ({ of, key }) => `${describe(of)}.${key}`,
  member: ({ of, key }) =>
    key.op.op === 'literal' ? `${describe(of)}.${String(key.op.value)}` : `${describe(of)}[${describe(key)}]`,
  calc: ({ inputs }) => `calc(${inputs.map(describe).join(', ')})`,
  call: ({ name, args }) => `${name}(${args.map(describe).join(', ')})`,
  phrase: ({ strings, parts }) =>
    `phrase\`${strings.map((text, at) => text + (parts[at] ? `\${${describe(parts[at])}}` : '')).join('')}\``,
  list: ({ items }) => `[${items.map(describe).join(', ')}]`,
  unary: ({ operator, of }) => `${operator} ${describe(of)}`,
  binary: ({ operator, left, right }) => `${describe(left)} ${operator} ${describe(right)}`,
  choice: ({ test, holds, otherwise }) => `${describe(test)} ? ${describe(holds)} : ${describe(otherwise)}`,
  written: ({ text }) => text,
  read: ({ of }) => describe(of),
  outer: ({ of }) => describe(of),
  something: ({ of }) => describe(of),
  full: ({ of }) => describe(of),
  any: ({ list }) => describe(list),
};

/** The expressions that one is made from, directly. */
export function inputsOf(core: Pick<Core, 'op'>): readonly Core[] {
  return byOp(inputs, core.op);
}

const none: readonly Core[] = [];
const inputs: OpTable<readonly Core[]> = {
  prop: () => none,
  state: () => none,
  local: () => none,
  event: () => none,
  shared: () => none,
  filled: () => none,
  uid: () => none,
  literal: () => none,
  field: ({ of }) => [of],
  member: ({ of, key }) => [of, key],
  calc: (op) => op.inputs,
  call: ({ args }) => args,
  phrase: ({ parts }) => parts,
  list: ({ items }) => items,
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
      return { ...op, items: op.items.map(map) };
    case 'binary':
      return { ...op, left: map(op.left), right: map(op.right) };
    case 'choice':
      return { ...op, test: map(op.test), holds: map(op.holds), otherwise: map(op.otherwise) };
    case 'any':
      return { ...op, list: map(op.list), of: map(op.of) };
    default:
      return op;
  }
}

/** Whether an expression gives something new each time it is asked, such as the time of day. */
export function isAnew({ op }: Core): boolean {
  return (op.op === 'calc' && op.inputs.length === 0) || (op.op === 'call' && op.args.length === 0);
}
