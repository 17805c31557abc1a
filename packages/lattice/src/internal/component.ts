// Components as they are defined, for `zesty-lattice-tools` of the same version. No part of the public interface: it changes without notice.
export * from '../component/index.js';
