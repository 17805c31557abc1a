import type { Scope } from '../../template/scope.js';
import type { Instance } from './instance.js';
import { type Paired, pairOf } from './paired.js';

/** The scopes that a piece of a shadow root reads: the element's own first, then those of components in it. */
export type Scopes = Scope[] & {
  /** Has the scopes be those of a row: all plain rows of a list share theirs. */
  enter?: (row: Block) => void;
};

/** What a part does at the node it is given; it may follow changes. */
export type Attach = (node: Node, scopes: Scopes, block: Block, instance: Instance) => void;

/** Shows a value at a node, which is another than the one before. */
export type Put = (node: Node, value: unknown, instance: Instance) => void;

/** A piece of a shadow root that comes and goes as one: its nodes, from first to last, and what changes in it. */
export abstract class Block {
  // Declared, not defined: rows have many blocks, and each field counts.
  declare readonly first: Node | null;
  declare readonly last: Node | null;
  declare readonly scopes: Scopes;
  declare readonly instance: Instance;
  /** Parts that look after themselves, where there are some, and how they hear of changes. */
  declare updaters?: Updater[];
  declare tell?: (block: Block, level: number, mask: number) => void;
  /** Of a row: its item, what tells that from others, and its number where something in the row asks for that. */
  declare item: unknown;
  declare key: unknown;
  declare index: number;

  /** The nodes of its parts, where it has them in a list. */
  declare readonly parts?: readonly (Node | null)[];

  constructor(first: Node | null, last: Node | null, scopes: Scopes, instance: Instance) {
    this.first = first;
    this.last = last;
    this.scopes = scopes;
    this.instance = instance;
  }

  /** Finds the nodes of its parts in a copy of its view. */
  abstract find(first: Node): void;

  /** Has the nodes that stand for those that another block found. */
  take(shape: Block): void {
    const own = this as unknown as Record<string, unknown>;
    for (const [name, value] of Object.entries(shape))
      own[name] ??= (value as Paired | null)?.[pairOf]?.node ?? value;
  }

  /**
   * Shows what has changed of a scope, and all there is for the mask -1. What an author's code throws is reported, and
   * touches nothing but its own part.
   */
  abstract put(mask: number, level: number, scope: Scope, instance: Instance): void;
}

/** Brings one part up to date after something it reads has changed: which of the scopes, and what of it. */
export interface Updater {
  readonly level: number;
  readonly mask: number;
  run(level: number, mask: number): void;
}

/** Has `run` called when something of the mask has changed in a level; what has none never changes. */
export function follow(block: Block, level: number, mask: number, run: Updater['run']): void {
  if (!mask) return;
  block.updaters ??= [];
  block.updaters.push({ level, mask, run });
  block.tell = tellUpdaters;
}

/** The same, and calls it now. */
export function keep(block: Block, level: number, mask: number, run: Updater['run']): void {
  follow(block, level, mask, run);
  attempt(block.instance, run, level, mask);
}

export function update(block: Block, level: number, mask: number): void {
  block.put(mask, level, block.scopes[0] as Scope, block.instance);
  block.tell?.(block, level, mask);
}

/** Apart from the others, since many pages have no parts that look after themselves. */
function tellUpdaters({ instance, updaters = [] }: Block, level: number, mask: number): void {
  for (const updater of updaters) {
    if (updater.level === level && updater.mask & mask) attempt(instance, updater.run, level, mask);
  }
}

/** Does what may come to an author's code. What that throws is reported, and touches nothing but its own part. */
export function attempt(instance: Instance, work: () => void): void;
export function attempt<One, Other>(
  instance: Instance,
  work: (one: One, other: Other) => void,
  one: One,
  other: Other,
): void;
export function attempt(
  instance: Instance,
  work: (one?: unknown, other?: unknown) => void,
  one?: unknown,
  other?: unknown,
): void {
  try {
    work(one, other);
  } catch (thrown) {
    instance.fail(thrown);
  }
}
