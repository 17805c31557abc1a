export { standsApart } from './apart.js';
export { mapAttribute, markIn, mergedAttributes } from './attributes/accepted.js';
export { ItemPlace } from './attributes/bound-to.js';
export { classPrefix } from './attributes/class.js';
export {
  type AttributeOf,
  type AttributeTable,
  attributeReads,
  byAttribute,
  type ClassPiece,
  markKey,
  type PlanAttribute,
} from './attributes/plan-attribute.js';
export { planAttributes } from './attributes/plan-attributes.js';
export { startsAsAttribute } from './attributes/properties.js';
export { slotFault } from './bind.js';
export { type Block, type Filled, filledCore, readsOp } from './block.js';
export { failedUse } from './failed-use.js';
export { dissolvedContent, hostTag, inHostBox } from './host-box.js';
export { hostContent } from './host-content.js';
export { hasHostRules } from './host-rules.js';
export { inspecting } from './inspecting.js';
export { isElementOnlyToProvide, isInteractive } from './interactive.js';
export { elementMarks, fillsWithData, isMarkedInShadow } from './marks.js';
export type { Node } from './nodes/index.js';
export { attributesIn, givenHere, givenIn, hostAttributesIn, unplacedOwn } from './outermost.js';
export type * from './plan.js';
export { blocksOf, misplaced, planContent, planOf, planOnTheSpot } from './planner.js';
export { closesRawText, rawTextFault } from './raw-text.js';
export { withUsed } from './registering.js';
export { repeatedSlots } from './repeated-slots.js';
export { blueprintOf, filledExpr } from './run-template.js';
export { markSelectors, marksIn, type SelectorMarks, slottedSelector } from './selectors.js';
export { settledProp } from './settle.js';
export { readsShared, sharesOf } from './shared.js';
