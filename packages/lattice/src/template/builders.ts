import type { AttributesOf, GlobalAttributes, VoidTag } from '../generated/attributes.js';
import type { Attr, Builder, VoidBuilder } from './attributes/types.js';
import type { ExprOf } from './expression/expr.js';
import type { Content, TemplateNode } from './node.js';

/** The builders of `el`: one for each element of HTML and SVG, and `of` for a tag known at render time. */
export type ElementBuilders = {
  readonly [Tag in keyof AttributesOf]: Tag extends VoidTag
    ? VoidBuilder<AttributesOf[Tag]>
    : Builder<AttributesOf[Tag]>;
} & {
  /**
   * An element whose tag is a `prop.tag`, or a custom element from elsewhere by its name.
   *
   * @example el.of(props.tag, { class: 'line' }, slots.default())
   */
  readonly of: <Tag extends string>(
    tag: Tag | ExprOf<Tag>,
    first?: AttributesOfAny<Tag> | Content,
    ...content: Content[]
  ) => TemplateNode;
};

/** The attributes of a tag, or of whichever of several tags; a custom element takes any. */
export type AttributesOfAny<Tag extends string> = [Tag] extends [keyof AttributesOf]
  ? AttributesOf[Tag]
  : GlobalAttributes & { readonly [name: string]: Attr<string | number | boolean> | unknown };
