import { dev } from '../../problem/index.js';
import type { Scope } from '../../template/scope.js';
import { type Adoption, differs } from './adopted.js';
import type { Block, Scopes } from './block.js';
import { safe } from './dom.js';
import type { Instance } from './instance.js';
import type { View } from './view.js';

/**
 * Takes over what a server wrote. In its HTML each place that changes stands between two comments, `(` and `)`; all else
 * stands as in the view. So the two are walked side by side, all that never changes is compared, and nothing is made
 * anew. What is not as it should be is reported, and is to be made anew.
 */
export function adopting(instance: Instance, root: ShadowRoot): Block | null {
  // Its rules are the shared style sheets' from now on.
  root.querySelector('[data-rules]')?.remove();
  const adoption: Adoption = new Map();
  instance.adoption = adoption;
  try {
    const block = adopt(instance.live.view, root.firstChild, root, [instance.scope], instance, null);
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
  /** Pairs siblings with those of the view, a place counting as one; gives the last of them. */
  const pair = (top: Node | null, first: Node | null, around: Node, end?: Node | null): Node | null => {
    let node = first;
    let last: Node | null = null;
    for (let one = top; one; one = safe(one).nextSibling) {
      const attributes = onWay.get(safe(one));
      const isText = one instanceof Text;
      // A text that is alone in its element, and empty, has left no trace.
      if (attributes && isText && !node && !last) node = safe(around).insertBefore(new Text(), null);
      last = node;
      if (node && isMark(node, '(')) {
        last = close(instance, node);
        node = isText ? textIn(node, last, instance) : last;
      }
      if (!node || safe(node).nodeName !== safe(one).nodeName)
        return differs(
          instance,
          around,
          dev && `has ${node ? safe(node).nodeName : 'nothing'} where ${safe(one).nodeName} belongs`,
        );
      if (attributes) nodes.set(safe(one), safe(node));
      if (one instanceof Element) {
        if (attributes || !Node.prototype.isEqualNode.call(one, node)) {
          const element = node as Element;
          const isCustom = safe(one).nodeName.includes('-');
          compareAttributes(one, element, isCustom, attributes, instance);
          // What an element of somebody else's has written into itself is its own, and what a reader has typed is theirs.
          const isTheirs = (isCustom && !element.shadowRoot) || element instanceof HTMLTextAreaElement;
          if (attributes || !isTheirs)
            pair(safe(one).firstChild, safe(element).firstChild, element, isTheirs ? undefined : null);
        }
      } else if (!attributes && one.nodeValue !== node.nodeValue)
        differs(instance, around, dev && `says ${node.nodeValue} where ${one.nodeValue} belongs`);
      node = safe(last as Node).nextSibling;
    }
    if (end !== undefined && node !== end) differs(instance, around, dev && 'has more in it');
    return last;
  };
  const block = new Made(first, pair(top, first, parent, end), scopes, instance);
  block.take(shape, nodes);
  block.put(-1, 0, scopes[0] as Scope, instance);
  return block;
}

/** Compares attributes, save those that parts have, which look at them themselves. */
function compareAttributes(
  one: Element,
  element: Element,
  isCustom: boolean,
  others: readonly string[] = [],
  instance: Instance,
): void {
  for (const name of [...safe(one).getAttributeNames(), ...safe(element).getAttributeNames()]) {
    const wanted = safe(one).getAttribute(name);
    const got = safe(element).getAttribute(name);
    if (wanted === got || others.includes(name)) continue;
    // What a reader does before any script runs is left, and what an element of its own does to itself.
    if (wanted === null && (isCustom ? !name.startsWith('on') : /^(open|value|checked|selected)$/.test(name)))
      continue;
    // A style may say the same in other words.
    const style = (of: Element): string => (safe(of) as HTMLElement).style.cssText;
    if (name !== 'style' || style(one) !== style(element))
      differs(
        instance,
        element,
        dev && `has ${name}="${got}" where ${wanted === null ? 'none' : `"${wanted}"`} belongs`,
      );
  }
}

/** The closing comment of a place. */
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

/** The text in a place: one with nothing in it has no text node yet. */
function textIn({ nextSibling }: Node, end: Node, instance: Instance): Node {
  const text = nextSibling === end ? safe(end.parentNode as Node).insertBefore(new Text(), end) : nextSibling;
  return text?.nextSibling === end && text instanceof Text
    ? text
    : differs(instance, end.parentNode, dev && 'has more in the place of a text');
}

function isMark(node: Node, mark: string): boolean {
  return node instanceof Comment && node.data === mark;
}
