import { finding, LatticeError, placed, reasonOf } from '../../problem/index.js';
import { isFilled, isFull, isSomething, ownerOf, pathOf } from '../scope.js';
import { describe } from './describe.js';
import { compare, numberOf, ownField, plus, same } from './operators.js';
import { type BinaryOperator, byOp, type Get, type Op, type OpTable, type Whereabouts } from './ops.js';

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
  data: () => (scope) => scope.data,
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
    if (key.op.op !== 'literal') return (scope) => ownField(get(scope), key.get(scope));
    const name = key.op.value;
    if (typeof name !== 'string' || name in Object.prototype) return (scope) => ownField(get(scope), name);
    return (scope) => {
      const whole = get(scope);
      // In most data the field is the record's own, if it has one.
      if (typeof whole !== 'object' || whole === null || Object.getPrototypeOf(whole) !== Object.prototype)
        return ownField(whole, name);
      const value = (whole as Readonly<Record<string, unknown>>)[name];
      return typeof value === 'function' ? undefined : value;
    };
  },
  calc: (op) =>
    calculated(
      op.inputs.map(({ get }) => get),
      op.compute,
      () => op.at?.name ?? describe({ op }),
      op.at,
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
  record:
    ({ items, keys }) =>
    (scope) =>
      Object.fromEntries(keys.map((key, at) => [key, items[at]?.get(scope)])),
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
  written: ({ text, of, at }) => guarded(of.get, () => text, at),
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
  any: ({ list, item, of, isEach }) => anyRow(list.get, item, of.get, isEach),
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

/** How to know whether something holds for any row of a list; with `isEach` how to have what it comes to for each. */
export function anyRow(list: Get, item: number, holds: Get, isEach?: true): Get {
  return (scope) => {
    const items = list(scope);
    if (!Array.isArray(items)) return isEach ? [] : false;
    const { locals = [] } = scope;
    Object.assign(scope, { locals });
    const [itemBefore, indexBefore] = [locals[item], locals[item + 1]];
    const found = items[isEach ? 'map' : 'some']((one, index) => {
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
  at?: Whereabouts,
): Get {
  const work = compute as (...values: unknown[]) => unknown;
  const [first] = getters;
  return guarded(
    first && getters.length === 1
      ? (scope) => work(first(scope))
      : (scope) => work(...getters.map((get) => get(scope))),
    name,
    at,
  );
}

/** What fails is reported by its name, with the path of components down to it. */
export function guarded(get: Get, name: () => string, at?: Whereabouts): Get {
  return (scope) => {
    try {
      return get(scope);
    } catch (thrown) {
      throw failedValue(thrown, name(), at ? at.path(scope) : pathOf(scope));
    }
  };
}

/** What is thrown where a value could not be worked out: its name, the path to it, and what was thrown. */
export function failedValue(thrown: unknown, name: string, where: string): unknown {
  if (thrown instanceof LatticeError) return thrown;
  const reason = reasonOf(thrown);
  return new LatticeError([placed(finding('value-failed', { name, reason }), where)], {
    cause: thrown,
  });
}
