import { register } from 'zesty-lattice/elements';
import { CrateTable } from './crate-table.js';

register(CrateTable);
