// Rules of components, for `zesty-lattice-tools` of the same version. No part of the public interface: it changes without notice.

export { parseCss } from '../styles/css.js';
export * from '../styles/index.js';
