import { brandNodes, type Content, nodeBrand, placeNow } from '../node.js';

/** An element: `el.p({ class: 'note' }, 'Text')`. Attributes are kept as they were written. */
export class ElementNode {
  declare readonly [nodeBrand]: true;
  declare readonly kind: 'element';
  readonly place: object | undefined;
  /** The tag, or for `el.of` an expression of it. */
  readonly tag: unknown;
  readonly attributes: Readonly<Record<string, unknown>> | undefined;
  readonly content: readonly Content[];
  /** Attributes that HTML has given up, and that stand here on purpose. */
  old?: readonly string[];

  constructor(
    tag: unknown,
    attributes: Readonly<Record<string, unknown>> | undefined,
    content: readonly Content[],
    writtenBy: unknown,
  ) {
    this.place = placeNow(writtenBy);
    this.tag = tag;
    this.attributes = attributes;
    this.content = content;
  }

  parts(): readonly unknown[] {
    return [this.tag, this.attributes, this.content];
  }
}
brandNodes(ElementNode, 'element');
