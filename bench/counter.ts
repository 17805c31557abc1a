import { component, el, event, prop } from 'zesty-lattice';
import { register } from 'zesty-lattice/elements';

register(
  component('crate-counter', {
    props: { label: prop.text(), start: prop.number().fallback(0) },
    state: ({ start }) => ({ count: start }),
    events: { changed: event<{ count: number }>() },
    handlers: {
      add: ({ state, dispatch }, step: number) => {
        dispatch('changed', { count: state.count + step });
        return { count: state.count + step };
      },
    },
    template: ({ props, state, handlers }) =>
      el.button({ type: 'button', on: { click: handlers.add(1) } }, props.label, ': ', state.count),
  }),
);
