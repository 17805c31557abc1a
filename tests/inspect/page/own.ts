import 'zesty-lattice/inspect';
import './main.js';
