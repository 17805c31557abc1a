import { component, el, prop } from 'zesty-lattice';
component('stall-box', { props: { name: prop.url }, template: () => el.p('Open') });
