import { register } from 'zesty-lattice/elements';
import { LivePage } from './demo-live-page.js';
import { start } from './demo-parts.js';

register(LivePage);
start();
