import type { Frame } from '../template/index.js';
import type { Instance } from './instance.js';

/** The frames that a piece of a shadow root reads: the element's own first, then those of components in it. */
export type Frames = Frame[];

/** Brings one place up to date after something it reads has changed. */
export interface Updater {
  /** Which of the frames has changed. */
  readonly scope: number;
  /** What it reads of that frame. */
  readonly bits: number;
  run(scope: number, bits: number): void;
}

/** What a place puts into the nodes it is given; it may hand back updaters. */
export type Attach = (node: Node, frames: Frames, block: Block, instance: Instance) => void;

/** A piece of a shadow root that comes and goes as one: its nodes, from first to last, and its places. */
export class Block {
  first: Node | null = null;
  last: Node | null = null;
  readonly frames: Frames;
  readonly updaters: Updater[] = [];

  constructor(frames: Frames) {
    this.frames = frames;
  }

  update(scope: number, bits: number): void {
    for (const updater of this.updaters) {
      if (updater.scope === scope && (updater.bits & bits) !== 0) updater.run(scope, bits);
    }
  }

  /** Puts the block's nodes, which are somewhere in the document, before another node. */
  moveBefore(parent: Node, before: Node | null): void {
    const { last } = this;
    for (let node = this.first; node; ) {
      const next: Node | null = node === last ? null : node.nextSibling;
      moveNode(parent, node, before);
      node = next;
    }
  }

  remove(): void {
    const { last } = this;
    for (let node = this.first; node; ) {
      const next: Node | null = node === last ? null : node.nextSibling;
      (node as ChildNode).remove();
      node = next;
    }
  }
}

type Mover = Node & { moveBefore?(node: Node, before: Node | null): void };

/** Moves a node and keeps what is alive in it, such as focus and frames, where the browser can. */
function moveNode(parent: Mover, node: Node, before: Node | null): void {
  if (parent.moveBefore && parent.isConnected && node.isConnected) parent.moveBefore(node, before);
  else parent.insertBefore(node, before);
}
