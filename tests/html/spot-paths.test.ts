import { expect, test } from 'vitest';
import {
  calc,
  component,
  el,
  LatticeError,
  prop,
  resolve,
  slot,
  type TreeUse,
  type Use,
} from 'zesty-lattice';
import { renderBytes, renderHtml } from 'zesty-lattice/html';

const Sign = component('path-sign', {
  props: { text: prop.text() },
  template: ({ props }) =>
    el.b(
      calc(props.text, (text) => {
        if (text === 'torn') throw new Error('It is torn.');
        return text;
      }),
    ),
});
const Row = component('path-row', {
  slots: { default: slot(), title: slot() },
  template: ({ slots }) => el.div(slots.title(), slots.default()),
});

/** Where a rendering says that something is wrong. */
function placesOf(render: () => unknown): readonly string[] {
  try {
    render();
  } catch (thrown) {
    if (thrown instanceof LatticeError) return thrown.problems.map(({ where }) => where ?? '');
  }
  return [];
}

test.each([
  ['in the slot that is declared last', 'path-row › path-sign[3]', ['sound', 'sound', 'torn']],
  ['in the slot that is declared first', 'path-row › path-sign[2]', ['sound', 'torn', 'sound']],
])('a use on the spot is found by one path, %s', (_name, path, [first = '', second = '', third = '']) => {
  // In another order than the slots are declared.
  const use = (): Use =>
    Row({}, { title: Sign({ text: third }), default: [Sign({ text: first }), Sign({ text: second })] });
  const isTorn = ({ props }: TreeUse): boolean => props.some(({ value }) => value === 'torn');
  expect([...resolve(use()).walk()].filter(isTorn).map((one) => one.path)).toEqual([path]);
  for (const render of [
    () => renderHtml(use()),
    () => renderHtml(use(), { nonce: 'n0nce' }),
    () => renderBytes(use()),
    () => renderHtml(use(), { form: 'elements' }),
  ])
    expect(placesOf(render)).toEqual([path]);
});
