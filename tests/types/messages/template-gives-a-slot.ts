import { component, slot } from 'zesty-lattice';
component('stall-box', { slots: { note: slot() }, template: ({ slots }) => slots.note });
