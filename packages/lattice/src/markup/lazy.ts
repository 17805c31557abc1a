// Stands for node.ts in Node's bundle: the parser of HTML is loaded when the first template text is read.
import { createRequire } from 'node:module';
import { setMarkupReader } from '../component/index.js';

const load = createRequire(import.meta.url);
// The bundle of node-reader.ts (https://nodejs.org/api/modules.html#loading-ecmascript-modules-using-require).
const loaded = () => (load('./markup-reader.js') as typeof import('./node-reader.js')).reader;

setMarkupReader({
  content: (context) => loaded().content(context),
  slots: (text) => loaded().slots(text),
});
