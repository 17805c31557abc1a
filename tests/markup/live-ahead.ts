import { register } from 'zesty-lattice/elements';
import { Basket } from './live-parts.js';

Object.assign(window, { start: () => register(Basket) });
