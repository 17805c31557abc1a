import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { afterAll, describe, expect, test } from 'vitest';
import { component, el, prop, slot } from 'zesty-lattice';
import { check } from 'zesty-lattice-tools/check';
import { componentCore } from '../../packages/lattice/src/component/index.js';
import { typeProblems } from '../../packages/tools/src/check/types.js';
import { latticeProcess, root } from '../cli/lattice.js';

const Variety = prop.record({
  name: prop.text(),
  crates: prop.number().optional(),
  season: prop.choice(['early', 'late']),
  tags: prop.list(prop.text()),
});

const anything = {
  '~standard': { version: 1, vendor: 'orchard', validate: (value: unknown) => ({ value }) },
} as const;

/** Takes each kind of value. */
const Taker = component('kind-taker', {
  props: {
    text: prop.text().optional(),
    needed: prop.text().fallback(''),
    number: prop.number().fallback(0),
    flag: prop.flag(),
    season: prop.choice(['early', 'late']).fallback('early'),
    when: prop.date().optional(),
    link: prop.url().optional(),
    names: prop.list(prop.text()).optional(),
    variety: Variety.optional(),
    varieties: prop.list(Variety).optional(),
    must: prop.text().optional(),
    any: prop.schema(anything).optional(),
  },
  slots: { default: slot(), row: slot.with(prop.record({ title: prop.text() })) },
  template: ({ slots, props }) =>
    el.div(slots.default(), slots.row({ title: 'x' }), el.b(Object.keys(props).length)),
});
const Needer = component('text-needer', {
  props: { text: prop.text() },
  template: ({ props }) => el.p(props.text),
});

/** What is reported a template whose component has props of every kind. */
function reported(template: string): readonly string[] {
  const one = component('grove-page', {
    props: {
      title: prop.text(),
      note: prop.text().optional(),
      count: prop.number(),
      open: prop.flag(),
      season: prop.choice(['early', 'late']),
      part: prop.choice(['early', 'noon']),
      when: prop.date(),
      variety: Variety,
      varieties: prop.list(Variety),
      items: prop.list(prop.number()),
      free: prop.list<{ name: string }>(),
      link: prop.url(),
    },
    state: () => ({ seen: 0 }),
    helpers: { price: (cents: number) => `${cents}` },
    uses: [Taker, Needer],
    template,
  });
  const core = componentCore(one);
  return core
    ? typeProblems(core).map(({ message }) => message.replace(/^The prop "\w+" of [\w-]+ /, ''))
    : [];
}

