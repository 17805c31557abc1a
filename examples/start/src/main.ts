import './page.css';
import { register } from 'zesty-lattice/elements';
import { CrateTaker } from './components.js';

// What is interactive in the page; the other components are plain HTML by then.
register(CrateTaker);
