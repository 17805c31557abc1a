import { component, el, slot } from 'zesty-lattice';
component('stall-box', { slot: { note: slot() }, template: () => el.p('Open') });
