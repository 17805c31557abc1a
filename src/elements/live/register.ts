import { failure, finding } from '../../problem/index.js';
import { classOf } from './element.js';
import type { Live } from './live.js';

const defined = new Map<string, Live>();

/** Defines elements of the page, and with each those in its template. The same component twice is fine. */
export function define(...all: readonly Live[]): void {
  for (const live of all) {
    const { name } = live;
    if (defined.get(name) === live) continue;
    if (customElements.get(name)) throw failure(finding('name-taken', { name, by: '' }));
    defined.set(name, live);
    define(...(live.uses?.() ?? []));
    customElements.define(name, classOf(live));
  }
}
