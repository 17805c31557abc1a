import { register } from 'zesty-lattice/elements';
import { ClockBoard, ClockRow, CrateClock } from './reached-parts.js';

Object.assign(globalThis, { start: () => register(ClockRow, ClockBoard, CrateClock) });
