import { register } from 'zesty-lattice/elements';
import { TreeCard } from './components.js';

// One sheet for all shadow roots: the one that the page links.
register(TreeCard, { sheets: ['/framework.css'] });
