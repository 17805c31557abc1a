// 'zesty-lattice/vite/texts': what the Vite plugin has templates that are texts handed through, so that the reader of texts is in a
// page exactly where such a template is. A build that writes the component's elements out drops both.
import './page.js';

/** A template text as it is: by being called, it brings its reader along. */
export function reading<Template>(template: Template): Template {
  return template;
}
