import { el, preset } from 'zesty-lattice';
preset(el.button, { class: 'press', typ: 'button' });
