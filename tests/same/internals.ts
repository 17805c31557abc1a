// The few parts inside the library that the comparison needs: what a template came to, and code written ahead.
export { type ComponentCore, componentCore } from '../../src/component/index.js';
export { countInPage } from '../../src/elements/draft/sketch.js';
export * as runtime from '../../src/elements/live/index.js';
export { liveOf } from '../../src/elements/live-component.js';
export { NotWritten, own, type Sources, writeComponent } from '../../src/elements/written/index.js';
export {
  acceptedHere,
  blueprintOf,
  coreOf,
  type ExprCore,
  HandlerCall,
  isHandlerCall,
  isNode,
  isRecord,
  type Node,
  type UseNode,
} from '../../src/template/index.js';
