import { expect, test } from 'vitest';
import { type Content, component, el, type LatticeError, prop, slot, trusted } from 'zesty-lattice';
import { renderHtml } from 'zesty-lattice/html';

const Box = component('stall-box', {
  slots: { default: slot(), rows: slot() },
  template: ({ slots }) => el.section(slots.default(), el.table(el.tbody(slots.rows()))),
});
const Sign = component('stall-sign', {
  slots: { default: slot() },
  template: ({ slots }) => el.p({ id: 'sign' }, slots.default()),
});
const Line = component('text-line', {
  props: { tag: prop.tag(['p', 'h2']) },
  slots: { default: slot() },
  template: ({ props, slots }) => el.of(props.tag, slots.default()),
});

const codes = (content: Content | { rows: Content }): readonly string[] => {
  try {
    renderHtml(Box({}, content as Content));
    return [];
  } catch (thrown) {
    return (thrown as LatticeError).problems.map((problem) => problem.code);
  }
};

/** What has been found to be all right, and what differs from it in one thing. */
const pairs: readonly [
  what: string,
  right: Content | { rows: Content },
  wrong: Content | { rows: Content },
  code: string,
][] = [
  ['an element in another one', [el.p('a'), el.div('b')], el.p(el.div('b')), 'content-not-allowed'],
  ['an element in another slot', el.p('a'), { rows: el.p('a') }, 'content-not-allowed'],
  ['text where there was none', { rows: el.tr(el.td('a')) }, { rows: el.tr('a') }, 'content-not-allowed'],
  ['an id that stands twice', el.p({ id: 'a' }), [el.p({ id: 'a' }), el.p({ id: 'a' })], 'id-doubled'],
  ['a component with an id, twice', Sign({}, 'a'), [Sign({}, 'a'), Sign({}, 'a')], 'id-doubled'],
  ['a component in another element', Line({}, 'a'), el.p(Line({}, 'a')), 'content-not-allowed'],
  ['an element in a component', Line({}, el.b('a')), Line({}, el.b(el.p('a'))), 'content-not-allowed'],
  ['a tag that is no element', el.b('a'), el.of('bb', 'a'), 'tag-unknown'],
  [
    'a link that runs a script',
    el.a({ href: '/a' }, 'a'),
    el.a({ href: 'javascript:a()' }, 'a'),
    'attribute-unsafe',
  ],
];

test.each(pairs)('content is looked at anew where it differs: %s', (_what, right, wrong, code) => {
  for (let times = 0; times < 20; times++) expect(codes(right)).toEqual([]);
  for (let times = 0; times < 3; times++) expect(codes(wrong)).toEqual([code]);
  expect(codes(right)).toEqual([]);
});

test('content that is seen for the hundredth time says the same as the first time', () => {
  const text = (at: number): string =>
    renderHtml(
      Box({}, [el.p({ title: `t${at}` }, 'a', at), trusted('<i>b</i>'), Line({ tag: 'h2' }, `c${at}`)]),
    );
  for (let at = 0; at < 100; at++)
    expect(text(at)).toBe(
      `<section><p title="t${at}">a${at}</p><i>b</i><h2>c${at}</h2><table><tbody></tbody></table></section>`,
    );
});

test('content of any depth and width is looked at', () => {
  let deep: Content = 'a';
  for (let at = 0; at < 300; at++) deep = el.b(deep);
  expect(codes(deep)).toEqual([]);
  expect(codes([deep, el.p(el.p('a'))])).toEqual(['content-not-allowed']);
  const wide = Array.from({ length: 2000 }, (_, at) => el.p(at));
  expect(codes(wide)).toEqual([]);
  expect(codes([...wide, el.p(el.p('a'))])).toEqual(['content-not-allowed']);
});
