import { component } from 'zesty-lattice';
import { FairPage } from '../../../examples/orchard/fair-page.js';
import data from '../../../examples/orchard/open-day.json' with { type: 'json' };

export * from '../../../examples/open-day/components/index.js';

/** The page of the open day, with its data. */
export const WholeDay = component('whole-day', {
  description: 'The open day as it is.',
  template: () => FairPage(data as never),
});
