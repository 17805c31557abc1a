import { dev, finding, problemText } from '../../problem/index.js';
import { classOf } from './element.js';
import type { Live, LiveClass } from './live.js';

/** What is defined as elements of the page. */
export const defined = new Set<Live>();

/** Has the components that are elements in a template defined with its own. */
export function containing(others: () => readonly Live[]): Containing {
  return Object.assign(() => define(...others()), { others });
}

export type Containing = (() => void) & { readonly others: () => readonly Live[] };

/** Defines elements of the page, and with each those in its template. The same component twice is fine. */
export function define(...all: readonly Live[]): void {
  for (const live of all) {
    // A page that plans some elements itself may have planned this one, for another that holds it.
    if (defined.has(live) || (customElements.get(live.name) as Partial<LiveClass> | undefined)?.isPlanned)
      continue;
    defined.add(live);
    // Another definition of that name keeps no other element from being defined.
    try {
      customElements.define(live.name, classOf(live));
    } catch (thrown) {
      // A built page has the browser's own words.
      const isTaken = dev && customElements.get(live.name);
      console.error(isTaken ? problemText({ ...finding('name-taken', live), where: '' }) : thrown);
    }
  }
}
