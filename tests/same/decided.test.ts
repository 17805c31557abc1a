import { describe, expect, test } from 'vitest';
import {
  component,
  eachOf,
  el,
  event,
  given,
  LatticeError,
  type Problem,
  prop,
  resolve,
  slot,
  trusted,
} from 'zesty-lattice';
import { renderHtml } from 'zesty-lattice/html';
import { componentCore } from '../../packages/lattice/src/component/index.js';
import { repeatedSlots } from '../../packages/lattice/src/plan/index.js';
import { cases } from './cases/index.js';

// What outputs once disagreed about. Most of it is a case, or several, that all of them are compared with.

describe('held by cases, in every writing', () => {
  const names = new Set(cases.map(({ name }) => name));
  test.each([
    [
      'content handed straight on to a component inside',
      [
        'a slot handed on',
        'named slots handed on',
        'a slot handed straight on through six',
        'content through six',
      ],
    ],
    [
      'rules of what dissolves in an element',
      [
        'rules of a component',
        'rules of a component in a component',
        'rules of the host and of a component',
        'rules of what fills the rows of an element',
      ],
    ],
    [
      'attributes of a component that takes those of an element',
      [
        'attributes in a component',
        'attributes that win over the component',
        'a class for the element chosen',
      ],
    ],
    ['scripts of data', ['a script of data', 'a script of constant data', 'a script of data of the state']],
    [
      'accepted attributes handed on',
      [
        'attributes handed on',
        'attributes handed on twice',
        'attributes handed on twice in rows',
        'a class handed on',
      ],
    ],
    [
      'chains of fallbacks',
      [
        'a chain of fallbacks',
        'a slot through live components, empty',
        'a slot handed on through six, empty',
      ],
    ],
    ['listening to a live component', ['an event of a live component']],
    ['rows taken apart', ['a row whose fields are taken apart']],
    [
      'names in capitals',
      [
        'an attribute with a URL in capitals',
        'an action in capitals',
        'a URL in capitals for the element chosen',
        'an element of any tag with a URL',
        'SVG that animates to a URL',
      ],
    ],
    ['styles', ['a style with a URL', 'a style as text']],
  ])('%s', (_what, held) => {
    expect(held.filter((name) => !names.has(name))).toEqual([]);
  });
});

const Box = component('decided-box', {
  slots: { default: slot() },
  template: ({ slots }) => el.div(slots.default()),
});
const Para = component('decided-para', {
  slots: { default: slot() },
  template: ({ slots }) => el.p(slots.default()),
});
const Heading = component('decided-heading', { template: () => el.h1('x') });
const Line = component('decided-line', {
  props: { tag: prop.tag(['p', 'h2']) },
  accepts: 'tag',
  slots: { default: slot() },
  template: ({ props, slots, accepted }) => el.of(props.tag, { ...accepted }, slots.default()),
});

function problemsOf(work: () => unknown): readonly Problem[] {
  try {
    work();
  } catch (thrown) {
    if (thrown instanceof LatticeError) return thrown.problems;
    throw thrown;
  }
  return [];
}
const codes = (work: () => unknown): readonly string[] => problemsOf(work).map(({ code }) => code);
const loose = el as unknown as Record<string, (...all: unknown[]) => never>;

describe('content built inline is checked as templates are', () => {
  test.each([
    ['a block in a paragraph', () => el.p(el.div('x') as never), 'content-not-allowed'],
    ['a row in a div', () => el.tr(el.td('x')), 'content-not-allowed'],
    ['an element in a text area', () => loose.textarea?.(el.b('x')), 'content-not-allowed'],
    ['an element that there is not', () => loose.blink?.('x'), 'tag-unknown'],
    ['an id that stands twice', () => [el.p({ id: 'a' }), el.p({ id: 'a' })], 'id-doubled'],
    [
      'a function that listens',
      () => el.button({ on: { click: (() => 1) as never } }, 'x'),
      'attribute-invalid',
    ],
    [
      'a script of text',
      () => (el.of as (...all: unknown[]) => never)('SCRIPT', {}, 'alert(1)'),
      'content-not-allowed',
    ],
    ['a URL in capitals', () => el.a({ HREF: 'javascript:x' } as never, 'x'), 'attribute-unsafe'],
    ['constant style text', () => el.p({ style: 'color: red; } b { x' }), 'attribute-unsafe'],
    [
      'a style that leaves its URL',
      () => el.p({ style: { background: 'url(a(b);position:fixed;x:y)' } }),
      'attribute-unsafe',
    ],
    [
      'a style with a quote in its URL',
      () => el.p({ style: { background: "url(a'b);color:red" } }),
      'attribute-unsafe',
    ],
  ])('%s', (_what, content, code) => {
    expect(codes(() => renderHtml(Box({}, content() as never)))).toContain(code);
    const Page = component('decided-page', { template: () => Box({}, content() as never) });
    expect(resolve(Page).problems.map((one) => one.code)).toContain(code);
  });

  test('ready-made HTML that is none is no text', () => {
    expect(codes(() => trusted(false as never))).toEqual(['call-invalid']);
  });

  test.each([
    ['what is given', () => Line({ tag: 'p' }, el.h1('x'))],
    ['a component that is given', () => Para({}, Heading())],
    ['a component in one that chooses its element', () => Line({ tag: 'p' }, Heading())],
    ['a component that chooses its element', () => Para({}, Line({ tag: 'h2' }, 'x'))],
  ])('nesting through components: %s', (_what, use) => {
    expect(codes(() => renderHtml(use()))).toEqual(['content-not-allowed']);
    const Page = component('decided-nested', { template: use });
    expect(resolve(Page).problems.map((one) => one.code)).toEqual(['content-not-allowed']);
    expect(codes(() => renderHtml(Para({}, Box({}, 'x'))))).toEqual(['content-not-allowed']);
    expect(codes(() => renderHtml(Box({}, Para({}, el.b('x')))))).toEqual([]);
  });
});

