import { dev } from '../../problem/index.js';
import type { Block, Scopes } from './block.js';
import { attributeOf, firstOf, insert, nextOf, nodeNameOf, styleOf } from './dom.js';
import type { Instance } from './instance.js';
import { attachAll, locate, type View } from './view.js';

/**
 * Taking over a shadow root that a server wrote. In its HTML each place that changes stands between two comments,
 * `(` and `)`; all else stands as in the view. So the two are walked side by side, and nothing is made anew.
 *
 * Kept is the opening comment of each place, by its closing one; and the element of each attribute that the view has
 * not: places that have an attribute of their own take it out.
 */
export type Adoption = Map<Node, Node>;

/** Says that something is not what the component would write now: all of it is to be made anew. */
export function differs(instance: Instance, place: Node | null, how: string | false): never {
  instance.tell('markup-differs', { how: dev ? `${nameOf(place)} ${how}` : '' });
  throw instance.adoption;
}

/** Takes over what a server wrote; what is not as it should be is told, and is to be made anew. */
export function adopting(instance: Instance, root: ShadowRoot): Block | undefined {
  // Its rules are the shared style sheets' from now on.
  root.querySelector('[data-rules]')?.remove();
  const adoption: Adoption = new Map();
  instance.adoption = adoption;
  try {
    const block = adopt(instance.live.view, root.firstChild, root, [instance.scope], instance, null);
    for (const [node, element] of adoption)
      if (node instanceof Attr) differs(instance, element, dev && `has ${node.name}="${node.value}"`);
    return block;
  } catch (thrown) {
    if (thrown !== adoption) throw thrown;
    return undefined;
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
  const top = view.fragment().firstChild;
  const onWay = locate(view.steps, top);
  const found = new Map<Node | null, Node>();
  const last = pair(top, first, parent, end, { onWay, found, instance });
  const nodes = onWay.map((one) => found.get(one) as Node);
  return attachAll(view, nodes, first, last, scopes, instance);
}

interface Pairing {
  /** The nodes of the view that something is done at, and those on the way to them. */
  readonly onWay: readonly (Node | null)[];
  /** What stands for them. */
  readonly found: Map<Node | null, Node>;
  readonly instance: Instance;
}

/** Holds siblings against those of the view, a place counting as one; gives the last of them. */
function pair(
  top: Node | null,
  first: Node | null,
  parent: Node,
  end: Node | null | undefined,
  of: Pairing,
): Node | null {
  const { instance, onWay, found } = of;
  let node = first;
  let last: Node | null = null;
  for (let one = top; one; one = nextOf(one)) {
    const isOnWay = onWay.includes(one);
    const name = nodeNameOf(one);
    // A text that is alone in its element, and empty, has left no trace.
    if (!node && !last && isOnWay && one instanceof Text) {
      node = new Text();
      insert(parent, node, null);
    }
    if (!node) return differs(instance, parent, dev && `has no ${name} at its end`);
    last = node;
    if (isMark(node, '(')) {
      last = close(instance, node);
      node = one instanceof Text ? textBefore(last, node) : last;
    }
    if (nodeNameOf(node) !== name)
      return differs(instance, parent, dev && `has ${nodeNameOf(node)} where ${name} belongs`);
    if (isOnWay) found.set(one, node);
    if (one instanceof Element) {
      if (isOnWay || !Node.prototype.isEqualNode.call(one, node))
        pairElement(one, node as Element, isOnWay, of);
    } else if (!isOnWay && one.nodeValue !== node.nodeValue)
      return differs(instance, parent, dev && `says ${node.nodeValue} where ${one.nodeValue} belongs`);
    node = nextOf(last);
  }
  if (end !== undefined && node !== end) differs(instance, parent, dev && 'has more in it');
  return last;
}

/** An attribute is a place's own: what it is that looks at. */
export function taken(element: Element, name: string, { adoption }: Instance): void {
  adoption?.delete(Element.prototype.getAttributeNode.call(element, name) as Attr);
}

function pairElement(one: Element, element: Element, isOnWay: boolean, of: Pairing): void {
  const { instance } = of;
  const isCustom = nodeNameOf(one).includes('-');
  const { getAttributeNames, getAttributeNode } = Element.prototype;
  for (const name of getAttributeNames.call(one))
    if (attributeOf(one, name) !== attributeOf(element, name) && !isSameStyle(name, one, element))
      differs(instance, element, dev && `has another ${name}`);
  for (const name of getAttributeNames.call(element)) {
    // What a reader does before any script runs is left, and what an element of its own does to itself.
    const isOwn = isCustom ? !/^on/.test(name) : /^(open|value|checked|selected)$/.test(name);
    if (attributeOf(one, name) === null && !isOwn)
      instance.adoption?.set(getAttributeNode.call(element, name) as Attr, element);
  }
  // What an element of somebody else's has written into itself is its own, too.
  const isForeign = isCustom && !element.shadowRoot;
  const isOpen = isForeign || element instanceof HTMLTextAreaElement;
  if (isOnWay || !isForeign) pair(firstOf(one), firstOf(element), element, isOpen ? undefined : null, of);
}

/** Whether an attribute is a style that says the same in other words. */
function isSameStyle(name: string, one: Element, other: Element): boolean {
  return name === 'style' && styleOf(one).cssText === styleOf(other).cssText;
}

function close(instance: Instance, start: Node): Node {
  let depth = 0;
  for (let node: Node | null = start; node; node = nextOf(node)) {
    if (isMark(node, '(')) depth++;
    else if (isMark(node, ')') && --depth === 0) {
      instance.adoption?.set(node, start);
      return node;
    }
  }
  return differs(instance, start.parentNode, dev && 'has a place that is not closed');
}

/** What stands in the place of a text: one with nothing in it has no text node yet. */
function textBefore(end: Node, start: Node): Node {
  const node = nextOf(start) as Node;
  if (node === end) insert(end.parentNode as Node, new Text(), end);
  else if (nextOf(node) !== end) return end;
  return end.previousSibling as Node;
}

function isMark(node: Node, mark: string): boolean {
  return node instanceof Comment && node.data === mark;
}

export function nameOf(node: Node | null): string {
  return node instanceof Element ? `<${nodeNameOf(node).toLowerCase()}>` : 'the shadow root';
}
