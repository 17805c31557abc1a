import { describe, expect, test } from 'vitest';
import { component, el, phrase, prop, resolve, slot, trusted, whenLoaded } from 'zesty-lattice';
import { renderHtml, renderHtmlAsync } from 'zesty-lattice/html';
import { constantCode } from '../../packages/lattice/src/code/constants.js';
import { wordsIn } from '../../packages/lattice/src/component/holds.js';
import { isJson } from '../../packages/lattice/src/template/json.js';

describe('a kind', () => {
  test('takes a test with its message, and nothing else', () => {
    expect(() => prop.number().where('x' as never, 'must be odd')).toThrow('expects a test and a message');
    expect(() => prop.number().where(() => true, 3 as never)).toThrow('expects a test and a message');
    expect(prop.number().where(() => true, 'must be odd').settings.tests).toHaveLength(1);
  });

  test('knows its words, and whether its attribute follows it', () => {
    expect(wordsIn(prop.choice(['early', 'late']))).toEqual(['early', 'late']);
    expect(wordsIn(prop.tag(['p', 'h2']))).toEqual(['p', 'h2']);
    expect(wordsIn(prop.text())).toBeUndefined();
    expect([prop.flag().settings.reflects, prop.flag().reflect().settings.reflects]).toEqual([
      undefined,
      true,
    ]);
  });

  test('of a function takes functions, and writes none', () => {
    const Names = component('kind-names', {
      props: { label: prop.function<(name: string) => string>().fallback(() => (name) => `${name}.`) },
      state: () => ({}),
      template: () => el.p('x'),
    });
    expect(renderHtml(Names({ label: (name) => name }), { form: 'elements' })).not.toContain('label');
    expect(resolve(Names({ label: 'x' as never })).problems[0]?.message).toContain('expects a function');
    expect(prop.function().rules.read('x')).toBeTypeOf('symbol');
  });
});

test('a slot that passes data may have to be filled', () => {
  const Rows = component('kind-rows', {
    slots: { row: slot.with<string>().required(), note: slot.required() },
    template: ({ slots }) => el.p(slots.row('x'), slots.note()),
  });
  expect(resolve(Rows({}, {} as never)).problems.map(({ code }) => code)).toEqual([
    'slot-missing',
    'slot-missing',
  ]);
  expect(renderHtml(Rows({}, { row: (one) => one, note: '!' }))).toBe('<p>x!</p>');
});

test('ready-made HTML that is empty fills no slot', () => {
  const Box = component('kind-box', {
    slots: { default: slot() },
    template: ({ slots }) => el.p(slots.default('nothing')),
  });
  const Around = component('kind-around', {
    props: { html: prop.text() },
    template: ({ props }) => Box({}, trusted(props.html)),
  });
  expect(renderHtml(Around({ html: '<b>x</b>' }))).toBe('<p><b>x</b></p>');
  expect(renderHtml(Around({ html: '' }))).toBe('<p>nothing</p>');
});

test('text that is put together shows what is there, and nothing of what is missing', () => {
  const Line = component('kind-line', {
    props: { on: prop.text().optional(), n: prop.number().optional() },
    template: ({ props }) =>
      el.p({ title: phrase`on: ${props.on}, ${props.n}` }, phrase`on: ${props.on}, ${props.n}`),
  });
  expect(renderHtml(Line({ on: 'a & b', n: 3 }))).toBe('<p title="on: a &amp; b, 3">on: a &amp; b, 3</p>');
  expect(renderHtml(Line({}))).toBe('<p title="on: , ">on: , </p>');
});

test('a script or a style is filled with data and ready-made text alone, by what it says', () => {
  const wrong = (content: Parameters<typeof el.script>[1]): string | undefined =>
    resolve(component('kind-script', { template: () => el.script({ type: 'module' }, content) }), {})
      .problems[0]?.message;
  expect(wrong('go()')).toMatch(/^Text cannot stand in <script>/);
  expect(wrong(el.b('x'))).toMatch(/^An element, a slot or a condition cannot stand in <script>/);
});

test('what JSON keeps as it is', () => {
  expect([null, 'x', true, 3, [1, { a: undefined }].length, { a: [] }].map((one) => isJson(one))).toEqual(
    Array.from({ length: 6 }, () => true),
  );
  const round: unknown[] = [];
  round.push(round);
  expect([Number.NaN, () => 1, Symbol('x'), 3n, round].map((one) => isJson(one))).toEqual(
    Array.from({ length: 5 }, () => false),
  );
});

test('code of constants has data, and functions that their modules have', () => {
  const loud = (): string => '!';
  expect(constantCode([1, { a: 'x', b: null }, new Date(0)])).toBe('[1, { a: "x", b: null }, new Date(0)]');
  expect(constantCode({ say: loud }, (value) => (value === loud ? 'loud' : undefined))).toBe('{ say: loud }');
  expect(() => constantCode(loud)).toThrow('a function in its template');
  expect(() => constantCode(new Map())).toThrow('a value in its template is no plain data');
});

describe('what is loaded', () => {
  test('may take longer than a timer can', async () => {
    const Slow = component('kind-slow', {
      loadTimeOut: 3_000_000_000,
      load: async () => 'there',
      template: ({ data }) => whenLoaded(data, { loading: 'waiting', loaded: (text) => el.b(text) }),
    });
    expect(await renderHtmlAsync(Slow({}))).toBe('<b>there</b>');
  });

  test('is asked for once, and again where a rendering says so', async () => {
    let asked = 0;
    const Failing = component('kind-failing', {
      load: async (): Promise<string> => {
        asked++;
        throw new Error('no crates');
      },
      template: ({ data }) => whenLoaded(data, { loaded: (text) => text, failed: () => 'gone' }),
    });
    expect(await renderHtmlAsync(Failing({}))).toBe('gone');
    expect(asked).toBe(1);
    await renderHtmlAsync(Failing({}), { loads: { retries: 2, retryAfter: 0 } });
    expect(asked).toBe(4);
  });

  test('is shown by a function', () => {
    const Wrong = component('kind-wrong', {
      load: async () => 'there',
      template: ({ data }) => whenLoaded(data, { loading: 'x' } as never),
    });
    expect(
      resolve(Wrong, {})
        .problems.map(({ message }) => message)
        .join(),
    ).toContain('whenLoaded');
  });

  test('stands in a pre with the line break that it starts with', async () => {
    const Log = component('kind-log', {
      props: { fails: prop.flag() },
      load: async ({ props }) => {
        if (props.fails) throw new Error('no log');
        return '\nfirst\nsecond';
      },
      template: ({ data }) => el.pre(whenLoaded(data, { loaded: (text) => text, failed: () => '\ngone' })),
    });
    expect(await renderHtmlAsync(Log({}))).toBe('<pre>\n\nfirst\nsecond</pre>');
    expect(await renderHtmlAsync(Log({ fails: true }))).toBe('<pre>\n\ngone</pre>');
  });
});

test('what fills a named slot of an element names that slot alone', () => {
  const Live = component('kind-live', { state: () => ({}), template: () => el.b('live') });
  const Frame = component('kind-frame', {
    slots: { title: slot() },
    state: () => ({}),
    template: ({ slots }) => el.p(slots.title()),
  });
  const Page = component('kind-page', {
    template: () => Frame({}, { title: [Live({ slot: 'other', id: 'a' }), el.i({ slot: 'other' }, 'x')] }),
  });
  const html = renderHtml(Page({}), { form: 'elements' });
  expect(html.match(/slot="[^"]*"/g)).toEqual(['slot="title"', 'slot="title"']);
  expect(html).toContain('id="a"');
});
