import 'zesty-lattice-tools/inspect';
import './main.js';