describe('what a text hands to props is compared with their kinds', () => {
  test.each([
    ['number="{{ title }}"', 'accepts a number, but receives title, which is text.'],
    ['text="{{ count }}"', 'accepts text, but receives count, which is a number.'],
    ['flag="{{ title }}"', 'accepts true or false, but receives title, which is text.'],
    ['season="{{ title }}"', 'accepts one of "early", "late", but receives title, which may be any text.'],
    ['season="{{ part }}"', 'accepts one of "early", "late", but receives part, which may be "noon".'],
    ["season=\"{{ open ? 'early' : 'lat' }}\"", 'which may be "lat".'],
    ['needed="{{ variety.crates }}"', 'which may be a number.'],
    ['number="{{ variety.crates }}"', ''],
    ['number="{{ variety.name }}"', 'receives variety.name, which is text.'],
    ['number="{{ varieties[0].crates }}"', ''],
    ['when="{{ title }}"', 'but receives title, which is text.'],
    ['names="{{ items }}"', 'but receives items, which is a list of something else.'],
    ['names="{{ variety.tags }}"', ''],
    ['names="{{ free }}"', ''],
    ['variety="{{ variety }}" varieties="{{ varieties }}"', ''],
    ['variety="{{ varieties }}"', 'which is a list of something else.'],
    ['number="{{ count + 1 }}" text="{{ count + title }}" link="{{ link }}"', ''],
    ['text="{{ count * 2 }}"', 'but receives count * 2, which is a number.'],
    ['text="{{ open and title }}"', 'but receives open and title, which may be true or false.'],
    ['text="{{ note ?? title }}" flag="{{ count > 2 }}" number="{{ -count }}"', ''],
    ['text="{{ open ? title : null }}"', 'which may be null.'],
    ['text="x {{ count }}" number="{{ price(count) }}" flag="{{ seen }}" any="{{ title }}"', ''],
    ['names="{{ variety.name.length }}"', ''],
  ])('%s', (attributes, message) => {
    const found = reported(`<kind-taker ${attributes}></kind-taker>`);
    if (message === '') expect(found).toEqual([]);
    else expect(found).toEqual([expect.stringContaining(message)]);
  });

  test.each([
    [
      'what may be missing is told',
      '<text-needer text="{{ note }}"></text-needer>',
      ['which may be nothing'],
    ],
    [
      'save under its condition',
      '<template given="note"><text-needer text="{{ note }}"></text-needer></template>',
      [],
    ],
    [
      'and under one with more to it',
      '<template given="open and note"><text-needer text="{{ note }}"></text-needer></template><template otherwise><text-needer text="{{ note }}"></text-needer></template>',
      ['which may be nothing'],
    ],
    ['or where it says what then', `<text-needer text="{{ note ?? '–' }}"></text-needer>`, []],
    ['or where it is asked for', `<text-needer text="{{ note ? note : 'none' }}"></text-needer>`, []],
    [
      'rows have the kind of the list',
      '<template each-of="varieties" as="one"><kind-taker number="{{ one.name }}" season="{{ one.season }}"></kind-taker></template>',
      ['receives one.name, which is text'],
    ],
    [
      'and their number',
      '<template each-of="varieties" as="one" index="at"><text-needer text="{{ at }}"></text-needer></template>',
      ['which is a number'],
    ],
    [
      'rows of a list without a kind may be anything',
      '<template each-of="free" as="one"><kind-taker number="{{ one.name }}"></kind-taker></template>',
      [],
    ],
    [
      'what a slot hands over has its kind',
      '<kind-taker><template slot="row" as="row"><kind-taker number="{{ row.title }}"></kind-taker></template></kind-taker>',
      ['receives row.title, which is text'],
    ],
    [
      'content of a use is looked at',
      '<kind-taker><b><text-needer text="{{ count }}"></text-needer></b></kind-taker>',
      ['which is a number'],
    ],
  ])('%s', (_what, template, messages) => {
    expect(reported(template)).toEqual(messages.map((one) => expect.stringContaining(one)));
  });
});

describe('lattice check --types', () => {
  const folder = mkdtempSync(join(root, 'tests/check/out-'));
  afterAll(() => rmSync(folder, { recursive: true }));
  const path = join(folder, 'grove-page.ts');
  writeFileSync(
    path,
    `import { component, prop } from 'zesty-lattice';
export const PriceTag = component('price-tag', { props: { cents: prop.number() }, template: '<b>{{ cents }}</b>' });
export default component('grove-page', {
  props: { title: prop.text() },
  uses: [PriceTag],
  template: \`<main>{{ title }}
    <price-tag cents="{{ title }}"></price-tag>
  </main>\`,
});
`,
  );

  test('tells it with the line; without it, check says nothing of it', async () => {
    const { problems } = await check([path], { types: true });
    expect(problems.map(({ code, severity, source }) => [code, severity, source?.line])).toEqual([
      ['prop-misfit', 'error', 7],
    ]);
    expect((await check([path])).problems).toEqual([]);
    const done = latticeProcess('check', relative(root, path), '--types');
    expect(done.code).toBe(1);
    expect(done.out).toContain('receives title, which is text');
    expect(latticeProcess('check', relative(root, path)).code).toBe(0);
  });

  test('finds nothing wrong with the orchard', async () => {
    expect((await check(['examples'], { types: true })).problems).toEqual([]);
  });
});
