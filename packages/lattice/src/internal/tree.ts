// The resolved tree and its checks, for `zesty-lattice-tools` of the same version. No part of the public interface: it changes without notice.
export * from '../tree/index.js';
export type { InspectedProp, InspectedUse } from '../tree/inspected.js';
export { countWords } from '../tree/words.js';
