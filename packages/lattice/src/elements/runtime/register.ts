import { dev, finding, problemText } from '../../problem/index.js';
import { classOf } from './element.js';
import type { Live, LiveClass } from './live.js';

/** Has the components that are elements in a template defined with its own. */
export function containing(others: () => readonly Live[]): Containing {
  return Object.assign(() => define(...others()), { others });
}

export type Containing = (() => void) & { readonly others: () => readonly Live[] };

/** Defines elements of the page, and with each those in its template. The same component twice is fine. */
export function define(...all: readonly Live[]): void {
  for (const live of all) {
    const known = customElements.get(live.name) as LiveClass | undefined;
    // It is defined, or was found to be taken; a page that plans some elements itself may have planned this one.
    if (known && (live.made || known.isPlanned)) continue;
    // Another definition of that name keeps no other element from being defined.
    try {
      customElements.define(live.name, classOf(live));
    } catch (thrown) {
      // A built page has the browser's own words.
      console.error(dev && known ? problemText({ ...finding('name-taken', live), where: '' }) : thrown);
    }
  }
}
