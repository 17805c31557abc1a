// Nodes and expressions, for `zesty-lattice-tools` of the same version. No part of the public interface: it changes without notice.
export * from '../template/index.js';
