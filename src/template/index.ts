export { type Accepted, accepted, acceptedHere, takesAccepted } from './accepted.js';
export * from './attributes/index.js';
export type { Attr, Builder, ClassInput, StyleInput, VoidBuilder } from './attributes/types.js';
export type { AttributesOfAny } from './builders.js';
export { calc, phrase, plainText, uid, worked } from './calc.js';
export { el } from './el.js';
export type { Expr, ExprOf, Op, ReadText, StateExpr } from './expr.js';
export { coreOf, describe, describeValue, ExprCore, fieldOf, getterOf, inputsOf, isCore } from './expr.js';
export { htmlFragment } from './fragment.js';
export type { Fill, Frame, Site, SiteStep } from './frame.js';
export { isFilled, isSomething, pathOf, stepText } from './frame.js';
export { eventArgument, HandlerCall, isHandlerCall } from './handler-call.js';
export { idPart } from './id-part.js';
export { mergeAttributes } from './merge.js';
export type { Content, TemplateNode, Textual } from './node.js';
export { BaseNode, isNode, isRecord } from './node.js';
export { localExpr } from './nodes/each.js';
export * from './nodes/index.js';
export { compare, numberOf, ownField, plus, same } from './operators.js';
export { placedExprs } from './placed.js';
export type { Blueprint } from './run.js';
export {
  blueprintOf,
  filledExpr,
  type MarkupReader,
  setMarkupReader,
  type TemplateText,
  type TextContext,
  textSlots,
} from './run.js';
export { currentRun, deeper } from './run-state.js';
export { type Provided, type Share, share } from './share.js';
