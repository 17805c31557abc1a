// 'zesty-lattice/markup' in a page: template texts are read with the page's own parser.
import { setMarkupReader } from '../component/index.js';
import { readMarkup } from './syntax/read-page.js';
import { markupReader } from './template/read.js';

setMarkupReader(markupReader(readMarkup));
