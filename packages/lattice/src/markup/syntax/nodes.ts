/**
 * HTML text as a parser read it, in the one form that the rest of this room reads, whichever parser it was. Offsets
 * count characters from the start of the text; a page's own parser gives none.
 */
export type MarkupNode = MarkupElement | MarkupString | MarkupComment;

export interface MarkupElement {
  readonly kind: 'element';
  /** As the parser spells it: lower case, save for SVG's own. */
  readonly tag: string;
  readonly attributes: readonly MarkupAttribute[];
  /** Of a `template` element: what its content is. */
  readonly children: readonly MarkupNode[];
  readonly at: number | undefined;
}

export interface MarkupAttribute {
  readonly name: string;
  readonly value: string;
  /** Whether it is written by its name alone. */
  readonly isBare: boolean;
  readonly at: number | undefined;
  /** Where its value starts, behind the quote. */
  readonly valueAt: number | undefined;
}

export interface MarkupString {
  readonly kind: 'text';
  readonly text: string;
  readonly at: number | undefined;
}

export interface MarkupComment {
  readonly kind: 'comment';
  readonly text: string;
  readonly at: number | undefined;
}
