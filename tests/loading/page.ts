import 'zesty-lattice/markup';
import { start, startQuiet } from './parts.js';

start();
startQuiet();
