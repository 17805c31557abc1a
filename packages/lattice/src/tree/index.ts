export { unknownAttribute, unknownTag } from './attribute-names.js';
export { attributeValueFault } from './attribute-values.js';
export { childrenFault, misplacedElement } from './conforming.js';
export { isLabelable, labelFault } from './element-checks.js';
export { referring } from './ids.js';
export { type InspectedUse, inspectedUse, usesByPath } from './inspected.js';
export { elementMisfit, type Misfit, openName, textMisfit } from './nesting.js';
export { placementFault, placementText } from './placement.js';
export { isUse, notAComponent, refuse, resolve, resolveOpen } from './resolve.js';
export { isSeen } from './seen-content.js';
export { spotProblems } from './spot-problems.js';
export {
  ComponentTree,
  type TreeCondition,
  type TreePart,
  type TreeProp,
  type TreeSlot,
  type TreeStyles,
  type TreeUse,
} from './tree.js';
export { absentWords, conditionWords, countWords, slotWords, valueWords } from './words.js';
