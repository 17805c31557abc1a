import { component, el } from 'zesty-lattice';
component('crate-count', {
  state: () => ({ count: 3 }),
  handlers: { add: ({ state }) => ({ cuont: state.count + 1 }) },
  template: ({ state, handlers }) => el.button({ on: { click: handlers.add() } }, state.count),
});
