import { calc, component, el, event, phrase, prop } from 'zesty-lattice';

export const CrateTaker = component('crate-taker', {
  description: 'Says how many crates of a fruit one takes, and tells the page when the number changes.',
  props: {
    label: prop.text().describe('What is counted.'),
    start: prop.number().fallback(0).describe('How many there are at first.'),
  },
  state: ({ start }) => ({ count: start }),
  events: { changed: event<{ count: number }>().describe('The number is another one.') },
  handlers: {
    add: ({ state, dispatch }, step: number) => {
      const count = Math.max(0, state.count + step);
      dispatch('changed', { count });
      return { count };
    },
  },
  styles: `
    :host { display: inline-flex; align-items: center; gap: .5rem }
    button { font: inherit; inline-size: 2.25rem; block-size: 2.25rem; border: 1px solid var(--line, #767676); border-radius: 99px; background: none; color: inherit; cursor: pointer }
    button:hover:not(:disabled) { border-color: currentColor }
    button:focus-visible { outline: 3px solid var(--accent, #a34a00); outline-offset: 2px }
    button:disabled { opacity: .5; cursor: default }
    output { min-inline-size: 1.5rem; text-align: center; font-variant-numeric: tabular-nums }
  `,
  template: ({ props, state, handlers }) => [
    el.button(
      {
        type: 'button',
        'aria-label': phrase`One crate of ${props.label} less`,
        disabled: calc(state.count, (count) => count === 0),
        on: { click: handlers.add(-1) },
      },
      '−',
    ),
    el.output({ 'aria-label': phrase`Crates of ${props.label}` }, state.count),
    el.button(
      {
        type: 'button',
        'aria-label': phrase`One crate of ${props.label} more`,
        on: { click: handlers.add(1) },
      },
      '+',
    ),
  ],
});
