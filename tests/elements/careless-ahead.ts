import { register } from 'zesty-lattice/elements';
import { CarelessBox } from './parts.js';

/** Its tag is a prop, so that the page plans it itself, beside those that are written out. */
export function registerCareless(): void {
  register(CarelessBox);
}
