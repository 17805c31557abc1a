// Problems and their words, for `zesty-lattice-tools` of the same version. No part of the public interface: it changes without notice.
export * from '../problem/index.js';
export { safeUrlPattern } from '../problem/script-url.js';
export { words } from '../problem/words.js';
