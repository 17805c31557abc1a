import { register } from 'zesty-lattice/elements';
import { CrateBasket } from './components/crate-basket.js';
import { CrateCounter } from './components/crate-counter.js';
import { NotePanel } from './components/note-panel.js';

register(CrateBasket, CrateCounter, NotePanel);
