export { type Accepted, accepted, acceptedHere, takesAccepted } from './accepted.js';
export { isAsyncRows } from './async-rows.js';
export * from './attributes/index.js';
export type {
  Attr,
  Builder,
  ClassInput,
  CommonAttributes,
  StyleInput,
  VoidBuilder,
} from './attributes/types.js';
export { blankSlot, isBlank, showsMarkup, trimmedEnd, trimmedStart } from './blank.js';
export type { AttributesOfAny } from './builders.js';
export { controlText } from './control-text.js';
export type { DomElement, DomElements, DomEvent, DomFetch, DomSignal } from './dom-names.js';
export { builderOf, el } from './el.js';
export { calc, isSame, phrase, uid } from './expression/calc.js';
export { canFail } from './expression/can-fail.js';
export { describe } from './expression/describe.js';
export { failedValue, guarded, plainText } from './expression/evaluate.js';
export type { Expr, ExprOf, StateExpr } from './expression/expr.js';
export { coreOf, describeValue, ExprCore, fieldOf, isCore, operand, operandOf } from './expression/expr.js';
export { inputsOf, isAnew, readingOf, withInputs } from './expression/inputs.js';
export {
  type BinaryOperator,
  byOp,
  type Core,
  type Get,
  type Op,
  type OpName,
  type OpOf,
  type OpTable,
  type Whereabouts,
} from './expression/ops.js';
export { htmlFragment } from './fragment.js';
export { HandlerCall, handlerCaller, isHandlerCall, isListenerFunction, retryName } from './handler-call.js';
export { idPart } from './id-part.js';
export { isJson, jsonBlock, jsonFault } from './json.js';
export { type LoadBranches, type LoadExpr, loadBranches, whenLoaded } from './load.js';
export {
  failedState,
  fetching,
  type LoadFault,
  type LoadState,
  lateError,
  loadedFor,
  loadedState,
  loadKey,
  mostTimeOut,
  propHash,
  stateValues,
  usualTimeOut,
  waitingState,
  watched,
  watchedState,
  within,
} from './load-state.js';
export { mergeAttributes } from './merge.js';
export type { AnyNode, Content, TemplateNode, Textual } from './node.js';
export { brandNodes, isNode, isRecord, nodeBrand, placeNow, placeOfNode, withSource } from './node.js';
export { isNodePlace, NodePlace } from './node-place.js';
export * from './nodes/index.js';
export { once } from './once.js';
export { placedExprs } from './placed.js';
export { currentRun, deeper, during, keepLines, keepsLines, type Run } from './run-state.js';
export { type Scanned, type ScannedTag, scanned } from './scan.js';
export type { Fill, Scope, Site, SiteStep } from './scope.js';
export { isFilled, isFull, isSomething, ownerOf, pathOf, stepText } from './scope.js';
export { type Provided, type Share, share, shareReader } from './share.js';
