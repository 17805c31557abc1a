export {
  EachNode,
  type EachOptions,
  eachOf,
  localExpr,
  parameterName,
  type RowExpr,
  type Rows,
} from './each.js';
export { ElementNode } from './element.js';
export { GivenNode, given } from './given.js';
export { SlotNode } from './slot.js';
export { TrustedNode, trusted } from './trusted.js';
