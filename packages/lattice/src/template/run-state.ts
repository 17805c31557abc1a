import { callPlace, type Finding, type SourcePlace, type TextPlace } from '../problem/index.js';
import type { Core } from './expression/ops.js';

/** An expression that a template read. */
export interface ReadExpr extends Core {
  readonly source: SourcePlace | undefined;
}

/** What is kept while a component's template runs, once. */
export interface Run {
  readonly name: string;
  /** Where reads and nodes are written, in their order, where that is remembered. */
  readonly places?: (object | undefined)[];
  /** Runs the template once more to have these, where they are wanted later: most are never asked for. */
  readonly again?: () => Run;
  /** How many could have been remembered. */
  asked?: number;
  /** The expressions that were read, to find those that are placed nowhere. */
  readonly read: ReadExpr[];
  readonly findings: Finding[];
  /** How many row or slot functions enclose the line that is running. */
  depth: number;
  /** The number for the next item, index or slot data. */
  nextLocal: number;
  /** Where the part of a template text stands that is being read. */
  reading?: TextPlace | undefined;
}

/**
 * The run at hand is shared by every copy of this library in the program, so that a command can run the templates
 * of a module that brought its own copy.
 */
const shared = globalThis as { [key: symbol]: { run: Run | undefined; keepsLines?: boolean } };
const key = Symbol.for('zesty-lattice.run');
shared[key] ??= { run: undefined };
const holder = shared[key];

export function currentRun(): Run | undefined {
  return holder.run;
}

/** Has the lines of templates remembered in production, too: for a build, which tells problems with them. */
export function keepLines(): void {
  holder.keepsLines = true;
}

export const keepsLines = (): boolean => holder.keepsLines ?? false;

/** Runs `work` as the template run `run`. */
export function during<T>(run: Run | undefined, work: () => T): T {
  const before = holder.run;
  holder.run = run;
  try {
    return work();
  } finally {
    holder.run = before;
  }
}

/**
 * Runs a row or slot function: `work` gets numbers for its locals, and what it makes stands one level deeper.
 * Outside any template a run of its own is opened, so that functions inside one another get different numbers.
 */
export function deeper<T>(locals: number, work: (first: number) => T): T {
  const run = holder.run ?? { name: '', read: [], findings: [], depth: 0, nextLocal: 0 };
  const first = run.nextLocal;
  run.nextLocal += locals;
  run.depth += 1;
  try {
    return during(run, () => work(first));
  } finally {
    run.depth -= 1;
  }
}

/** Where something in a template is written: by the caller of the public function `by`. */
export function placeIn(run: Run, by: unknown): object | undefined {
  if (run.places) {
    const place = callPlace(by);
    run.places.push(place);
    return place;
  }
  if (!run.again) return undefined;
  run.asked = (run.asked ?? 0) + 1;
  return new LaterPlace(run, run.asked - 1);
}

/** A place that is looked for when it is asked for. */
class LaterPlace {
  private readonly run: Run;
  private readonly at: number;

  constructor(run: Run, at: number) {
    this.run = run;
    this.at = at;
  }

  /** The remembered stack. A template that did something else the second time has none to give. */
  get stack(): string | undefined {
    const { places = [] } = this.run.again?.() ?? {};
    if (places.length !== this.run.asked) return undefined;
    return (places[this.at] as { readonly stack?: string } | undefined)?.stack;
  }
}
