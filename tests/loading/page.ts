import 'zesty-lattice/markup';
import { start } from './parts.js';

start();
