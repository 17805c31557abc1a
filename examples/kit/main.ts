import { register } from 'zesty-lattice/elements';
import { DayPlanner } from './day-planner.js';

register(DayPlanner);
