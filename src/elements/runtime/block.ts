import type { Scope } from '../../template/scope.js';
import type { Instance } from './instance.js';

/** The scopes that a piece of a shadow root reads: the element's own first, then those of components in it. */
export type Scopes = Scope[];

/** What a place puts into the nodes it is given; it may follow changes. */
export type Attach = (node: Node, scopes: Scopes, block: Block, instance: Instance) => void;

/** A piece of a shadow root that comes and goes as one: its nodes, from first to last, and what changes in it. */
export interface Block {
  readonly first: Node | null;
  readonly last: Node | null;
  readonly scopes: Scopes;
  readonly updaters: Updater[];
}

/** Brings one place up to date after something it reads has changed: which of the scopes, and what of it. */
export interface Updater {
  readonly level: number;
  readonly mask: number;
  run(level: number, mask: number): void;
}

/** Has `run` called when something of the mask has changed in a level; what has none never changes. */
export function follow({ updaters }: Block, level: number, mask: number, run: Updater['run']): void {
  if (mask) updaters.push({ level, mask, run });
}

export function update({ updaters }: Block, level: number, mask: number): void {
  for (const updater of updaters) {
    if (updater.level === level && updater.mask & mask) updater.run(level, mask);
  }
}
