// Loaded with the authoring door wherever there is a file system: templates may then be HTML text. It stands for
// '#markup' in package.json; in a page that is page-none.ts, and importing 'zesty-lattice/markup' takes its part.
import { setMarkupReader } from '../component/index.js';
import { locate } from './locate.js';
import { readMarkup } from './syntax/read-node.js';
import { markupReader } from './template/read.js';

setMarkupReader(markupReader(readMarkup, locate));
