import { register } from 'zesty-lattice/elements';
import { LivePage } from './demo-live-page.js';
import { start } from './demo-parts.js';

const all = [LivePage];
// Handed on in a list, which no build follows.
register(...all);
start();
