import { describe, test } from 'vitest';
import {
  type AnyComponent,
  calc,
  component,
  eachOf,
  el,
  given,
  phrase,
  prop,
  resolve,
  slot,
  type Use,
} from 'zesty-lattice';
import { type RenderOptions, renderHtml, renderPage } from 'zesty-lattice/html';
import { catalog, renderDocument } from 'zesty-lattice/markup';
import { componentCore } from '../../packages/lattice/src/component/index.js';
import { codeOf } from '../../packages/lattice/src/html/code/ahead.js';
import { schemaOf } from '../../packages/tools/src/describe/schema.js';
import { outcomeOf, recordedIn, wordsOf } from './recorded.js';

// Every kind of prop, each with values that fit and that do not: what is shown, and what is said.

const holds = recordedIn<readonly string[]>(new URL('./kinds.json', import.meta.url));

const doubled = {
  '~standard': {
    version: 1 as const,
    vendor: 'grove',
    validate: (value: unknown) =>
      typeof value === 'number'
        ? { value: value * 2 }
        : { issues: [{ message: 'is no number', path: ['a', { key: 0 }] }] },
  },
};

const kinds = {
  text: prop.text(),
  'text that may be missing': prop.text().optional(),
  'text with a default': prop.text().fallback('none'),
  'text with a test': prop.text().where((text) => text.length > 1, 'has to be longer'),
  number: prop.number(),
  'number with a default': prop.number().fallback(7),
  'number with tests': prop
    .number()
    .where((n) => n > 0, 'has to be above zero')
    .where((n) => n < 100, 'has to be below 100')
    .optional(),
  flag: prop.flag(),
  choice: prop.choice(['early', 'late']),
  'choice with a default': prop.choice(['early', 'late']).fallback('late'),
  date: prop.date(),
  'date that is made': prop.date().fallback(() => new Date(Date.UTC(2026, 10, 28))),
  url: prop.url(),
  'list of texts': prop.list(prop.text()),
  'list with a default': prop.list(prop.number()).fallback([1, 2]),
  'list of dates': prop.list(prop.date()),
  'list of tested numbers': prop.list(prop.number().where((n) => n > 0, 'has to be above zero')),
  record: prop.record({ id: prop.number(), name: prop.text().optional(), tags: prop.list(prop.text()) }),
  'record with more': prop.record({
    when: prop.date().fallback(new Date(0)),
    in: prop.record({ a: prop.flag() }),
  }),
  'record of any fields': prop.record<{ id: number }>(),
  'list of records': prop.list(prop.record({ id: prop.number(), season: prop.choice(['early', 'late']) })),
  'list of any': prop.list<{ id: number }>(),
  schema: prop.schema(doubled),
  'list of what a schema makes': prop.list(prop.schema(doubled)),
  'record of what a schema makes': prop.record({ n: prop.schema(doubled) }),
  tag: prop.tag(['p', 'h2']),
};

const values: readonly unknown[] = [
  undefined,
  null,
  '',
  'a<b>&"\'',
  'x',
  'early',
  'p',
  '12',
  'true',
  '2026-11-28',
  '2026-11-28T11:45:00Z',
  'https://grove.example/?a=1&b=2',
  'javascript:go()',
  '["a","b"]',
  '[1,2]',
  '{"id":1,"tags":[]}',
  '[{"id":1,"season":"late"}]',
  0,
  -0,
  7,
  1e21,
  1e-7,
  Number.NaN,
  Number.POSITIVE_INFINITY,
  true,
  false,
  new Date(Date.UTC(2026, 10, 28, 9)),
  new Date(Number.NaN),
  [],
  ['a', 'b'],
  ['a', 3],
  [1, 2],
  [-1],
  [new Date(0), '1970-01-02'],
  [
    { id: 1, season: 'late' },
    { id: 2, season: 'lat' },
  ],
  [{ id: 1, season: 'early' }],
  { id: 1, name: 'n', tags: ['t'] },
  { id: '1', tags: 'x' },
  { when: new Date(0), in: { a: true } },
  { n: 3 },
  [4, 5],
  Object.create(null),
  new Map(),
  Symbol('s'),
  5n,
  () => 'f',
];

const told = (value: unknown): string =>
  value instanceof Date
    ? `date ${value.getTime()}`
    : Array.isArray(value)
      ? `[${value.map(told).join()}]`
      : typeof value === 'object' && value !== null
        ? `{${Object.entries(value).map(([key, one]) => `${key}:${told(one)}`)}}`
        : `${typeof value} ${String(value)}`;

