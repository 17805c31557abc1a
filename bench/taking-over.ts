import { register } from 'zesty-lattice/elements';
import { FixedStall } from '../tests/elements/fights-parts.js';

// Run in Chromium by bench/taking-over.mjs: the elements of a page that a server wrote become interactive in one go.
Object.assign(window, {
  take: () => {
    const start = performance.now();
    register(FixedStall);
    return performance.now() - start;
  },
});
