import { firstLook } from '#look';
import type { Feature, Instance } from './instance.js';
import { look } from './look.js';

/** Pairs siblings with those of a view; gives the last of them. */
export type Pair = (top: Node | null, first: Node | null, around: Node) => Node | null;

/**
 * Looks at what never changes of a shadow root that is hydrated: an address, a listener, a text, an element that the
 * component does not write. What differs is reported, and all of it made anew.
 */
export interface FixedLook {
  /** A node of a view, and the one that stands for it. */
  node(one: Node, node: Node, isOnWay: boolean, instance: Instance, pair: Pair): void;
  /** An attribute that a place has, and looks at itself. */
  own(element: Element, name: string, instance: Instance): void;
  /** Ready-made HTML, and the nodes that stand for it. */
  ready(html: string, nodes: readonly Node[], mark: Node, instance: Instance): void;
  /** All is there, and all places have looked at themselves. */
  done(instance: Instance): void;
}

/** How pages look: so during development, and where a build asks for it. */
export let fixedLook: FixedLook | undefined = firstLook;

/** For elements that a build has asked it for. */
export function comparing(): (instance: Instance) => Feature {
  fixedLook = look;
  return () => ({});
}
