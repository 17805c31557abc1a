// Before any test: the library as it is built has to be no older than its sources.
import { build } from './setup.mjs';

export default build;
