import 'zesty-lattice/markup';
import { startBound } from './bind-parts.js';

startBound();
