import { dev } from '../../problem/index.js';
import { htmlFragment } from '../../template/fragment.js';
import { type Adoption, after, differs, ended } from './adopted.js';
import { safe } from './dom.js';
import type { FixedLook } from './fixed.js';
import type { Instance } from './instance.js';

/** Attributes that the view has not, or not so, with their elements: those of places are taken out again. */
const others = new WeakMap<Adoption, Map<Attr, Element>>();

export const look: FixedLook = {
  node(one, node, isOnWay, instance, pair) {
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
  },
  own(element, name, { adoption }) {
    const all = adoption && others.get(adoption);
    const own = all && safe(element).getAttributeNode(name);
    if (own) all.delete(own);
  },
  ready(html, nodes, mark, instance) {
    // Most is written as a browser would write it: that is seen without reading it once more.
    if (nodes.map(written).join('') === html) return;
    const wanted = [...htmlFragment(html).childNodes];
    // Elements of their own may have filled themselves: of what holds some, the kinds of nodes are compared.
    const isTheirs = /<[a-z][^\s>]*-/i.test(html);
    const isSame = (one: Node, node: Node): boolean =>
      isTheirs ? safe(one).nodeName === safe(node).nodeName : safe(one).isEqualNode(node);
    if (wanted.length !== nodes.length || !wanted.every((one, at) => isSame(one, nodes[at] as Node)))
      differs(instance, mark.parentNode, dev && 'has other ready-made HTML');
  },
  done(instance) {
    const all = others.get(instance.adoption as Adoption) ?? [];
    for (const [{ name, value }, element] of all) differs(instance, element, dev && `has ${name}="${value}"`);
  },
};

function lookAtAttributes(one: Element, element: Element, isCustom: boolean, { adoption }: Instance): void {
  const { attributes } = safe(one);
  const { attributes: got } = safe(element);
  let same = 0;
  for (let at = 0; at < attributes.length; at++) {
    const { name, value } = attributes[at] as Attr;
    if (safe(element).getAttribute(name) === value) same++;
  }
  if (same === attributes.length && same === got.length) return;
  const all = others.get(adoption as Adoption) ?? new Map<Attr, Element>();
  others.set(adoption as Adoption, all);
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

/** A node as HTML, where it is one that says it by itself. */
function written(node: Node): string {
  if (node instanceof Element) return safe(node).outerHTML;
  return node instanceof Text && !/[&<>]/.test(node.data) ? node.data : '&';
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
