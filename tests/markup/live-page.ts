import { register } from 'zesty-lattice/elements';
import { Basket } from './live-parts.js';

const all = [Basket];
// Handed on in a list, so that no build can follow what is registered: the page reads the texts.
Object.assign(window, { start: () => register(...all) });
