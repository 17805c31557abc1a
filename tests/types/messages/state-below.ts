import { component, el, prop } from 'zesty-lattice';
component('crate-count', {
  props: { start: prop.number() },
  template: ({ state }) => el.p(state.count),
  state: ({ start }) => ({ count: start }),
});
