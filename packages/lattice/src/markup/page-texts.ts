// 'zesty-lattice/internal/page-texts': what the plugins have templates that are texts handed through, so that the reader of texts
// is in a page exactly where such a template is. A build that writes the component's elements out drops both.
import { setMarkupReader } from '../component/index.js';
import { readMarkup } from './syntax/read-page.js';
import { markupReader } from './template/read.js';

/** A template text as it is: by being called, it brings its reader along. */
export function reading<Template>(template: Template): Template {
  setMarkupReader(markupReader(readMarkup));
  return template;
}
