import fc from 'fast-check';
import { expect, test } from 'vitest';
import { expressionCode } from '../../src/ahead/expression-code.js';
import * as live from '../../src/elements/live/index.js';
import { evaluator, namesIn } from '../../src/markup/expression/evaluate.js';
import { parseExpression } from '../../src/markup/expression/parse.js';
import { soundExpression } from './random-expressions.js';

const helpers = { both: (a: unknown, b: unknown) => `${a}&${b}` };
const values: Readonly<Record<string, unknown>> = {
  title: 'Dunlight',
  crates: 4,
  rare: true,
  none: undefined,
  item: { name: 'x', deep: { er: [1, 2, 3] }, call: () => 'called' },
  items: ['a', 'b'],
  day: new Date(0),
};

/** What work comes to: its value, or the message of what it throws. */
function outcome(work: () => unknown): unknown {
  try {
    return { value: work() };
  } catch (thrown) {
    return { thrown: (thrown as Error).message };
  }
}

/** The same expression worked out by the page's reader, and as the code that a build writes. */
function both(text: string): readonly [read: unknown, written: unknown, code: string] {
  const tree = parseExpression(text);
  const names = namesIn(tree).map(({ name }) => name);
  const given = names.map((name) => values[name]);
  const evaluate = evaluator(tree, (name) => names.indexOf(name), helpers);
  const code = expressionCode(
    { tree, names, component: 'a-b' },
    { name: (name) => `live.${name}`, helper: (name) => `helpers.${name}` },
  );
  const written = new Function('live', 'helpers', `return ${code}`)(live, helpers) as (
    ...all: unknown[]
  ) => unknown;
  return [outcome(() => evaluate(given)), outcome(() => written(...given)), code];
}

test.each([
  ['crates + 1', 5],
  ['-crates * 2 - -1', -7],
  ['title + " " + crates', 'Dunlight 4'],
  ['crates > 3 and not (crates == 5)', true],
  ['none ?? "nothing"', 'nothing'],
  ['item.deep.er[1]', 2],
  ['item.call', undefined],
  ['title.constructor', undefined],
  ['rare ? both(title, crates) : null', 'Dunlight&4'],
])('%s is the same as code', (text, value) => {
  const [read, written] = both(text);
  expect(written).toEqual({ value });
  expect(read).toEqual({ value });
});

test('4,000 random expressions come to the same as code', () => {
  let sound = 0;
  fc.assert(
    fc.property(soundExpression, (text) => {
      const [read, written, code] = both(text);
      expect(written, code).toEqual(read);
      if ('value' in (read as object)) sound++;
    }),
    { numRuns: 4000, seed: 20261123 },
  );
  expect(sound).toBeGreaterThan(1000);
});
