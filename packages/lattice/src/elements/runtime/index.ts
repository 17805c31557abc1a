/**
 * What a built page has of the library: the functions that written code calls. Pages whose components are planned as
 * they are built load just those of them that their templates need; nothing else is for them to call.
 */
export { anyRule } from '../../component/kinds/any.js';
export { choiceRule } from '../../component/kinds/choice.js';
export { dateRule } from '../../component/kinds/date.js';
export { flagRule } from '../../component/kinds/flag.js';
export { functionRule } from '../../component/kinds/function.js';
export { listRule } from '../../component/kinds/list.js';
export { numberRule } from '../../component/kinds/number.js';
export { recordRule } from '../../component/kinds/record.js';
export { schemaRule } from '../../component/kinds/schema.js';
export { textRule } from '../../component/kinds/text.js';
export { urlRule } from '../../component/kinds/url.js';
export { usesRule } from '../../component/kinds/uses-rule.js';
export { readText, testedRule } from '../../component/rule.js';
export { anyRow, calculated, guarded, plainText } from '../../template/expression/evaluate.js';
export { compare, numberOf, ownField, plus, same } from '../../template/expression/operators.js';
export { isFilled, isFull, isSomething, ownerOf } from '../../template/scope.js';
export { Block } from './block.js';
export * from './called.js';
export { safe } from './dom.js';
export { classOf } from './element.js';
export { featured, masks } from './featured.js';
export type { Live, LiveClass, LiveProp } from './live.js';
export { sharing } from './page-sheets.js';
export { containing, define } from './register.js';
export { lending, sheet, styled } from './sheets.js';
export { putText } from './text.js';
export { styledNodes, styledSvgNodes, svgNodes, view } from './view.js';
