/**
 * What a built page has of the library: the functions that written code calls. Pages whose components are planned as
 * they are built load just those of them that their templates need; nothing else is for them to call.
 */
export { plainText, workedGetter } from '../../template/calc.js';
export { isFilled, isSomething } from '../../template/frame.js';
export { compare, numberOf, ownField, plus, same } from '../../template/operators.js';
export { always, isFull } from './always.js';
export { attribute, checked, documentHtml, plain, worded } from './attribute.js';
export { bind } from './bind.js';
export { changing } from './changing.js';
export { classes, styles } from './class-and-style.js';
export { each } from './each.js';
export { classOf } from './element.js';
export { fieldMembers, fieldPart } from './field.js';
export { fillerMembers } from './fillers.js';
export { given } from './given.js';
export {
  anyKind,
  anyRecordKind,
  choiceKind,
  dateKind,
  flagKind,
  listKind,
  listOf,
  numberKind,
  recordKind,
  schemaKind,
  testedKind,
  textKind,
  urlKind,
} from './kinds.js';
export { leaving, life } from './life.js';
export { listen } from './listen.js';
export type { Live, LiveClass, LiveKind, LiveProp } from './live.js';
export { property } from './property.js';
export { ready } from './ready.js';
export { containing, define } from './register.js';
export { consuming, providing } from './shared-data.js';
export { sheet, styled } from './sheets.js';
export { depending, handed } from './slot.js';
export { slotWatch } from './slot-watch.js';
export { text } from './text.js';
export { filling, innerFrame } from './use.js';
export { htmlNodes, svgNodes, view } from './view.js';
