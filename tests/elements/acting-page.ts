import { register } from 'zesty-lattice/elements';
import { PickHall, RestlessNote, StallPick, StallPickText } from './acting-parts.js';

Object.assign(window, { start: () => register(PickHall, RestlessNote, StallPick, StallPickText) });