describe('a slot that an element can show only once', () => {
  const twice = (template: Parameters<typeof component>[1]['template']): readonly string[] => {
    const Made = component('decided-echo', {
      props: { on: prop.flag() },
      slots: { default: slot() },
      state: () => ({ open: true }),
      template: template as never,
    });
    const html = codes(() => (renderHtml as (...all: unknown[]) => string)(Made, {}, { form: 'elements' }));
    const core = componentCore(Made);
    expect(core && repeatedSlots(core).map(({ code }) => code)).toEqual(html);
    return html;
  };
  type Tools = { slots: { default: () => never }; props: { on: never }; state: { open: never } };

  test.each([
    ['two places', ({ slots }: Tools) => [el.p(slots.default()), el.footer(slots.default())], true],
    [
      'two branches',
      ({ slots, state }: Tools) => given(state.open, el.p(slots.default()), slots.default()),
      false,
    ],
    [
      'two conditions',
      ({ slots, state, props }: Tools) => [
        given(state.open, slots.default()),
        given(props.on, slots.default()),
      ],
      true,
    ],
    ['through a component', ({ slots }: Tools) => [Box({}, slots.default()), slots.default()], true],
    ['in rows', ({ slots }: Tools) => eachOf([1, 2], () => slots.default()), true],
  ])('%s', (_what, template, isTold) => {
    expect(twice(template as never)).toEqual(isTold ? ['slot-repeated'] : []);
  });

  test('as HTML text it is shown in both', () => {
    const Echo = component('decided-twice', {
      slots: { default: slot() },
      state: () => ({ a: 1 }),
      template: ({ slots }) => [el.p(slots.default()), el.footer(slots.default())],
    });
    expect(renderHtml(Echo({}, 'x'))).toBe('<p>x</p><footer>x</footer>');
  });
});

test('fields of a row that are taken apart and not placed are no problem; what is one is reported where it is written', () => {
  const Rows = component('decided-rows', {
    props: { items: prop.list<{ readonly a: string; readonly b: string }>() },
    template: ({ props }) => eachOf(props.items, ({ a, b: _unused }) => el.li(a)),
  });
  expect(renderHtml(Rows({ items: [{ a: '1', b: '2' }] }))).toBe('<li>1</li>');
  expect(resolve(Rows).problems).toEqual([]);
});

describe('the names of props', () => {
  test.each(['onclick', 'x>y', 'sow in', 'remove', 'children', 'slot', 'addEventListener'])(
    '%s is refused where it is declared',
    (name) => {
      const [problem] = problemsOf(() =>
        component('decided-named', { props: { [name]: prop.text() }, template: () => null }),
      );
      expect(problem).toMatchObject({ code: 'definition-invalid' });
      expect(problem?.message).toContain(JSON.stringify(name));
      expect(problem?.source?.file).toMatch(/decided\.test\.ts$/);
    },
  );
  test.each(['title', 'on', 'onClick', 'once', 'online', 'hidden', 'sowIn', 'lang'])(
    '%s is none of that',
    (name) => {
      expect(
        problemsOf(() => component('decided-fine', { props: { [name]: prop.text() }, template: () => null })),
      ).toEqual([]);
    },
  );
  test('two of one attribute are refused', () => {
    expect(
      codes(() =>
        component('decided-same', {
          props: { sowIn: prop.text(), 'sow-in': prop.text() },
          template: () => null,
        }),
      ),
    ).toEqual(['definition-invalid']);
  });
});

describe('the tree says what is shown', () => {
  const Page = component('decided-tree', {
    props: { on: prop.flag(), items: prop.list<string>() },
    events: { changed: event() },
    template: ({ props }) => [
      given(props.on, Para({}, 'yes'), Box({}, 'no')),
      eachOf(props.items, (one) => Line({ tag: 'p' }, one), { empty: Heading() }),
    ],
  });
  const shown = (props?: { readonly on: boolean; readonly items: readonly string[] }): readonly string[] =>
    [...(props ? resolve(Page, props) : resolve(Page)).walk()]
      .filter((use) => use.shown !== false)
      .map((use) => use.component)
      .slice(1);

  test('with props', () => {
    expect(shown({ on: true, items: ['a'] })).toEqual(['decided-para', 'decided-line']);
    expect(shown({ on: false, items: [] })).toEqual(['decided-box', 'decided-heading']);
  });
  test('without, all that may be', () => {
    expect(shown()).toHaveLength(4);
  });
});
