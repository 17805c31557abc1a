import { register } from 'zesty-lattice/elements';
import { ClockBoard, ClockRow, CrateClock, CrateMark, TakenPart } from './reached-parts.js';

Object.assign(globalThis, {
  start: () => register(ClockRow, ClockBoard, CrateClock),
  // Of which some cannot be: each is tried.
  startAll: () => {
    customElements.define('taken-part', class extends HTMLElement {});
    const all = [TakenPart, CrateMark];
    try {
      register(...all);
    } catch (thrown) {
      return (thrown as Error).message;
    }
    return '';
  },
});
