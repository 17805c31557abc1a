/**
 * Taking over a shadow root that a server wrote. In its HTML each place that changes stands between two comments,
 * `(` and `)`; all else stands as in the view. So the two can be walked side by side, and nothing is made anew.
 */
export class Adoption {
  /** The opening comment of each place, by its closing one. */
  readonly #starts = new Map<Node, Node>();

  /** The first node of what stands in a place. */
  inside(end: Node): Node {
    const start = this.#starts.get(end);
    if (!start?.nextSibling) throw new MarkupDiffers(`a place in ${nameOf(end.parentNode)} is not marked`);
    return start.nextSibling;
  }

  /** So many siblings from a node on, a place counting as one and standing for its closing comment. */
  siblings(first: Node | null, count: number, parent: Node | null): Node[] {
    const found: Node[] = [];
    let node = first;
    while (found.length < count) {
      if (!node) throw new MarkupDiffers(`${nameOf(parent)} has ${found.length} parts and not ${count}`);
      const end = isMark(node, '(') ? this.#close(node) : node;
      found.push(end);
      node = end.nextSibling;
    }
    return found;
  }

  #close(start: Node): Node {
    let depth = 0;
    for (let node: Node | null = start; node; node = node.nextSibling) {
      if (isMark(node, '(')) depth++;
      else if (isMark(node, ')') && --depth === 0) {
        this.#starts.set(node, start);
        return node;
      }
    }
    throw new MarkupDiffers(`a place in ${nameOf(start.parentNode)} is not closed`);
  }
}

/** The markup is not what the component would write now. */
export class MarkupDiffers extends Error {}

function isMark(node: Node, mark: string): boolean {
  return node.nodeType === Node.COMMENT_NODE && (node as Comment).data === mark;
}

export function nameOf(node: Node | null | undefined): string {
  return node instanceof Element ? `<${node.localName}>` : 'the shadow root';
}
