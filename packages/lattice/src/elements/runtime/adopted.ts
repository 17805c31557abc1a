import { dev } from '../../problem/index.js';
import { safe } from './dom.js';
import type { Instance } from './instance.js';

/** While a shadow root is hydrated: the opening comment of each place, by its closing one. */
export interface Adoption extends Map<Node, Node> {
  /** What is done once all of it is hydrated. */
  done?: (() => void)[];
}

/** Has something done once all of a shadow root is hydrated. */
export function onHydrated(adoption: Adoption, work: () => void): void {
  adoption.done ??= [];
  adoption.done.push(work);
}

/** Says that something is not what the component would write now: all of it is to be made anew. */
export function differs(instance: Instance, place: Node | null, how: string | false): never {
  instance.tell('markup-differs', { how: dev ? `${nameOf(place)} ${how}` : '' });
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
  if (at !== end) differs(instance, around, dev && 'has more in it');
}
