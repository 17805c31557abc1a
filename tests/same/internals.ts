// The few parts inside the library that the comparison needs: what a template came to, and code written ahead.
export {
  type AnyKind,
  type ComponentCore,
  componentCore,
  type UseNode,
} from '../../packages/lattice/src/component/index.js';
export {
  NotWritten,
  own,
  type Sources,
  writeComponent,
} from '../../packages/lattice/src/elements/code/index.js';
export { liveOf } from '../../packages/lattice/src/elements/in-page.js';
export { countInPage } from '../../packages/lattice/src/elements/interpret.js';
export * as runtime from '../../packages/lattice/src/elements/runtime/index.js';
export { codeAhead, codeOf } from '../../packages/lattice/src/html/code/ahead.js';
export { provideCode } from '../../packages/lattice/src/html/code/index.js';
export { blueprintOf, type Node } from '../../packages/lattice/src/plan/index.js';
export {
  acceptedHere,
  type Core,
  coreOf,
  ExprCore,
  HandlerCall,
  isHandlerCall,
  isListenerFunction,
  isNode,
  isRecord,
} from '../../packages/lattice/src/template/index.js';
