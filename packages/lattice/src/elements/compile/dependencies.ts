import { type Core, inputsOf } from '../../template/index.js';
import type { Level } from './level.js';

/** What something reads: masks, by the numbers of the scopes they are of. */
export type Reads = readonly (readonly [level: number, mask: number])[];

/**
 * Numbers what a template's expressions read, a bit of a mask each, so that a change touches just the parts that read
 * it. Past 30 things the last bit stands for all the others: those parts are looked at more often, never less.
 */
export class Dependencies {
  readonly #masks = new Map<string, number>();

  of(name: string): number {
    let mask = this.#masks.get(name);
    if (mask === undefined) {
      mask = 1 << Math.min(this.#masks.size, 30);
      this.#masks.set(name, mask);
    }
    return mask;
  }

  /** What has a mask, with it. */
  entries(): Iterable<readonly [name: string, mask: number]> {
    return this.#masks.entries();
  }
}

/** What expressions read that are read in a level: of its own scope, and where they say so of those around it. */
export function readsOf(cores: readonly Core[], level: Level): Reads {
  const all = new Map<number, number>();
  for (const core of cores) collect(core, level, all);
  return [...all];
}

/** The mask of what an expression reads, of the level's own scope. */
export function maskOf(core: Core, level: Level): number {
  return readsOf([core], level).find(([index]) => index === level.index)?.[1] ?? 0;
}

function collect(core: Core, level: Level, all: Map<number, number>): void {
  const { op } = core;
  const note = (name: string): void =>
    void all.set(level.index, (all.get(level.index) ?? 0) | level.dependencies.of(name));
  switch (op.op) {
    case 'prop':
    case 'state':
    case 'shared':
      return note(`${op.op} ${op.name}`);
    case 'data':
      return note('data');
    case 'filled':
      return note(`slot ${op.slot}`);
    case 'local':
      return note(`local ${op.local}`);
    case 'outer': {
      let owner: Level = level;
      for (let up = 0; up < op.up; up++) owner = owner.use?.owner ?? owner;
      return collect(op.of, owner, all);
    }
    default:
      for (const input of inputsOf(core)) collect(input, level, all);
  }
}
