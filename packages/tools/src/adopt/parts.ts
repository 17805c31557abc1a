/** A template drawn from existing HTML: what all blocks share, with a prop or a slot where they differ. */
export type Part = ElementPart | TextPart | CommentPart | SlotPart;

export interface ElementPart {
  readonly kind: 'element';
  readonly tag: string;
  readonly attributes: readonly AttributePart[];
  readonly content: readonly Part[];
}

export interface AttributePart {
  readonly name: string;
  /** True where the attribute is written by its name alone; else pieces of text and props. */
  readonly value: true | readonly Piece[];
}

export interface TextPart {
  readonly kind: 'text';
  readonly pieces: readonly Piece[];
}

export interface CommentPart {
  readonly kind: 'comment';
  readonly text: string;
}

export interface SlotPart {
  readonly kind: 'slot';
  readonly name: string;
}

/** Text that is the same in all blocks, or the prop that holds what differs. */
export type Piece = string | { readonly prop: string };
