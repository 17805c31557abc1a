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
    const wanted = [...htmlFragment(html).childNodes];
    if (
      wanted.length !== nodes.length ||
      !wanted.every((one, at) => safe(one).isEqualNode(nodes[at] as Node))
    )
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
  for (const { name, value } of attributes) if (got.getNamedItem(name)?.value === value) same++;
  if (same === attributes.length && same === got.length) return;
  const all = others.get(adoption as Adoption) ?? new Map<Attr, Element>();
  others.set(adoption as Adoption, all);
  for (const from of [attributes, got]) {
    for (const attribute of from) {
      const { name } = attribute;
      const isSame = attributes.getNamedItem(name)?.value === got.getNamedItem(name)?.value;
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
