// What templates are planned to, for `zesty-lattice-tools` of the same version. No part of the public interface: it changes without notice.
export * from '../plan/index.js';
