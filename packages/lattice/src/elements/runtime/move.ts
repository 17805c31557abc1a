import { dev } from '../../problem/index.js';
import { differs, nameOf } from './adopted.js';
import { adopt } from './adoption.js';
import { type Block, follow, type Scopes } from './block.js';
import { safe } from './dom.js';
import type { Instance } from './instance.js';
import { create, nodesOf, type View } from './view.js';

/** The scopes that a piece of a template reads, with the mask it reads of each. */
export type Reads = readonly (readonly [level: number, mask: number])[];

/** Shows a block of a view before the node that marks its place: what a server wrote there, or a new one. */
export function mount(view: View, mark: Node, scopes: Scopes, instance: Instance): Block {
  const parent = mark.parentNode as Node;
  if (instance.adoption) return adopt(view, inside(mark, instance), parent, scopes, instance, mark);
  const block = create(view, scopes, instance);
  safe(parent).insertBefore(nodesOf(block), mark);
  return block;
}

/** The first node of what a server wrote in a place. */
export function inside(mark: Node, instance: Instance): Node {
  const start = instance.adoption?.get(mark);
  return start
    ? (safe(start).nextSibling as Node)
    : differs(instance, dev ? `${nameOf(mark.parentNode)} has a place that is not marked` : undefined);
}

/** Lets a block that holds others pass on the changes that those read. */
export function forward(block: Block, reads: Reads, run: (level: number, mask: number) => void): void {
  for (const [level, mask] of reads) follow(block, level, mask, run);
}

/** Puts a block's nodes, which are somewhere in the document, before another node. */
export function moveBefore({ first, last }: Block, parent: Node, before: Node | null): void {
  eachNode(first, last, (node) => moveNode(parent, node, before));
}

/** Takes a block out of the document. */
export function remove({ first, last }: Block): void {
  eachNode(first, last, (node) => (safe(node) as ChildNode).remove());
}

function eachNode(first: Node | null, last: Node | null, work: (node: Node) => void): void {
  for (let node = first; node; ) {
    const next: Node | null = node === last ? null : safe(node).nextSibling;
    work(node);
    node = next;
  }
}

type Mover = Node & { moveBefore?(node: Node, before: Node | null): void };

/** Moves a node and keeps its state, such as focus and scopes, where the browser can. */
function moveNode(parent: Node, node: Node, before: Node | null): void {
  const mover: Mover = safe(parent);
  if (mover.moveBefore && mover.isConnected && safe(node).isConnected) mover.moveBefore(node, before);
  else mover.insertBefore(node, before);
}

/** Returns what has the focus on a page, in whichever shadow root. */
function focusedIn({ activeElement }: Document): Element | null {
  let focused = activeElement;
  while (focused?.shadowRoot?.activeElement) focused = focused.shadowRoot.activeElement;
  return focused;
}

/** Does work that moves nodes. An engine without `moveBefore` takes the focus from what is moved: it is given back. */
export function movingIn(parent: Node, work: () => void): void {
  const page = parent.ownerDocument as Document;
  const focused = (safe(parent) as Mover).moveBefore ? null : focusedIn(page);
  work();
  if (focused?.isConnected && focusedIn(page) !== focused)
    (focused as HTMLElement).focus({ preventScroll: true });
}

/** Does work that makes new nodes, also while a shadow root is hydrated. */
export function anew<T>(instance: Instance, work: () => T): T {
  const { adoption } = instance;
  instance.adoption = undefined;
  try {
    return work();
  } finally {
    instance.adoption = adoption;
  }
}
