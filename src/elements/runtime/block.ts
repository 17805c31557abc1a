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
  readonly instance: Instance;
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

/** The same, and calls it now. */
export function keep(block: Block, level: number, mask: number, run: Updater['run']): void {
  if (mask) block.updaters.push({ level, mask, run });
  attempt(block.instance, run, level, mask);
}

export function update({ updaters, instance }: Block, level: number, mask: number): void {
  for (const updater of updaters) {
    if (updater.level === level && updater.mask & mask) attempt(instance, updater.run, level, mask);
  }
}

/** Does what may come to an author's code. What that throws is told, and touches nothing but its own place. */
export function attempt(instance: Instance, work: Updater['run'], level = 0, mask = 0): void {
  try {
    work(level, mask);
  } catch (thrown) {
    instance.fail(thrown);
  }
}
