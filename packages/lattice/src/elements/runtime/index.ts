/**
 * What a built page has of the library: the functions that written code calls. Pages whose components are planned as
 * they are built load just those of them that their templates need; nothing else is for them to call.
 */
export { anyRule } from '../../component/kinds/any.js';
export { choiceRule } from '../../component/kinds/choice.js';
export { dateRule } from '../../component/kinds/date.js';
export { flagRule } from '../../component/kinds/flag.js';
export { listRule } from '../../component/kinds/list.js';
export { numberRule } from '../../component/kinds/number.js';
export { recordRule } from '../../component/kinds/record.js';
export { schemaRule } from '../../component/kinds/schema.js';
export { textRule } from '../../component/kinds/text.js';
export { urlRule } from '../../component/kinds/url.js';
export { readText, testedRule } from '../../component/rule.js';
export { anyRow, calculated, guarded, plainText } from '../../template/expression/evaluate.js';
export { compare, numberOf, ownField, plus, same } from '../../template/expression/operators.js';
export { isFilled, isFull, isSomething, ownerOf } from '../../template/scope.js';
export { acting } from './acting.js';
export { always } from './always.js';
export { attribute, checked, documentHtml, outerAttribute, plain, worded } from './attribute.js';
export { bind } from './bind.js';
export { changing } from './changing.js';
export { classes, inlineStyle, restyled, styles } from './class-and-style.js';
export { formSafe } from './dom.js';
export { each } from './each.js';
export { classOf } from './element.js';
export { failing } from './failing.js';
export { fieldFeature, fieldMembers } from './field.js';
export { fillerMembers, fillerWatch } from './fillers.js';
export { comparing } from './fixed.js';
export { given } from './given.js';
export { later } from './later.js';
export { leaving, life } from './life.js';
export { listen } from './listen.js';
export type { Live, LiveClass, LiveProp } from './live.js';
export { loading } from './loading.js';
export { sharing } from './page-sheets.js';
export { property } from './property.js';
export { ready } from './ready.js';
export { containing, define } from './register.js';
export { consuming, providing } from './shared-data.js';
export { lending, sheet, styled, wearing } from './sheets.js';
export { handed, receiving } from './slot.js';
export { slotWatch } from './slot-watch.js';
export { json, text } from './text.js';
export { filling, innerScope } from './use.js';
export { svgNodes, view } from './view.js';
