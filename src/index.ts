import '#markup';

export type {
  AnyComponent,
  Component,
  PropsOf,
  SendingComponent,
  SlotsOf,
  Use,
} from './component/index.js';
export { component, definition, event, type Kind, preset, prop, slot } from './component/index.js';
export { LatticeError, type Problem } from './problem/index.js';
export {
  type Content,
  calc,
  type Expr,
  eachOf,
  el,
  given,
  phrase,
  type Share,
  share,
  trusted,
  uid,
} from './template/index.js';
export { ComponentTree, resolve } from './tree/index.js';
