// The few parts inside the library that the comparison needs: what a template came to, and code written ahead.
export { type AnyKind, type ComponentCore, componentCore, type UseNode } from '../../src/component/index.js';
export { NotWritten, own, type Sources, writeComponent } from '../../src/elements/code/index.js';
export { liveOf } from '../../src/elements/in-page.js';
export { countInPage } from '../../src/elements/interpret.js';
export * as runtime from '../../src/elements/runtime/index.js';
export { codeAhead } from '../../src/html/code/ahead.js';
export { type Factory, making, provideCode } from '../../src/html/code/index.js';
export { blueprintOf, type Node } from '../../src/plan/index.js';
export {
  acceptedHere,
  type Core,
  coreOf,
  HandlerCall,
  isHandlerCall,
  isNode,
  isRecord,
} from '../../src/template/index.js';
