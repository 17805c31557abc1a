import { describe, expect, test } from 'vitest';
import { component, eachOf, el, given, LatticeError, prop, resolve } from 'zesty-lattice';
import { renderBytes, renderHtml, renderHtmlAsync, streamHtml } from 'zesty-lattice/html';

const fail = (): never => {
  throw new Error('not yours');
};
const throwing = (of: object): never =>
  new Proxy(of, {
    get: fail,
    ownKeys: fail,
    getPrototypeOf: fail,
    has: fail,
    getOwnPropertyDescriptor: fail,
  }) as never;

interface Fruit {
  readonly name: string;
  readonly kg: number;
}
const FruitLine = component('fruit-line', {
  props: { fruit: prop.record<Fruit>(), title: prop.text() },
  template: ({ props }) =>
    el.p({ title: props.title }, props.fruit.name, given(props.fruit.kg, el.b('ripe'))),
});
const FruitList = component('fruit-list', {
  props: { fruits: prop.list<Fruit>() },
  template: ({ props }) =>
    el.ul(
      eachOf(props.fruits, (one) => el.li({ title: one.name }, FruitLine({ fruit: one, title: one.name })), {
        key: (one) => one.name,
      }),
    ),
});
const GroveFacts = component('grove-facts', {
  props: {
    facts: prop.record({ name: prop.text() }).optional(),
    rows: prop.list(prop.number()).fallback([]),
    day: prop.date().optional(),
    page: prop.url().optional(),
  },
  template: ({ props }) =>
    el.p(
      props.facts.name,
      eachOf(props.rows, (row) => el.i(row)),
    ),
});

const revoked = (): never => {
  const { proxy, revoke } = Proxy.revocable([], {});
  revoke();
  return proxy as never;
};

const cases: [string, string, () => ReturnType<typeof FruitList>][] = [
  [
    'a getter in a row',
    'fruit-list',
    () =>
      FruitList({
        fruits: [
          { name: 'Dunlight', kg: 1 },
          {
            get name() {
              return fail();
            },
            kg: 1,
          },
        ],
      }),
  ],
  ['a row that is a proxy', 'fruit-list', () => FruitList({ fruits: [throwing({})] })],
  ['a list that is revoked', '"fruits"', () => FruitList({ fruits: revoked() })],
  ['a list that is a proxy', 'fruit-list', () => FruitList({ fruits: throwing([]) })],
  ['a record that is a proxy', '"facts"', () => GroveFacts({ facts: throwing({}) })],
  [
    'a getter in a record',
    '"facts"',
    () =>
      GroveFacts({
        facts: {
          get name() {
            return fail();
          },
        } as never,
      }),
  ],
  ['a list of a kind', '"rows"', () => GroveFacts({ rows: throwing([1]) })],
  ['a date', '"day"', () => GroveFacts({ day: throwing(new Date()) })],
  ['an address', '"page"', () => GroveFacts({ page: throwing({}) })],
  ['all props', 'grove-facts', () => GroveFacts(throwing({}))],
];
const doors: [string, (use: ReturnType<typeof FruitList>) => unknown][] = [
  ['renderHtml', (use) => renderHtml(use)],
  ['renderHtml as elements', (use) => renderHtml(use, { form: 'elements' })],
  ['renderBytes', (use) => renderBytes(use)],
  ['renderHtmlAsync', (use) => renderHtmlAsync(use)],
  ['streamHtml', (use) => new Response(streamHtml(use)).text()],
];

describe.each(cases)('%s that throws when it is read', (_what, named, make) => {
  test.each(doors)('is a problem from %s', async (_door, work) => {
    // More often than it takes until code is written of it.
    for (let time = 0; time < 7; time++) {
      const thrown = await (async () => work(make()))().catch((error: unknown) => error);
      expect(thrown).toBeInstanceOf(LatticeError);
      const [problem] = (thrown as LatticeError).problems;
      expect(problem?.code).toMatch(/^(prop-invalid|value-failed)$/);
      expect(problem?.message).toMatch(/not yours|revoked/);
      expect(`${problem?.message} ${problem?.where}`).toContain(named);
    }
  });

  test('never comes out of resolve', () => {
    try {
      resolve(make());
    } catch (thrown) {
      expect(thrown).toBeInstanceOf(LatticeError);
    }
  });
});
