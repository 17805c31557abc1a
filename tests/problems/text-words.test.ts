import { describe, expect, test } from 'vitest';
import { component, el, type Problem, prop, resolve, slot } from 'zesty-lattice';
import { catalog, renderDocument } from 'zesty-lattice/markup';
import { componentCore } from '../../packages/lattice/src/component/index.js';
import { componentProblems } from '../../packages/tools/src/check/components.js';

// The same mistake, written as functions, as HTML text and in a document: each hint speaks of what is written.

const PriceTag = component('price-tag', {
  props: { cents: prop.number(), sowIn: prop.text().optional() },
  slots: { default: slot.required(), row: slot.with<string>() },
  template: ({ props, slots }) => el.p(props.cents, props.sowIn, slots.default(), slots.row('x')),
});
let count = 0;
const reported = (template: unknown): readonly Problem[] => {
  count += 1;
  return resolve(
    component(`words-${count}`, {
      props: { open: prop.flag() },
      uses: [PriceTag],
      template: template as never,
    }),
  ).problems.filter(({ code }) => code !== 'prop-unread' && code !== 'value-unplaced');
};
const hintOf = (problems: readonly Problem[], code: string): string =>
  problems.find((one) => one.code === code)?.hint ?? `no ${code} among ${problems.map((one) => one.code)}`;

describe('a hint speaks as what it is about is written', () => {
  test.each([
    [
      'prop-missing',
      () => PriceTag({} as never, 'x'),
      '<price-tag>x</price-tag>',
      '{ cents: … }',
      'cents="…"',
    ],
    [
      'slot-missing',
      () => PriceTag({ cents: 1 } as never, null),
      '<price-tag cents="1"></price-tag>',
      'after the props',
      'between <price-tag> and </price-tag>',
    ],
    [
      'slot-misfit',
      () => PriceTag({ cents: 1 }, { default: 'x', row: 'y' as never }),
      '<price-tag cents="1">x<b slot="row">y</b></price-tag>',
      '(data) => …',
      '<template slot="row" as="data">',
    ],
    [
      'attribute-misleading',
      () => el.input({ type: 'text', disabled: 'false' as never }),
      '<input type="text" disabled="false">',
      'an expression that is',
      'disabled="{{ … }}"',
    ],
    [
      'id-doubled',
      () => [el.p({ id: 'x' }), el.p({ id: 'x' })],
      '<p id="x"></p><p id="x"></p>',
      "write uid('x')",
      `id="{{ uid('x') }}"`,
    ],
  ])('%s', (code, byFunction, byText, functions, text) => {
    expect(hintOf(reported(byFunction), code)).toContain(functions);
    const inText = hintOf(reported(byText), code);
    expect(inText).toContain(text);
    expect(inText).not.toMatch(/\{ \w+: … \}|=> …|\bgiven\(|\beachOf\(/);
  });

  test('a component that is unread or unplaced by its text, too', () => {
    const core = componentCore(
      component('unread-sign', {
        props: { title: prop.text() },
        slots: { note: slot() },
        template: '<p>x</p>',
      }),
    );
    const problems = core ? componentProblems(core) : [];
    expect(hintOf(problems, 'prop-unread')).toContain('{{ title }}');
    expect(hintOf(problems, 'slot-unplaced')).toContain('<slot name="note"></slot>');
  });

  test('and a document', () => {
    const { problems } = renderDocument('<price-tag sow-in="May">x</price-tag>', catalog([PriceTag]));
    expect(hintOf(problems, 'prop-missing')).toContain('cents="…"');
  });
});

describe('a problem of an attribute points at the attribute', () => {
  /** What stands above the mark in the lines around a problem. */
  const marked = ({ source }: Problem): string => {
    const [line = '', mark = ''] = source?.frame?.split('\n').slice(-2) ?? [];
    return line.slice(mark.indexOf('^')).split(/[\s=>]/)[0] ?? '';
  };
  const columns = (html: string): readonly string[] =>
    reported(html).map((one) => `${one.code} ${marked(one)}`);
  test.each([
    ['<p class="a" hrref="x">x</p>', ['attribute-unknown hrref']],
    ['<a class="a" href="javascript:go()">x</a>', ['attribute-unsafe href']],
    ['<input class="a" disabled="false">', ['attribute-misleading disabled']],
    ['<p>x</p><p class="a" id="x"></p><i class="b" id="x"></i>', ['id-doubled id']],
    ['<price-tag sow-in="May" cents="dear">x</price-tag>', ['prop-invalid cents']],
    ['<price-tag cents="1" sow-in="{{ open }}">x</price-tag>', []],
    ['<price-tag sow-in="May">x</price-tag>', ['prop-missing <price-tag']],
  ])('%s', (html, found) => {
    expect(columns(html)).toEqual(found);
  });

  test('in a document, too', () => {
    const html = '<h1>x</h1>\n<price-tag sow-in="May" cents="dear">x</price-tag>';
    const { problems } = renderDocument(html, catalog([PriceTag]));
    expect(problems.map(({ code, source }) => [code, source?.line, source?.column])).toEqual([
      ['prop-invalid', 2, 25],
    ]);
  });
});

test('an id that a prop hands in twice names both uses', () => {
  const NoteBox = component('note-box', {
    props: { mark: prop.text() },
    template: ({ props }) => el.p({ id: props.mark }),
  });
  const Page = component('note-page', {
    template: () => [NoteBox({ mark: 'rain' }), el.div(NoteBox({ mark: 'wind' })), NoteBox({ mark: 'rain' })],
  });
  const [problem] = resolve(Page).problems;
  expect(problem?.message).toBe(
    'The id "rain" is used 2 times on the page: in note-page › note-box[1], and in note-page › note-box[3].',
  );
  expect(problem?.hint).toContain('If a prop passes the id, pass another one to each use');
});
