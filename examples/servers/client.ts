import { register } from 'zesty-lattice/elements';
import { LogBook, WaterGauge } from './components.js';

register(LogBook, WaterGauge);
