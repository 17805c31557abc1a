import { expect, test } from 'vitest';
import { component, el, slot } from 'zesty-lattice';
import { renderHtml } from 'zesty-lattice/html';
import { markSelectors, marksIn } from '../../packages/lattice/src/plan/index.js';

const marked = (selector: string, isNested = false) => markSelectors(selector, marksIn('a-card'), isNested);

test.each([
  ['::slotted(b)', ':where(b[data-in*="/a-card/"])'],
  ['slot::slotted(b.due)', ':where(b.due[data-in*="/a-card/"])'],
  ['slot[name="foot"]::slotted(*)', ':where(*[data-in~="/a-card/foot"])'],
  ["[name='foot']::slotted(*)", ':where(*[data-in~="/a-card/foot"])'],
  ['slot:not([name])::slotted(i)', ':where(i[data-in~="/a-card/default"])'],
  [
    '::slotted(b, i:not(.x, .y))',
    ':where(b[data-in*="/a-card/"]),:where(i:not(.x, .y)[data-in*="/a-card/"])',
  ],
  ['.wrap ::slotted(b)::before', ':where(.wrap:where([data-in~="a-card"]) b[data-in*="/a-card/"])::before'],
  ['.wrap > slot::slotted(b)', ':where(.wrap:where([data-in~="a-card"])>b[data-in*="/a-card/"])'],
  [':host([open]) ::slotted(b)', ':where(:is([open]):where([data-in-host="a-card"]) b[data-in*="/a-card/"])'],
  ['h3, ::slotted(b)', 'h3:where([data-in~="a-card"]),:where(b[data-in*="/a-card/"])'],
  ['h3 + ::slotted(b)', ':not(*)'],
  ['slot.wide::slotted(b)', ':not(*)'],
  ['::slotted(b) i', ':not(*)'],
  ['::slotted(b):hover', ':not(*)'],
])('a component that is flattened finds what was given to its slot: %s', (selector, wanted) => {
  expect(marked(selector)).toBe(wanted);
});

test('in a rule inside another, & is what that one matches', () => {
  expect(marked('& ::slotted(b)', true)).toBe(':where(& b[data-in*="/a-card/"])');
});

test('the outermost elements of what is given have the mark, once, and nothing else has', () => {
  const Card = component('a-card', {
    slots: { default: slot(), foot: slot() },
    styles: 'h3 { margin: 0 } ::slotted(b) { color: red }',
    template: ({ slots }) => el.section(slots.default(el.i('fallback')), slots.foot()),
  });
  const Plain = component('a-plain', {
    slots: { default: slot() },
    template: ({ slots }) => el.u(slots.default()),
  });
  const Styled = component('a-styled', {
    styles: 'p { color: blue }',
    template: () => el.div(Card({}, [el.b('x'), Plain({ class: 'wide' }, el.s('in it'))])),
  });
  const card = (content: string) => `<section data-in="a-card">${content}</section>`;
  // As the planner writes it, and from the fifth time on as code does.
  for (let time = 0; time < 7; time++) {
    expect(renderHtml(Card({}, { default: [el.b(el.i('x')), 'text'], foot: Plain({}, 'y') }))).toBe(
      card('<b data-in="/a-card/default"><i>x</i></b>text<u data-in="/a-card/foot">y</u>'),
    );
    expect(renderHtml(Card())).toBe(card('<i data-in="a-card">fallback</i>'));
    expect(renderHtml(Plain({}, el.b('z')))).toBe('<u><b>z</b></u>');
    expect(renderHtml(Styled())).toBe(
      `<div data-in="a-styled">${card('<b data-in="a-styled /a-card/default">x</b><u class="wide" data-in="a-styled /a-card/default"><s data-in="a-styled">in it</s></u>')}</div>`,
    );
  }
});
