import { component } from 'zesty-lattice';
import { register } from 'zesty-lattice/elements';

register(component('bare-part', { template: '<p>x</p>' }));
Object.assign(window, { isDone: true });
