import { BaseNode, type Content } from '../node.js';

/** An element: `el.p({ class: 'note' }, 'Text')`. Attributes are kept as they were written. */
export class ElementNode extends BaseNode {
  readonly kind = 'element';
  /** The tag, or for `el.of` an expression of it. */
  readonly tag: unknown;
  readonly attributes: Readonly<Record<string, unknown>> | undefined;
  readonly content: readonly Content[];

  constructor(
    tag: unknown,
    attributes: Readonly<Record<string, unknown>> | undefined,
    content: readonly Content[],
    writtenBy: unknown,
  ) {
    super(writtenBy);
    this.tag = tag;
    this.attributes = attributes;
    this.content = content;
  }
}
