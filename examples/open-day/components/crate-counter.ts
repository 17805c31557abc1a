import { calc, component, el, event, phrase, prop } from 'zesty-lattice';

export const CrateCounter = component('crate-counter', {
  description: 'Counts the crates of one variety, and tells the page when the number changes.',
  props: {
    label: prop.text(),
    start: prop.number().fallback(0),
    most: prop.number().fallback(9),
  },
  state: ({ start }) => ({ count: start }),
  events: { changed: event<{ label: string; count: number }>() },
  styles: `
    :host { display: inline-flex; align-items: center; gap: .4rem; font: inherit }
    button { font: inherit; inline-size: 2.2rem; block-size: 2.2rem; border-radius: 99px; border: 1px solid var(--line-strong, #999); background: var(--card, #fff); color: inherit; cursor: pointer }
    button:hover:not(:disabled) { border-color: currentColor }
    button:focus-visible { outline: 3px solid var(--focus, #c25e00); outline-offset: 2px }
    button:disabled { opacity: .45; cursor: default }
    output { min-inline-size: 1.6rem; text-align: center; font-variant-numeric: tabular-nums; font-weight: 650 }
  `,
  handlers: {
    add: ({ props, state, dispatch }, step: number) => {
      const count = Math.min(props.most, Math.max(0, state.count + step));
      if (count === state.count) return;
      dispatch('changed', { label: props.label, count });
      return { count };
    },
  },
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
        disabled: calc(state.count, props.most, (count, most) => count >= most),
        on: { click: handlers.add(1) },
      },
      '+',
    ),
  ],
});
