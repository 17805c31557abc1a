import fc from 'fast-check';
import { expect, test } from 'vitest';
import { component, LatticeError } from 'zesty-lattice';
import { componentCore } from '../../packages/lattice/src/component/index.js';
import { any } from '../../packages/lattice/src/component/kinds/any.js';
import { coreCode } from '../../packages/lattice/src/elements/code/expressions.js';
import { Writer } from '../../packages/lattice/src/elements/code/writer.js';
import * as runtime from '../../packages/lattice/src/elements/runtime/index.js';
import { planOf } from '../../packages/lattice/src/plan/index.js';
import type { Scope } from '../../packages/lattice/src/template/index.js';
import { runsOf } from '../support/runs.js';
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
const names = Object.keys(values);
const scope = { name: 'a-b', props: Object.values(values), locals: [], fills: [] } as unknown as Scope;

/** What work comes to: its value, or the message of what it throws. */
function outcome(work: () => unknown): unknown {
  try {
    return { value: work() };
  } catch (thrown) {
    return { thrown: (thrown as Error).message };
  }
}

/** The same expression of a template text worked out as it is planned, and as the code that a build writes of it. */
function both(text: string): readonly [read: unknown, written: unknown, code: string] {
  const made = component('a-b', {
    props: Object.fromEntries(names.map((name) => [name, any().optional()])),
    helpers,
    template: `{{ ${text} }}`,
  });
  const core = componentCore(made);
  if (!core) throw new Error('no component');
  const [node] = planOf(core).content.nodes;
  if (node?.kind !== 'value') return [undefined, undefined, 'constant'];
  const theirs: unknown[] = [];
  const none = (): undefined => undefined;
  const to = new Writer({
    closure: () => 'undefined',
    helper: (_component, _name, compute) => `theirs[${theirs.push(compute) - 1}]`,
    part: none,
    isWorkedOut: () => false,
    value: () => undefined,
    component: none,
    scopedSheet: none,
    htmlFault: none,
  });
  const code = coreCode(node.value, to);
  const used = [...to.names];
  const make = new Function(
    'theirs',
    ...used.map((name) => `$lattice_${name}`),
    `${to.lines.join(' ')} return (s) => ${code}`,
  );
  const written = make(theirs, ...used.map((name) => (runtime as Record<string, unknown>)[name]));
  return [outcome(() => node.value.get(scope)), outcome(() => written(scope)), code];
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

test('random expressions come to the same as code', () => {
  let sound = 0;
  fc.assert(
    fc.property(soundExpression, (text) => {
      try {
        const [read, written, code] = both(text);
        expect(written, code).toEqual(read);
        if (read && 'value' in (read as object)) sound++;
      } catch (thrown) {
        // What is known to be wrong as it is read is reported then.
        if (!(thrown instanceof LatticeError)) throw thrown;
      }
    }),
    runsOf('expressions as code', 4000),
  );
  expect(sound).toBeGreaterThan(80);
});
