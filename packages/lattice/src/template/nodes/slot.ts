import { brandNodes, type Content, nodeBrand, placeNow } from '../node.js';

/** The place of a slot in a template: `slots.badge(fallback)`. */
export class SlotNode {
  declare readonly [nodeBrand]: true;
  declare readonly kind: 'slot';
  readonly place: object | undefined;
  readonly name: string;
  /** What the slot hands to its filler: a plain value or an expression. */
  readonly data: unknown;
  readonly fallback: Content;

  constructor(name: string, data: unknown, fallback: Content, writtenBy: unknown) {
    this.place = placeNow(writtenBy);
    this.name = name;
    this.data = data;
    this.fallback = fallback;
  }

  parts(): readonly unknown[] {
    return [this.data, this.fallback];
  }
}
brandNodes(SlotNode, 'slot');
