import { expect, test } from 'vitest';
import { component, el } from 'zesty-lattice';
import { componentCore } from '../../packages/lattice/src/component/index.js';
import { planOf } from '../../packages/lattice/src/plan/index.js';

test('the words behind an event are keys, in the order in which a page compares them, and ways to hear', () => {
  const Row = component('heard-row', {
    state: () => ({ at: 0 }),
    handlers: { go: ({ state }) => ({ at: state.at + 1 }) },
    template: ({ handlers }) =>
      el.div({
        on: {
          'keydown Shift+Meta+Alt+Control+s Space ?': handlers.go(),
          'scroll passive': handlers.go(),
          'click once capture': handlers.go(),
          input: handlers.go(),
        },
      }),
  });
  const core = componentCore(Row);
  const [element] = core ? planOf(core).content.all('element') : [];
  expect(element?.attributes.map((one) => one.kind === 'listener' && [one.type, one.keys, one.ways])).toEqual(
    [
      ['keydown', ['Control+Alt+Meta+Shift+s', ' ', '?'], undefined],
      ['scroll', undefined, { passive: true }],
      ['click', undefined, { once: true, capture: true }],
      ['input', undefined, undefined],
    ],
  );
});
