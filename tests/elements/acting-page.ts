import { register } from 'zesty-lattice/elements';
import * as parts from './acting-parts.js';

Object.assign(window, { start: () => register(...Object.values(parts)) });
