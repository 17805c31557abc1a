import { expect, test } from 'vitest';
import {
  compare,
  numberOf,
  ownField,
  plus,
  same,
} from '../../packages/lattice/src/template/expression/operators.js';

const day = (text: string): Date => new Date(text);
const values: readonly unknown[] = [
  0,
  -0,
  1,
  1.5,
  1e-5,
  -3,
  Number.POSITIVE_INFINITY,
  Number.NEGATIVE_INFINITY,
  Number.NaN,
  '',
  'a',
  'b',
  '10',
  '9',
  true,
  false,
  null,
  undefined,
  day('2026-05-01'),
  day('2026-05-02'),
  day('nothing'),
  [],
  {},
  3n,
];
const isMissing = (one: unknown): boolean => one === null || one === undefined;

test('values are the same where JavaScript says so strictly, and where both are missing', () => {
  for (const a of values)
    for (const b of values)
      expect([a, b, same(a, b)]).toEqual([a, b, a === b || (isMissing(a) && isMissing(b))]);
});

test('two numbers, texts or dates have the order that they have in JavaScript; no others have one', () => {
  const operators = {
    '<': [(order: number) => order < 0, (a: never, b: never) => a < b],
    '<=': [(order: number) => order <= 0, (a: never, b: never) => a <= b],
    '>': [(order: number) => order > 0, (a: never, b: never) => a > b],
    '>=': [(order: number) => order >= 0, (a: never, b: never) => a >= b],
  } as const;
  const kindOf = (one: unknown): string => (one instanceof Date ? 'date' : typeof one);
  for (const [name, [holds, natively]] of Object.entries(operators))
    for (const a of values)
      for (const b of values) {
        const isOrdered = kindOf(a) === kindOf(b) && /^(?:number|string|date)$/.test(kindOf(a));
        const wanted = isOrdered && natively(a as never, b as never);
        expect([a, name, b, compare(a, b, holds)]).toEqual([a, name, b, wanted]);
      }
});

test('+ adds numbers, and joins what one text is among', () => {
  expect(plus(1, 2)).toBe(3);
  expect(plus('a', 2)).toBe('a2');
  expect(plus(1e-5, 'a')).toBe('0.00001a');
  expect(plus('a', 3n)).toBe('a3');
  expect(plus(true, 'a')).toBe('truea');
  for (const one of [null, undefined, false]) expect([plus('a', one), plus(one, 'a')]).toEqual(['a', 'a']);
  for (const one of [[], {}, day('2026-05-01'), () => 1]) {
    expect(() => plus('a', one)).toThrow(TypeError);
    expect(() => plus(one, 1)).toThrow(TypeError);
  }
  expect(() => plus(1, null)).toThrow('+ expects numbers, but received a missing value');
  expect(() => plus(true, 1)).toThrow('+ expects numbers, but received true');
  expect(() => plus('a', [])).toThrow('+ joins texts and numbers, but received a list');
  expect(() => plus('a', {})).toThrow('+ joins texts and numbers, but received a record');
});

test('a number is taken, and what is none is refused by name', () => {
  expect(numberOf(3, '-')).toBe(3);
  expect(() => numberOf('x'.repeat(40), '-')).toThrow(
    `- expects numbers, but received the text "${'x'.repeat(30)}"`,
  );
  expect(() => numberOf(undefined, '*')).toThrow('* expects numbers, but received a missing value');
});

class Twig {
  readonly own = 1;
  get made(): number {
    return 2;
  }
  grow(): void {}
}

test.each<[whole: unknown, key: unknown, wanted: unknown]>([
  [{ a: 1 }, 'a', 1],
  [{ a: undefined }, 'a', undefined],
  [{ 3: 'x' }, 3, 'x'],
  [['x', 'y'], 1, 'y'],
  [['x', 'y'], '1', 'y'],
  [['x', 'y'], 'length', 2],
  ['text', 'length', 4],
  ['text', 0, undefined],
  ['text', 'toUpperCase', undefined],
  [{}, 'toString', undefined],
  [{}, '__proto__', undefined],
  [{}, 'constructor', undefined],
  [[], 'map', undefined],
  [[], 0, undefined],
  [{ f: () => 1 }, 'f', undefined],
  [[() => 1], 0, undefined],
  [new Twig(), 'own', 1],
  [new Twig(), 'made', undefined],
  [new Twig(), 'grow', undefined],
  [() => 1, 'name', undefined],
  [null, 'a', undefined],
  [undefined, 'a', undefined],
  [null, 0, undefined],
  [3, 'toFixed', undefined],
  [{ a: 1 }, Symbol.iterator, undefined],
  [{ true: 1 }, true, undefined],
  [{ null: 1 }, null, undefined],
  [JSON.parse('{"__proto__": 5}'), '__proto__', 5],
])('%o has no field but its own: %s', (whole, key, wanted) => {
  expect(ownField(whole, key)).toBe(wanted);
});
