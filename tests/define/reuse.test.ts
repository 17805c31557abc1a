import { expect, test } from 'vitest';
import { component, definition, el, preset, prop, resolve, slot } from 'zesty-lattice';
import { renderHtml } from 'zesty-lattice/html';

const counting = definition({
  props: { label: prop.text(), start: prop.number().fallback(2) },
  slots: { note: slot() },
  state: ({ start }) => ({ count: start * 2 }),
  handlers: { add: ({ state }, step: number) => ({ count: state.count + step }) },
  styles: 'p { margin: 0 }',
  template: ({ props, state, slots }) => el.p(props.label, ' ', state.count, slots.note()),
});

test('several components are made of one definition, each with parts of its own', () => {
  const Plain = component('plain-count', counting);
  const Big = component('big-count', {
    ...counting,
    styles: 'b { font-size: 3rem }',
    template: ({ props, state, handlers }) =>
      el.button({ on: { click: handlers.add(1) } }, props.label, el.b(state.count)),
  });
  const Step = component('step-count', {
    ...counting,
    props: { ...counting.props, step: prop.number().fallback(5) },
    slots: { ...counting.slots, foot: slot() },
    template: ({ props, state, slots }) => el.i(state.count, '+', props.step, slots.note(), slots.foot()),
  });
  expect(renderHtml(Plain({ label: 'Crates' }, { note: '!' }))).toContain('Crates 4!</p>');
  expect(renderHtml(Big({ label: 'Crates', start: 3 }))).toContain('Crates<b data-in="big-count">6</b>');
  expect(renderHtml(Step({ label: 'x' }, { foot: el.u('f') }))).toContain('4+5<u>f</u></i>');
  expect([Plain, Big, Step].map(({ name }) => name)).toEqual(['plain-count', 'big-count', 'step-count']);
  expect(resolve(Plain).problems).toEqual([]);
});

test('what a preset makes is reported by the line that uses the preset', () => {
  const link = preset(el.a, { class: 'quiet' });
  const Sign = component('grove-sign', {
    props: { text: prop.text() },
    template: ({ props }) => el.b(props.text),
  });
  const filled = preset(Sign, { text: 'North' });
  const Signs = component('grove-signs', {
    template: () => [link({ hreff: '#north' } as never, 'there'), filled({ colour: 'red' } as never)],
  });
  const { problems } = resolve(Signs);
  expect(problems.map(({ code, source }) => [code, source?.file.replace(/.*\//, '')])).toEqual([
    ['prop-unknown', 'reuse.test.ts'],
    ['attribute-unknown', 'reuse.test.ts'],
  ]);
});
