import type { Site, SiteStep } from '../template/index.js';

/** Counts the uses of each name below one step, so that a step has a number only where there are several. */
export class Counts {
  private first: string | undefined;
  private all: Map<string, number> | undefined;

  constructor() {
    this.first = undefined;
    this.all = undefined;
  }

  /** One more of a name: its number, from 1. Most steps have one use, which needs no map. */
  next(name: string): number {
    if (this.first === undefined) {
      this.first = name;
      return 1;
    }
    this.all ??= new Map([[this.first, 1]]);
    const number = this.of(name) + 1;
    this.all.set(name, number);
    return number;
  }

  of(name: string): number {
    return this.all?.get(name) ?? (name === this.first ? 1 : 0);
  }
}

export const noRows: readonly number[] = [];

/** The place of a use, which is the last step of its own path; its number shows once a second one of the name has come. */
export class CountedPlace implements Site, SiteStep {
  readonly name: string;
  readonly id: string;
  readonly rows: readonly number[];
  private readonly around: CountedPlace | undefined;
  private readonly number: number;
  private readonly counts: Counts;

  constructor(
    name: string,
    id: string,
    around: CountedPlace | undefined,
    rows: readonly number[],
    counts: Counts,
  ) {
    this.name = name;
    this.id = id;
    this.rows = rows;
    this.around = around;
    this.number = counts.next(name);
    this.counts = counts;
  }

  get path(): readonly SiteStep[] {
    return this.around ? [...this.around.path, this] : [this];
  }

  get nth(): number | undefined {
    return this.counts.of(this.name) > 1 ? this.number : undefined;
  }
}
