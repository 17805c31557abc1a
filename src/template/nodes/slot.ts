import { BaseNode, type Content } from '../node.js';

/** The place of a slot in a template: `slots.badge(fallback)`. */
export class SlotNode extends BaseNode {
  readonly kind = 'slot';
  readonly name: string;
  /** What the slot hands to its filler: a plain value or an expression. */
  readonly data: unknown;
  readonly fallback: Content;

  constructor(name: string, data: unknown, fallback: Content, writtenBy: unknown) {
    super(writtenBy);
    this.name = name;
    this.data = data;
    this.fallback = fallback;
  }
}
