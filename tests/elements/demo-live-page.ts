import { component } from 'zesty-lattice';
import data from '../../examples/orchard/open-day.json' with { type: 'json' };
import { fairWith } from './fair-with.js';

/** The whole orchard page as one interactive element: every component of the demo stands in it. */
export const LivePage = component('live-page', {
  state: () => ({ ...(data as unknown as Required<Parameters<typeof fairWith>[0]>) }),
  connected: ({ change }) => {
    Object.assign(window, { change });
  },
  template: ({ state }) => fairWith(state),
});
