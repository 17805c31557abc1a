import { dev } from '../../problem/index.js';
import type { Block, Scopes } from './block.js';
import type { Instance } from './instance.js';
import { attachAll, type View } from './view.js';

/**
 * Taking over a shadow root that a server wrote. In its HTML each place that changes stands between two comments,
 * `(` and `)`; all else stands as in the view. So the two can be walked side by side, and nothing is made anew.
 *
 * Kept is the opening comment of each place, by its closing one.
 */
export type Adoption = Map<Node, Node>;

/** The markup is not what the component would write now. */
export class MarkupDiffers extends Error {}

/** Says that something is not what the component would write now. */
export function differs(place: Node | null, how: string | false): never {
  throw new MarkupDiffers(dev ? `${nameOf(place)} ${how}` : place?.nodeName);
}

/** Takes over what a server wrote; what is not as it should be is told, and is to be made anew. */
export function adopting(instance: Instance, root: ShadowRoot): Block | undefined {
  // Its rules are the shared style sheets' from now on.
  root.querySelector('[data-rules]')?.remove();
  instance.adoption = new Map();
  try {
    const block = adopt(instance.live.view, root.firstChild, root, [instance.scope], instance);
    return block.last?.nextSibling ? differs(root, dev && 'has more in it') : block;
  } catch (thrown) {
    if (!(thrown instanceof MarkupDiffers)) throw thrown;
    instance.tell('markup-differs', { how: thrown.message });
    return undefined;
  } finally {
    instance.adoption = undefined;
  }
}

/** Makes a block of nodes that a server wrote, from the first on. */
export function adopt(
  view: View,
  first: Node | null,
  parent: Node | null,
  scopes: Scopes,
  instance: Instance,
): Block {
  const adoption = instance.adoption as Adoption;
  const fragment = view.fragment();
  const templates: Node[] = [fragment];
  const tops = siblings(adoption, first, fragment.childNodes.length, parent);
  return attachAll(view, first, tops.at(-1) ?? null, scopes, instance, fragment, (from, child, around) => {
    const wanted = (templates[from] as Node).childNodes[child] as Node;
    templates.push(wanted);
    // A text that is alone in its element, and empty, has left no trace.
    if (!around.firstChild && wanted instanceof Text) return around.appendChild(new Text());
    const all = from === 0 ? tops : siblings(adoption, around.firstChild, child + 1, around);
    return adopted(all[child] as Node, wanted);
  });
}

/** So many siblings from a node on, a place counting as one and standing for its closing comment. */
function siblings(adoption: Adoption, first: Node | null, count: number, parent: Node | null): Node[] {
  const found: Node[] = [];
  for (let node = first; found.length < count; node = node.nextSibling) {
    if (!node) return differs(parent, dev && `has ${found.length} parts and not ${count}`);
    if (isMark(node, '(')) node = close(adoption, node);
    found.push(node);
  }
  return found;
}

function close(adoption: Adoption, start: Node): Node {
  let depth = 0;
  for (let node: Node | null = start; node; node = node.nextSibling) {
    if (isMark(node, '(')) depth++;
    else if (isMark(node, ')') && --depth === 0) {
      adoption.set(node, start);
      return node;
    }
  }
  return differs(start.parentNode, dev && 'has a place that is not closed');
}

/** The node that stands for one of the view: the text in a place, or the very node, which has to be of its kind. */
function adopted(found: Node, wanted: Node): Node {
  if (wanted instanceof Text && found instanceof Comment) {
    const { previousSibling } = found;
    // A place with no text in it has no text node yet.
    return previousSibling instanceof Text
      ? previousSibling
      : (found.parentNode as Node).insertBefore(new Text(), found);
  }
  if (found.nodeName === wanted.nodeName) return found;
  return differs(found.parentNode, dev && `has ${found.nodeName} where ${wanted.nodeName} belongs`);
}

function isMark(node: Node, mark: string): boolean {
  return node instanceof Comment && node.data === mark;
}

export function nameOf(node: Node | null | undefined): string {
  return node instanceof Element ? `<${node.localName}>` : 'the shadow root';
}
