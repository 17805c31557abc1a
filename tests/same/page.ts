import { cases } from './cases/index.js';
import { compare, type Planning } from './compare.js';
import 'zesty-lattice/markup';

Object.assign(window, {
  compareCase: (at: number, planning: Planning) => {
    const one = cases[at];
    return one && compare(one, planning);
  },
});
