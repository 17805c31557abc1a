import type { Frame } from '../../template/frame.js';
import type { Instance } from './instance.js';

/** The frames that a piece of a shadow root reads: the element's own first, then those of components in it. */
export type Frames = Frame[];

/** What a place puts into the nodes it is given; it may follow changes. */
export type Attach = (node: Node, frames: Frames, block: Block, instance: Instance) => void;

/** A piece of a shadow root that comes and goes as one: its nodes, from first to last, and what changes in it. */
export interface Block {
  readonly first: Node | null;
  readonly last: Node | null;
  readonly frames: Frames;
  readonly updaters: Updater[];
}

/** Brings one place up to date after something it reads has changed: which of the frames, and what of it. */
export interface Updater {
  readonly scope: number;
  readonly bits: number;
  run(scope: number, bits: number): void;
}

/** Has `run` called when something of these bits has changed in a scope; no bits never change. */
export function follow({ updaters }: Block, scope: number, bits: number, run: Updater['run']): void {
  if (bits) updaters.push({ scope, bits, run });
}

export function update({ updaters }: Block, scope: number, bits: number): void {
  for (const updater of updaters) {
    if (updater.scope === scope && updater.bits & bits) updater.run(scope, bits);
  }
}
