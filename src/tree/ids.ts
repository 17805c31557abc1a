import { finding, type Problem, placed, type SourcePlace } from '../problem/index.js';

/** A branch that something stands in: which condition, and which of its sides. */
export interface Branch {
  readonly of: object;
  readonly side: 'then' | 'otherwise';
}

interface Sighting {
  readonly where: string;
  readonly branches: readonly Branch[];
  /** Whether it stands in rows, so that it may come many times. */
  readonly repeats: boolean;
  readonly source: SourcePlace | undefined;
}

/** Constant ids of a tree, to find those that would stand more than once on a page. */
export class Ids {
  readonly #seen = new Map<string, Sighting[]>();

  add(id: string, sighting: Sighting): void {
    const all = this.#seen.get(id);
    if (all) all.push(sighting);
    else this.#seen.set(id, [sighting]);
  }

  has(id: string): boolean {
    return this.#seen.has(id);
  }

  problems(): Problem[] {
    const problems: Problem[] = [];
    for (const [id, sightings] of this.#seen) {
      const clash = sightings.find(
        (one, at) => one.repeats || sightings.slice(0, at).some((other) => !exclude(one, other)),
      );
      if (!clash) continue;
      const times = sightings.length === 1 ? 'once for each row' : `${sightings.length} times`;
      problems.push(placed(finding('id-doubled', { id, times }, clash.source), clash.where));
    }
    return problems;
  }
}

/** Whether two places can never stand on the same page, being the two sides of one condition. */
function exclude(a: Sighting, b: Sighting): boolean {
  return a.branches.some((one) => b.branches.some((other) => one.of === other.of && one.side !== other.side));
}
