import { describe, expect, test } from 'vitest';
import { type Content, component, el, given, prop, resolve, slot } from 'zesty-lattice';
import { componentCore } from '../../packages/lattice/src/component/index.js';
import { componentProblems } from '../../packages/tools/src/check/components.js';

// What the standards forbid, and a parser keeps, is reported templates too: by the tree that they come to.

const Box = component('any-box', {
  slots: { default: slot() },
  template: ({ slots }) => el.div(slots.default()),
});
const Word = component('any-word', {
  slots: { default: slot() },
  template: ({ slots }) => el.span(slots.default()),
});
let count = 0;
const reported = (template: (open: never) => Content): readonly string[] => {
  count += 1;
  const made = component(`conform-${count}`, {
    props: { open: prop.flag() },
    template: ({ props }) => template(props.open as never),
  });
  const core = componentCore(made);
  return (core ? componentProblems(core) : [])
    .map(({ code }) => code)
    .filter((code) => !/^prop-unread|^value-unplaced/.test(code));
};

describe('what the standards forbid', () => {
  test.each<[string, () => Content, string]>([
    ['a paragraph in a list', () => el.ul(el.p('x')), 'element-misplaced'],
    ['a block in a span', () => el.span(el.div('x')), 'element-misplaced'],
    [
      'a block in a heading, through a link',
      () => el.h2(el.a({ href: '/' }, el.div('x'))),
      'element-misplaced',
    ],
    ['a legend behind others', () => el.fieldset(el.p('x'), el.legend('y')), 'element-misplaced'],
    [
      'two controls in a label',
      () => el.label(el.input({ type: 'text' }), el.select(el.option('x'))),
      'element-misplaced',
    ],
    ['details without a summary', () => el.details(el.p('x')), 'element-missing'],
    ['a label of nothing', () => [el.label('Name'), el.input({ type: 'text' })], 'label-unbound'],
    ['a frame without a title', () => el.iframe({ src: '/map' }), 'frame-unnamed'],
    ['a word that is no value', () => el.p({ 'aria-live': 'loud' as never }, 'x'), 'attribute-value-unknown'],
    [
      'a number that is none',
      () => el.p({ role: 'heading', 'aria-level': 'two' as never }, 'x'),
      'attribute-value-unknown',
    ],
    ['a role that there is not', () => el.p({ role: 'statsu' }, 'x'), 'attribute-value-unknown'],
    [
      'a type of input that there is not',
      () => el.input({ type: 'tex' as never }),
      'attribute-value-unknown',
    ],
    ['a heading that skips a level', () => [el.h2('a'), el.div(el.h4('b'))], 'heading-skipped'],
    ['one in content of a component', () => Box({}, [el.h2('a'), el.div(el.h4('b'))]), 'heading-skipped'],
  ])('%s', (_what, template, code) => {
    expect(reported(template)).toEqual([code]);
  });

  test.each<[string, (open: never) => Content]>([
    [
      'items in a list, by rows and conditions',
      (open) =>
        el.ul(
          given(open, el.li('x')),
          [1, 2].map((n) => el.li(n)),
        ),
    ],
    ['text in a span', () => el.span(el.b('x'), el.a({ href: '/' }, el.small('y')))],
    ['a block in a link', () => el.div(el.a({ href: '/' }, el.div('x')))],
    ['a control in a label, by a component', () => el.label('Name ', Word({}, el.input({ type: 'text' })))],
    [
      'one control of two in a label',
      (open) => el.label('Name ', given(open, el.input({ type: 'text' }), el.textarea())),
    ],
    [
      'a label with the id of its control',
      () => [el.label({ for: 'name' }, 'Name'), el.input({ id: 'name', type: 'text' })],
    ],
    ['headings of two branches', (open) => [el.h1('a'), given(open, el.h2('b'), el.h2('c')), el.h3('d')]],
    [
      'a heading in content of a component, whose own may be before it',
      () => [el.h2('a'), Box({}, el.h4('b'))],
    ],
    ['headings with another component between', () => [el.h1('a'), Box({}, 'x'), el.h3('b')]],
    ['several roles, one of them known', () => el.p({ role: 'newer status' }, 'x')],
    ['words of aria-relevant', () => el.p({ 'aria-relevant': 'text removals' as never }, 'x')],
    ['details with what is handed to it', () => el.details(Box({}, 'x'))],
  ])('not %s', (_what, template) => {
    expect(reported(template)).toEqual([]);
  });

  test('a hint says where it belongs, with the paragraph', () => {
    const [problem] = resolve(component('hint-sign', { template: () => el.ul(el.p('x')) })).problems;
    expect(problem?.hint).toBe(
      'There it takes <li>: put it into one (https://html.spec.whatwg.org/#the-ul-element).',
    );
  });
});
