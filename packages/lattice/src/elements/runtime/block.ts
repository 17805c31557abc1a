import type { Scope } from '../../template/scope.js';
import type { Instance } from './instance.js';
import type { DynamicPart } from './view.js';

/** The scopes that a piece of a shadow root reads: the element's own first, then those of components in it. */
export type Scopes = Scope[];

/** What a place puts into the nodes it is given; it may follow changes. */
export type Attach = (node: Node, scopes: Scopes, block: Block, instance: Instance) => void;

/**
 * A place that shows one value of one scope. All that a block keeps of it is its node and the value: rows have many of
 * them.
 */
export interface Binding {
  readonly level: number;
  readonly mask: number;
  get(scope: Scope, instance: Instance): unknown;
  /** Shows a value, which is another than the one before. */
  put(node: Node, value: unknown, instance: Instance): void;
}

/** A piece of a shadow root that comes and goes as one: its nodes, from first to last, and what changes in it. */
export interface Block {
  readonly first: Node | null;
  readonly last: Node | null;
  readonly scopes: Scopes;
  /** What its view has at its nodes; the node of each, and the value that is shown there. */
  readonly parts: readonly DynamicPart[];
  readonly nodes: readonly Node[];
  readonly values: unknown[];
  /** Places that look after themselves, where there are some, and how they hear of changes. */
  updaters?: Updater[];
  tell?: (block: Block, level: number, mask: number) => void;
  readonly instance: Instance;
}

/** Brings one place up to date after something it reads has changed: which of the scopes, and what of it. */
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
  block.parts.forEach(([, part], at) => {
    if ((part as Binding).level === level && (part as Binding).mask & mask)
      attempt(block.instance, look, block, at);
  });
  block.tell?.(block, level, mask);
}

/** Apart from the others, since many pages have no places that look after themselves. */
function tellUpdaters({ instance, updaters = [] }: Block, level: number, mask: number): void {
  for (const updater of updaters) {
    if (updater.level === level && updater.mask & mask) attempt(instance, updater.run, level, mask);
  }
}

/** Looks at a place's value, and shows it where it is another than before. */
export function look({ instance, nodes, parts, scopes, values }: Block, at: number): void {
  const place = (parts[at] as DynamicPart)[1] as Binding;
  const value = place.get(scopes[place.level] as Scope, instance);
  if (value === values[at]) return;
  values[at] = value;
  place.put(nodes[at] as Node, value, instance);
}

/** Does what may come to an author's code. What that throws is reported, and touches nothing but its own place. */
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
