import { dev } from '../../problem/index.js';
import { adopt, differs } from './adoption.js';
import { type Block, follow, type Scopes } from './block.js';
import { discard, insert, isInPage, nextOf } from './dom.js';
import type { Instance } from './instance.js';
import { create, type View } from './view.js';

/** The scopes that a piece of a template reads, with the mask it reads of each. */
export type Reads = readonly (readonly [level: number, mask: number])[];

/** Shows a block of a view before the node that marks its place: what a server wrote there, or a new one. */
export function mount(view: View, mark: Node, scopes: Scopes, instance: Instance): Block {
  const parent = mark.parentNode as Node;
  if (instance.adoption) return adopt(view, inside(mark, instance), parent, scopes, instance, mark);
  const { block, fragment } = create(view, scopes, instance);
  insert(parent, fragment, mark);
  return block;
}

/** The first node of what a server wrote in a place. */
export function inside(mark: Node, instance: Instance): Node {
  const start = instance.adoption?.get(mark);
  return start
    ? (nextOf(start) as Node)
    : differs(instance, mark.parentNode, dev && 'has a place that is not marked');
}

/** What a server wrote up to a mark has to be all there is. */
export function ended(at: Node | null, mark: Node, instance: Instance): void {
  if (instance.adoption && at !== mark) differs(instance, mark.parentNode, dev && 'has more in it');
}

/** Lets a block that holds others hand on the changes that those read. */
export function forward(block: Block, reads: Reads, run: (level: number, mask: number) => void): void {
  for (const [level, mask] of reads) follow(block, level, mask, run);
}

/** Puts a block's nodes, which are somewhere in the document, before another node. */
export function moveBefore({ first, last }: Block, parent: Node, before: Node | null): void {
  eachNode(first, last, (node) => moveNode(parent, node, before));
}

/** Takes a block out of the document. */
export function remove({ first, last }: Block): void {
  eachNode(first, last, discard);
}

function eachNode(first: Node | null, last: Node | null, work: (node: Node) => void): void {
  for (let node = first; node; ) {
    const next: Node | null = node === last ? null : nextOf(node);
    work(node);
    node = next;
  }
}

type Move = (this: Node, node: Node, before: Node | null) => void;

/** Moves a node and keeps what is alive in it, such as focus and scopes, where the browser can. */
function moveNode(parent: Node, node: Node, before: Node | null): void {
  const { prototype } = parent instanceof Element ? Element : DocumentFragment;
  const { moveBefore } = prototype as { readonly moveBefore?: Move };
  if (moveBefore && isInPage(parent) && isInPage(node)) moveBefore.call(parent, node, before);
  else insert(parent, node, before);
}

/** Does work that makes new nodes, also while a shadow root is taken over. */
export function anew<T>(instance: Instance, work: () => T): T {
  const { adoption } = instance;
  instance.adoption = undefined;
  try {
    return work();
  } finally {
    instance.adoption = adoption;
  }
}
