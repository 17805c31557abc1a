import { dev } from '../../problem/index.js';
import type { Scope } from '../../template/scope.js';
import { type Adoption, differs } from './adopted.js';
import type { Block, Scopes } from './block.js';
import { safe } from './dom.js';
import type { Instance } from './instance.js';
import { lookAt, lookedAtAll, type Pair } from './look.js';
import type { View } from './view.js';

/**
 * Takes over what a server wrote. In its HTML each place that changes stands between two comments, `(` and `)`; all else
 * stands as in the view. So the two are walked side by side, and nothing is made anew. What is not as it should be is
 * reported, and is to be made anew.
 */
export function adopting(instance: Instance, root: ShadowRoot): Block | null {
  // Its rules are the shared style sheets' from now on.
  root.querySelector('[data-rules]')?.remove();
  const adoption: Adoption = new Map();
  instance.adoption = adoption;
  try {
    const block = adopt(instance.live.view, root.firstChild, root, [instance.scope], instance, null);
    lookedAtAll(instance);
    adoption.done?.map((work) => work());
    return block;
  } catch (thrown) {
    if (thrown !== adoption) throw thrown;
    return null;
  } finally {
    instance.adoption = undefined;
  }
}

/** Makes a block of nodes that a server wrote, from the first on; `end` is what has to follow them, where that is known. */
export function adopt(
  view: View,
  first: Node | null,
  parent: Node,
  scopes: Scopes,
  instance: Instance,
  end?: Node | null,
): Block {
  const { first: top, Made, onWay, shape } = view();
  const nodes = new Map<unknown, Node>();
  /** Finds the nodes on the way among siblings, a place counting as one; gives the last of all. */
  const pair: Pair = (top, first, around) => {
    let node = first;
    let last: Node | null = null;
    for (let one = top; one; one = safe(one).nextSibling) {
      const isOnWay = onWay.has(safe(one));
      const isText = one instanceof Text;
      // A text that is alone in its element, and empty, has left no trace.
      if (!node && !last && isOnWay && isText) node = safe(around).insertBefore(new Text(), null);
      last = node;
      if (node && isMark(node, '(')) {
        last = close(instance, node);
        node = isText ? textBefore(last) : last;
      }
      if (!node || safe(node).nodeName !== safe(one).nodeName)
        return differs(
          instance,
          around,
          dev && `has ${node ? safe(node).nodeName : 'nothing'} where ${safe(one).nodeName} belongs`,
        );
      if (isOnWay) nodes.set(safe(one), safe(node));
      lookAt(one, node, isOnWay, instance, pair);
      node = safe(last as Node).nextSibling;
    }
    return last;
  };
  const last = pair(top, first, parent);
  // As `after` and `ended` have it, written out: every page carries this.
  if (end !== undefined && end !== (last ? safe(last).nextSibling : first))
    differs(instance, parent, dev && 'has more in it');
  const block = new Made(first, last, scopes, instance);
  block.take(shape, nodes);
  block.put(-1, 0, scopes[0] as Scope, instance);
  return block;
}

function close(instance: Instance, start: Node): Node {
  let depth = 0;
  for (let node: Node | null = start; node; node = safe(node).nextSibling) {
    if (isMark(node, '(')) depth++;
    else if (isMark(node, ')') && --depth === 0) {
      instance.adoption?.set(node, start);
      return node;
    }
  }
  return differs(instance, start.parentNode, dev && 'has a place that is not closed');
}

/** What stands in the place of a text: one with nothing in it has no text node yet. */
function textBefore(end: Node): Node {
  const { parentNode, previousSibling } = end;
  return previousSibling instanceof Text
    ? previousSibling
    : safe(parentNode as Node).insertBefore(new Text(), end);
}

function isMark(node: Node, mark: string): boolean {
  return node instanceof Comment && node.data === mark;
}
