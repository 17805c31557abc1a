import { describe, expect, test } from 'vitest';
import { component, el, phrase, prop, resolve, share, slot, uid } from 'zesty-lattice';
import { renderPage } from 'zesty-lattice/html';

const state = () => ({ isOpen: false });
const props = { id: prop.text() };
const Menu = component('grove-menu', { props, state, template: ({ props }) => el.menu({ id: props.id }) });
const MenuText = component('menu-text', { props, state, template: '<menu id="{{ props.id }}"></menu>' });
/** Hands its id on to one that is an element. */
const MenuBox = component('menu-box', { props, template: ({ props }) => el.div(Menu({ id: props.id })) });
/** Dissolves, so that its ids are those of what is around it. */
const Plain = component('plain-menu', { props, template: ({ props }) => el.menu({ id: props.id }) });
const Frame = component('frame-part', {
  state,
  slots: { default: slot() },
  template: ({ slots }) => el.div(slots.default()),
});
const Field = component('grove-field', {
  props: { list: prop.text() },
  state,
  template: ({ props }) => el.input({ list: props.list, 'aria-label': 'Grove' }),
});

const found = (template: () => unknown, more = {}) =>
  resolve(component('page-part', { template: template as never, ...more })()).problems.map(
    ({ code, message, where }) => `${code} ${message.split(':')[0]} (${where})`,
  );
const opener = (id: unknown) => el.button({ popovertarget: id as string }, 'Stalls');

describe('ids in shadow roots', () => {
  test.each([
    ['functions', Menu],
    ['HTML text', MenuText],
  ])('that a reference outside names are reported: %s', (_name, Part) => {
    const said = (id: string) =>
      `id-unreachable popovertarget${id} of <button> points to an id in <${Part.name}>, which is an element in the page (page-part)`;
    expect(found(() => [opener('a'), Part({ id: 'a' })])).toEqual([said('="a"')]);
    expect(found(() => [opener(uid('a')), Part({ id: uid('a') })])).toEqual([said('')]);
  });

  test('are reported through a component between, and out of an element', () => {
    expect(found(() => [opener(uid('a')), MenuBox({ id: uid('a') })])[0]).toContain('an id in <grove-menu>');
    expect(found(() => [el.datalist({ id: uid('a') }), Field({ list: uid('a') })])).toEqual([
      'id-unreachable list of <input> points out of <grove-field>, which is an element in the page (page-part › grove-field)',
    ]);
    expect(found(() => [el.a({ href: phrase`#${uid('a')}` }, 'x'), Menu({ id: uid('a') })])[0]).toContain(
      'href of <a>',
    );
  });

  test('are not reported where they reach', () => {
    expect(found(() => [opener(uid('a')), Plain({ id: uid('a') })])).toEqual([]);
    expect(found(() => [opener('a'), Frame({}, el.menu({ id: 'a' }))])).toEqual([]);
    expect(found(() => Frame({}, [opener(uid('a')), Plain({ id: uid('a') })]))).toEqual([]);
    expect(found(() => [opener(uid('a')), el.menu({ id: uid('a') })], { state })).toEqual([]);
    // Which of two it is is known only when it is rendered.
    expect(found(() => [opener('a'), Menu({ id: 'b' }), el.menu({ id: 'a' })])).toEqual([]);
  });

  test('do not answer links of their own shadow root either', () => {
    const link = () => [el.a({ href: '#main' }, 'Skip'), el.main({ id: 'main' })];
    expect(found(link)).toEqual([]);
    expect(found(link, { state })[0]).toMatch(/^id-unreachable href="#main" of <a>/);
  });

  test('of an element that only provides are reported with that reason', () => {
    const Speech = share<string>('speech');
    const Shell = component('page-shell', {
      slots: { default: slot() },
      provides: () => [Speech.provide('en')],
      template: ({ slots }) => [
        el.label({ for: 'words' }, 'Words'),
        el.input({ id: 'words' }),
        el.main({ id: 'main' }, slots.default()),
      ],
    });
    const [only, ...more] = resolve(Shell({}, el.p('x'))).problems;
    expect(more).toEqual([]);
    expect(only?.message).toBe(
      'The id "main" stands in <page-shell>, which is an element in the page, since it provides shared data: ids and links do not reach into its shadow root, or out of it.',
    );
    // As HTML text they reach.
    expect(renderPage(Shell({}), { title: 'Open day' })).toContain('id="main"');
  });
});
