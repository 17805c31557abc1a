/** The nodes of a view that never change, before they are a page's: they can become nodes of a document, or HTML. */
export type StaticNode = StaticElement | StaticText | Anchor | StaticHtml;

/** What content is put into: an element, or the view itself. */
export interface Around {
  readonly content: StaticNode[];
}

export class StaticElement implements Around {
  readonly tag: string;
  readonly isSvg: boolean;
  readonly attributes = new Map<string, string>();
  readonly content: StaticNode[] = [];

  constructor(tag: string, isSvg = false) {
    this.tag = tag;
    this.isSvg = isSvg;
  }
}

export class StaticText {
  text: string;

  constructor(text: string) {
    this.text = text;
  }
}

/** Where something dynamic is to stand: a text that is empty at first, or a comment that marks where it ends. */
export class Anchor {
  readonly kind: 'text' | 'mark';

  constructor(kind: 'text' | 'mark') {
    this.kind = kind;
  }
}

/** Ready-made HTML. How many nodes it is only its parser can say. */
export class StaticHtml {
  readonly html: string;

  constructor(html: string) {
    this.html = html;
  }
}

/** How many nodes HTML comes to, as a parser makes them. */
export type CountNodes = (html: string) => number;
