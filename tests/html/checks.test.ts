import fc from 'fast-check';
import { expect, test } from 'vitest';
import { component, eachOf, el, type Kind, prop } from 'zesty-lattice';
import { renderHtml } from 'zesty-lattice/html';
import { runsOf } from '../support/runs.js';

// Lists and records are checked by code, or by a quick test: both take what the kind itself takes, and nothing else.

const fields = {
  name: prop.text(),
  crates: prop.number(),
  rare: prop.flag(),
  season: prop.choice(['early', 'late']).optional(),
  url: prop.url().fallback('/'),
  tags: prop.list(prop.text()).optional(),
  'a b': prop.record({ n: prop.number() }).optional(),
  any: prop.list().optional(),
};
const kinds: readonly (readonly [string, Kind<never, never>])[] = [
  ['a list of records', prop.list(prop.record(fields)) as never],
  ['a list with a test', prop.list(prop.number().where((n) => n > 1, 'has to be more')) as never],
  ['records that may hold more', prop.list(prop.record({ name: prop.text() }, { more: true })) as never],
];
const value = fc.oneof(
  fc.constantFrom(
    'early',
    'late',
    '/a',
    'javascript:x',
    1,
    2,
    Number.NaN,
    true,
    null,
    undefined,
    [],
    ['a'],
    { n: 1 },
    [[]],
  ),
  fc.string({ maxLength: 3 }),
);
const record = fc.record(
  {
    name: fc.oneof({ weight: 9, arbitrary: fc.string({ maxLength: 3 }) }, value),
    crates: fc.oneof({ weight: 9, arbitrary: fc.integer() }, value),
    rare: fc.oneof({ weight: 9, arbitrary: fc.boolean() }, value),
    season: value,
    url: value,
    tags: value,
    'a b': value,
    any: value,
    other: value,
  },
  { requiredKeys: ['name'] },
);
class Holder {
  name = 'own';
  get crates(): number {
    return 1;
  }
}
const lists = fc.oneof(
  fc.array(fc.oneof({ weight: 5, arbitrary: record }, value), { maxLength: 4 }),
  fc.constantFrom(
    [new Holder()],
    [Object.create({ name: 'x', crates: 1, rare: true })],
    [{ name: 'x', crates: 1, rare: true, __proto__: null }],
  ),
  value,
);

test.each(kinds)('%s', (name, kind) => {
  const Page = component('checked-page', {
    props: { rows: kind },
    template: ({ props }) => el.ul(eachOf(props.rows as readonly object[], () => el.li())),
  });
  const takes = (given: unknown): boolean => {
    try {
      renderHtml(Page({ rows: given as never }));
      return true;
    } catch {
      return false;
    }
  };
  fc.assert(
    fc.property(lists, (given) => {
      const fits = given !== undefined && kind.rule.accepts(given);
      // By the first way, which a new component has, and as code, which one has that was rendered often.
      expect(takes(given)).toBe(fits);
    }),
    runsOf(name, 30_000),
  );
});
