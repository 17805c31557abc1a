import { dev } from '../../problem/index.js';
import { type Adoption, after, differs, ended } from './adopted.js';
import { safe } from './dom.js';
import type { Instance } from './instance.js';

// All that never changes is compared while a shadow root is hydrated: an address, a listener, a text, an element that the
// component does not write. What differs is reported, and all of it made anew.

/** Pairs siblings with those of a view; gives the last of them. */
export type Pair = (top: Node | null, first: Node | null, around: Node) => Node | null;

/** Compares a node of a view and the one that stands for it; one on the way to a part holds it, or is its own. */
export function lookAt(one: Node, node: Node, isOnWay: boolean, instance: Instance, pair: Pair): void {
  if (!(one instanceof Element)) {
    if (isOnWay && one instanceof Text && node.nextSibling && !isAlone(node))
      differs(instance, node.parentNode, dev && 'has more in the place of a text');
    if (!isOnWay && one.nodeValue !== node.nodeValue)
      differs(instance, node.parentNode, dev && `says ${node.nodeValue} where ${one.nodeValue} belongs`);
  } else if (isOnWay || !Node.prototype.isEqualNode.call(one, node)) {
    const element = node as Element;
    const isCustom = safe(one).nodeName.includes('-');
    lookAtAttributes(one, element, isCustom, instance);
    // What an element of somebody else's has written into itself is its own.
    const isForeign = isCustom && !element.shadowRoot;
    if (isForeign && !isOnWay) return;
    const { firstChild } = safe(element);
    const last = pair(safe(one).firstChild, firstChild, element);
    if (!isForeign && !(element instanceof HTMLTextAreaElement))
      ended(after(last, firstChild), null, instance, element);
  }
}

/** An attribute that a part has is compared by the part itself. */
export function ownAttribute(element: Element, name: string, { adoption }: Instance): void {
  const own = adoption?.others && safe(element).getAttributeNode(name);
  if (own) adoption.others?.delete(own);
}

/** All is there, and all parts have been compared. */
export function lookedAtAll(instance: Instance): void {
  for (const [{ name, value }, element] of instance.adoption?.others ?? [])
    differs(instance, element, dev && `has ${name}="${value}"`);
}

function lookAtAttributes(one: Element, element: Element, isCustom: boolean, { adoption }: Instance): void {
  const { attributes } = safe(one);
  const { attributes: got } = safe(element);
  let same = 0;
  for (let at = 0; at < attributes.length; at++) {
    const { name, value } = attributes[at] as Attr;
    if (safe(element).getAttribute(name) === value) same++;
  }
  if (same === attributes.length && same === got.length) return;
  const known = adoption as Adoption;
  known.others ??= new Map();
  const all = known.others;
  for (const from of [attributes, got]) {
    for (let at = 0; at < from.length; at++) {
      const attribute = from[at] as Attr;
      const { name } = attribute;
      const isSame = safe(one).getAttribute(name) === safe(element).getAttribute(name);
      // What a reader does before any script runs is left, and what an element of its own does to itself.
      const isOwn = from === got && (isCustom ? /^(?!on)/ : /^(open|value|checked|selected)$/).test(name);
      if (!isSame && !isOwn && !isSameStyle(name, one, element)) all.set(attribute, element);
    }
  }
}

/** Whether a text is all there is in its place. */
function isAlone({ previousSibling, nextSibling }: Node): boolean {
  return previousSibling instanceof Comment && nextSibling instanceof Comment;
}

/** Whether an attribute is a style that says the same in other words. */
function isSameStyle(name: string, one: Element, other: Element): boolean {
  return (
    name === 'style' &&
    (safe(one) as HTMLElement).style.cssText === (safe(other) as HTMLElement).style.cssText
  );
}
