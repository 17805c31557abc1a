import { htmlFragment } from '../../template/index.js';

/**
 * The nodes of a view before they are a page's: they can become nodes of a document, or HTML.
 */
export type Sketch = SketchElement | SketchText | SketchSpot | SketchReady;

/** What content is put into: an element, or the view itself. */
export interface Around {
  readonly content: Sketch[];
}

export class SketchElement implements Around {
  readonly tag: string;
  readonly isSvg: boolean;
  readonly attributes = new Map<string, string>();
  readonly content: Sketch[] = [];

  constructor(tag: string, isSvg = false) {
    this.tag = tag;
    this.isSvg = isSvg;
  }
}

export class SketchText {
  text: string;

  constructor(text: string) {
    this.text = text;
  }
}

/** Where something is to stand: a text that is empty at first, or a comment that marks the end of a place. */
export class SketchSpot {
  readonly kind: 'text' | 'mark';

  constructor(kind: 'text' | 'mark') {
    this.kind = kind;
  }
}

/** Ready-made HTML. How many nodes it is only its parser can say. */
export class SketchReady {
  readonly html: string;

  constructor(html: string) {
    this.html = html;
  }
}

const svgSpace = 'http://www.w3.org/2000/svg';

/** The nodes of a sketch, in a page. */
export function nodesOf(content: readonly Sketch[]): DocumentFragment {
  const fragment = document.createDocumentFragment();
  for (const one of content) fragment.appendChild(nodeOf(one));
  return fragment;
}

function nodeOf(sketch: Sketch): Node {
  if (sketch instanceof SketchText) return document.createTextNode(sketch.text);
  if (sketch instanceof SketchReady) return htmlFragment(sketch.html);
  if (sketch instanceof SketchSpot)
    return sketch.kind === 'text' ? document.createTextNode('') : document.createComment('');
  const { tag, isSvg, attributes, content } = sketch;
  const element = isSvg ? document.createElementNS(svgSpace, tag) : document.createElement(tag);
  for (const [name, value] of attributes) element.setAttribute(name, value);
  const home = element instanceof HTMLTemplateElement ? element.content : element;
  home.appendChild(nodesOf(content));
  return element;
}

/** How many nodes stand in a place of a sketch, as a parser makes them. */
export type CountNodes = (html: string) => number;

/** Counts the nodes of ready-made HTML in a page. */
export const countInPage: CountNodes = (html) => htmlFragment(html).childNodes.length;
