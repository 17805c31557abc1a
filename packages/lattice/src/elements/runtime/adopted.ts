import { dev } from '../../problem/index.js';
import { safe } from './dom.js';
import type { Instance } from './instance.js';

/** While a shadow root is hydrated: the opening comment of each place, by its closing one. */
export type Adoption = Map<Node, Node>;

/** Gives up hydrating: something is not what the component would write now, and all of it is to be made anew. */
export function differs(instance: Instance, how?: string): never {
  instance.tell('markup-differs', (dev ? { how } : {}) as never);
  throw instance.adoption;
}

export function nameOf(node: Node | null): string {
  return node instanceof Element ? `<${safe(node).nodeName.toLowerCase()}>` : 'the shadow root';
}

/** What follows the last of siblings; the first of them all, where none of them counts. */
export function after(last: Node | null, first: Node | null): Node | null {
  return last ? safe(last).nextSibling : first;
}

/** What a server wrote has to end somewhere. */
export function ended(at: Node | null, end: Node | null, instance: Instance, around: Node | null): void {
  if (at !== end) differs(instance, dev ? `${nameOf(around)} has more in it` : undefined);
}