describe('what each kind of prop makes of values is what was recorded', () => {
  test.each(Object.entries(kinds))('%s', (name, kind) => {
    const One = component('one-kind', {
      props: { value: kind },
      state: () => ({ at: 0 }),
      template: ({ props }) => {
        const { value } = props as unknown as { readonly value: never };
        return el.p(
          { title: calc(value, told) },
          given(value, 'something', 'nothing'),
          phrase` ${calc(value, (one) => typeof one)}`,
        );
      },
    }) as unknown as AnyComponent;
    const Outer = component('outer-kind', {
      props: { value: kind },
      template: ({ props }) =>
        el.div(
          (One as unknown as (props: object) => Use)({ value: (props as { readonly value: unknown }).value }),
        ),
    }) as unknown as AnyComponent;
    const core = componentCore(One);
    holds(`${name}: described`, [JSON.stringify(core && schemaOf(core)), ...(core ? [codeOf(core)] : [])]);
    for (const [at, value] of values.entries()) {
      const props = { value };
      const use = (of: AnyComponent): Use => (of as unknown as (props: object) => Use)(props);
      const all = [
        ...outcomeOf(() => [renderHtml(use(One))]),
        ...outcomeOf(() => [renderHtml(use(One), { form: 'elements' })]),
        ...outcomeOf(() => [renderHtml(use(Outer))]),
        ...outcomeOf(() => [renderHtml(use(Outer), { form: 'elements' })]),
        ...outcomeOf(() => resolve(use(One)).problems.map(wordsOf)),
        ...outcomeOf(() => {
          if (typeof value !== 'string') return [];
          const page = `<outer-kind value='${value.replaceAll("'", '&#39;')}'></outer-kind>`;
          const { html, problems } = renderDocument(page, catalog([One, Outer]), { file: 'page.html' });
          return [html, ...problems.map(wordsOf)];
        }),
      ];
      // What was said in another form of the same says nothing new.
      holds(`${name}: ${at} ${told(value)}`, [...new Set(all)]);
    }
  });
});

describe('what each option of a rendering makes is what was recorded', () => {
  const Row = component('one-row', {
    props: { name: prop.text(), crates: prop.number().fallback(1) },
    slots: { default: slot() },
    state: ({ crates }) => ({ crates }),
    styles: ':host { display: block } p { color: red } @media print { p { color: black } }',
    template: ({ props, slots, state }) =>
      el.p(
        { class: ['row', { many: calc(state.crates, (n) => n > 3) }], style: { color: props.name } },
        props.name,
        slots.default(),
      ),
  });
  const Page = component('one-page', {
    props: {
      title: prop.text(),
      description: prop.text().optional(),
      rows: prop.list(prop.record({ id: prop.number(), name: prop.text() })),
    },
    styles: 'main { display: grid }',
    template: ({ props }) =>
      el.main(
        el.h1(props.title),
        eachOf(props.rows, (row) => Row({ name: row.name }, el.i(row.id)), { key: 'id' }),
        Row({ name: 'last', crates: 5 }),
      ),
  });
  const rows = [
    { id: 1, name: 'Dunlight & co' },
    { id: 2, name: 'Salt <bell>' },
  ];
  const options: readonly (RenderOptions & Readonly<Record<string, unknown>>)[] = [
    {},
    { form: 'elements' },
    { form: 'elements', nonce: 'abc"d' },
    { nonce: 'abc' },
    { form: 'elements', sheets: ['/a.css', '/b.css?x="&y'] },
    { pretty: true },
    { form: 'elements', pretty: true },
    { title: 'T & <t>', lang: 'de', dir: 'rtl' },
    { title: 'T', description: 'D "d"', head: '<meta name="x">', scripts: ['/a.js', '/b.js?"'] },
    { title: 'T', form: 'elements', scripts: ['/a.js'], sheets: ['/page.css'], nonce: 'n' },
    { title: 'T', base: 'https://grove.example/x/' },
    { idPrefix: 'p"x' },
    { styles: false },
    { form: 'flat' as never },
    { nosuch: 1 },
  ];
  test.each(options.map((one) => [JSON.stringify(one), one] as const))('%s', (name, by) => {
    holds(`options ${name}`, [
      ...outcomeOf(() => [renderHtml(Page({ title: 'T', rows }), by)]),
      ...outcomeOf(() => [renderPage(Page({ title: 'T', rows }), by as never)]),
      ...outcomeOf(() => [renderPage(Page({ title: 'T', description: 'of it', rows: [] }), by as never)]),
    ]);
  });
});
