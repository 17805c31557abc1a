export { unknownAttribute, unknownTag } from './attribute-names.js';
export { acceptedOf, isNothing, propFault, settledValue, slotFault } from './bind.js';
export { closesRawText, rawTextFault } from './element-checks.js';
export { alwaysPlaces, fillTest, holdsSlot, usesSlots } from './filled.js';

export { referring } from './ids.js';
export { isInteractive } from './interactive.js';
export { elementMisfit, openName, textMisfit } from './nesting.js';
export type * from './plan.js';
export { misplaced, planContent, planOf } from './plan-content.js';
export { isUse, notAComponent, refuse, resolve, resolveOpen } from './resolve.js';
export { scopedRules } from './scope-rules.js';
export { readsShared, sharesOf } from './shared.js';
export {
  ComponentTree,
  type TreeCondition,
  type TreePart,
  type TreeProp,
  type TreeSlot,
  type TreeStyles,
  type TreeUse,
} from './tree.js';
