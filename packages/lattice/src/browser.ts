// 'zesty-lattice/browser': authoring and elements in one module, for pages without a build. Templates may be texts; what
// is known before a page is served, such as its tree, is Node's to tell.
import './markup/page.js';

export type {
  AnyComponent,
  Component,
  PropsOf,
  SendingComponent,
  SlotsOf,
  TagComponent,
  Use,
} from './component/index.js';
export { component, definition, event, type Kind, node, preset, prop, slot } from './component/index.js';
export { type ElementClass, elementClass, register } from './elements/index.js';
export { LatticeError, type Problem } from './problem/index.js';
export {
  type Content,
  calc,
  type Expr,
  eachOf,
  el,
  given,
  isSame,
  phrase,
  type Share,
  share,
  trusted,
  uid,
  whenLoaded,
} from './template/index.js';
