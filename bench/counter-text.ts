// The counter once more, its template as HTML text, which the page reads.
import { component, event, prop } from 'zesty-lattice';
import { register } from 'zesty-lattice/elements';
import 'zesty-lattice/markup';

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
    template: '<button type="button" handles="click: add(1)">{{ label }}: {{ count }}</button>',
  }),
);
