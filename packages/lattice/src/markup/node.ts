// Loaded with the authoring door where there is no page: templates may then be HTML text. It stands for '#markup' in
// package.json; in a page that is page-none.ts, and importing 'zesty-lattice/markup' takes its part. Node's bundle has
// lazy.ts in its place.
import { setMarkupReader } from '../component/index.js';
import { reader } from './node-reader.js';

setMarkupReader(reader);
