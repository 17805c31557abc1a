import { register } from 'zesty-lattice/elements';
import { PreviewPage } from './preview-page.js';

register(PreviewPage);
