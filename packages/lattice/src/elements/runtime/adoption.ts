import { dev } from '../../problem/index.js';
import type { Scope } from '../../template/scope.js';
import { type Adoption, differs, nameOf } from './adopted.js';
import type { Block, Scopes } from './block.js';
import { safe } from './dom.js';
import type { Instance } from './instance.js';
import { type Paired, pairOf } from './paired.js';
import type { View } from './view.js';

/**
 * Takes over what a server wrote. In its HTML each place that changes stands between two comments, `(` and `)`; all else
 * stands as in the view. So the two are walked side by side, all that never changes is compared, and nothing is made
 * anew. What is not as it should be is reported, and is to be made anew.
 */
export function adopting(instance: Instance, root: ShadowRoot): Block | undefined {
  const adoption: Adoption = new Map();
  instance.adoption = adoption;
  try {
    return adopt(instance.live.view, root.firstChild, root, [instance.scope], instance, null);
  } catch (thrown) {
    if (thrown !== adoption) throw thrown;
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
  const { first: top, Made, shape } = view();
  /** Pairs siblings with those of the view, a place counting as one; gives the last of them. */
  const walk = (top: Node | null, first: Node | null, around: Node, end?: Node | null): Node | null => {
    let node = first;
    let last: Node | null = null;
    for (let one: Paired | null = top; one; ) {
      const pair = one[pairOf];
      const wanted: Node = safe(one as Node);
      const isText = one instanceof Text;
      const start = node;
      last = node;
      if (start && isMark(start, '(')) {
        last = node = close(instance, start);
        if (isText) {
          // One with nothing in it has no text node yet.
          node = last.previousSibling;
          if (node === start) node = safe(around).insertBefore(new Text(), last);
          if (node?.previousSibling !== start)
            dev ? differs(instance, `${nameOf(around)} has more in the place of a text`) : differs(instance);
        }
      }
      // A text that is alone in its element, and empty, has left no trace.
      if (!node && pair && isText) node = safe(around).insertBefore(new Text(), null);
      const got: Node | null = safe(node);
      if (got?.nodeName !== wanted.nodeName)
        return dev
          ? differs(
              instance,
              `${nameOf(around)} has ${got?.nodeName ?? 'nothing'} where ${wanted.nodeName} belongs`,
            )
          : differs(instance);
      if (pair) pair.node = node as Node;
      if (one instanceof Element) {
        if (pair || !wanted.isEqualNode(node)) {
          const element = node as Element;
          compareAttributes(wanted as Element, got as Element, pair?.own, instance);
          // What an element of somebody else's has written into itself is its own, and what a reader has typed is theirs.
          const isTheirs =
            (wanted.nodeName.includes('-') && !element.shadowRoot) || element instanceof HTMLTextAreaElement;
          if (pair || !isTheirs)
            walk(wanted.firstChild, got.firstChild, element, isTheirs ? undefined : null);
        }
      } else if (!pair && (wanted as Text).data !== (got as Text).data)
        dev
          ? differs(
              instance,
              `${nameOf(around)} says ${(got as Text).data} where ${(wanted as Text).data} belongs`,
            )
          : differs(instance);
      one = wanted.nextSibling;
      node = last && safe(last).nextSibling;
    }
    if (end !== undefined && node !== end)
      dev ? differs(instance, `${nameOf(around)} has more in it`) : differs(instance);
    return last;
  };
  const block = new Made(first, walk(top, first, parent, end), scopes, instance);
  block.take(shape);
  block.put(-1, 0, scopes[0] as Scope, instance);
  return block;
}

/** Compares attributes, save those that parts have, which look at them themselves. */
function compareAttributes(
  one: Element,
  element: Element,
  others: readonly string[] | undefined,
  instance: Instance,
): void {
  for (const name of [...one.getAttributeNames(), ...element.getAttributeNames()]) {
    const wanted = one.getAttribute(name);
    const got = element.getAttribute(name);
    if (
      wanted !== got &&
      !others?.includes(name) &&
      // What a reader does before any script runs is left, and what an element of its own does to itself.
      (wanted !== null ||
        (one.nodeName.includes('-')
          ? name.startsWith('on')
          : !/^(open|value|checked|selected)$/.test(name))) &&
      // A style may say the same in other words.
      (name !== 'style' || (one as HTMLElement).style.cssText !== (element as HTMLElement).style.cssText)
    )
      dev
        ? differs(instance, `${nameOf(element)} has ${name}="${got}" where ${wanted ?? 'nothing'} belongs`)
        : differs(instance);
  }
}

/** The closing comment of a place. */
function close(instance: Instance, start: Node): Node {
  let depth = 0;
  for (let node: Node | null = start; node; node = safe(node).nextSibling) {
    if (isMark(node, '(')) depth++;
    else if (isMark(node, ')') && !--depth) {
      (instance.adoption as Adoption).set(node, start);
      return node;
    }
  }
  return dev
    ? differs(instance, `${nameOf(start.parentNode)} has a place that is not closed`)
    : differs(instance);
}

function isMark(node: Node, mark: string): boolean {
  return node instanceof Comment && node.data === mark;
}
