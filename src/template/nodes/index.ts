import type { EachNode } from './each.js';
import type { ElementNode } from './element.js';
import type { GivenNode } from './given.js';
import type { SlotNode } from './slot.js';
import type { TrustedNode } from './trusted.js';
import type { UseNode } from './use.js';

export { EachNode, eachOf } from './each.js';
export { ElementNode } from './element.js';
export { GivenNode, given } from './given.js';
export { SlotNode } from './slot.js';
export { TrustedNode, trusted } from './trusted.js';
export { type SlotContent, UseNode } from './use.js';

/** The node kinds. */
export type Node = ElementNode | GivenNode | EachNode | SlotNode | TrustedNode | UseNode;
