import { register } from 'zesty-lattice/elements';
import { CrateRack } from './careless-parts.js';

register(CrateRack);
