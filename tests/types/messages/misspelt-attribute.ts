import { el } from 'zesty-lattice';
el.a({ hreff: '/' }, 'Home');
