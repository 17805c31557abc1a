// 'zesty-lattice/markup' in a page: template texts are read with the page's own parser.
import { setMarkupReader } from '../component/index.js';
import { failure, finding } from '../problem/index.js';
import { readMarkup } from './syntax/read-page.js';
import { markupReader } from './template/read.js';

setMarkupReader(markupReader(readMarkup));

/** There are no files in a page: a plugin of its bundler puts their texts in the place of calls of this. */
export function markupFile(module: string, path: string): never {
  throw failure(finding('file-unread', { path, module }));
}
