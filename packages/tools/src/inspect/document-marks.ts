import type { InspectedUse } from 'zesty-lattice/internal/tree';

/** A use that stands in the page's own HTML, and the one whose component wrote it. */
export interface MarkedUse {
  readonly use: InspectedUse;
  readonly around: MarkedUse | undefined;
}

const marked = new WeakMap<Node, MarkedUse>();

/** The use whose component wrote an element of the page's own HTML, where a server noted it. */
export function markedUse(element: Node): MarkedUse | undefined {
  return marked.get(element);
}

/** Reads the comments that a server wrote around uses, and takes them out: the page is as it is without them. */
export function readMarks(root: Document): void {
  const data = root.getElementById('lattice-inspected');
  if (!data) return;
  const uses = JSON.parse(data.textContent ?? '[]') as readonly InspectedUse[];
  data.remove();
  const comments: Comment[] = [];
  /** The uses that are open, and those that were so where a slot's content began. */
  const open: (MarkedUse | undefined)[] = [];
  const before: (MarkedUse | undefined)[] = [];
  let now: MarkedUse | undefined;
  const walker = root.createTreeWalker(root, NodeFilter.SHOW_ELEMENT | NodeFilter.SHOW_COMMENT);
  while (walker.nextNode()) {
    const node = walker.currentNode;
    if (!(node instanceof Comment)) {
      if (now) marked.set(node, now);
      continue;
    }
    const [, sign] = /^lattice:(\d+|[/^v])$/.exec(node.data) ?? [];
    if (sign === undefined) continue;
    comments.push(node);
    if (sign === '/') now = open.pop();
    else if (sign === '^') {
      before.push(now);
      now = now?.around;
    } else if (sign === 'v') now = before.pop();
    else {
      open.push(now);
      const use = uses[Number(sign)];
      now = use && { use, around: now };
    }
  }
  for (const comment of comments) comment.remove();
}
