import type { Part } from './part.js';
import { StartedRows } from './started-rows.js';
import { whenAborted } from './when-aborted.js';

/** How much text of rows is passed on as one. */
const enough = 16_384;

/** How rows of a list are written. */
export interface RowSource {
  /** Rows that follow one another, from a number on; undefined where each has to be written by itself. */
  readonly some: (items: readonly unknown[], from: number) => Part | undefined;
  readonly one: (item: unknown, index: number) => Part;
  /** What stands there where there are none. */
  readonly none: () => Part;
  /** How many rows that wait are written ahead of the one that is read. */
  readonly ahead: number;
  /** Takes what reading the rows threw. */
  readonly failed: (thrown: unknown) => void;
}

/** Rows that are written together: as many as come to what is passed on as one. */
class Batches {
  private readonly source: RowSource;
  /** How many rows that is, as far as is known. */
  most = 16;
  /** The number of the next row. */
  next = 0;

  constructor(source: RowSource) {
    this.source = source;
  }

  /** The pieces of some rows. */
  *of(items: readonly unknown[]): Generator<string | Part> {
    const { next, source } = this;
    this.next += items.length;
    const rows = source.some(items, next);
    if (rows) {
      const { pieces } = rows;
      const written = pieces.reduce((sum, one) => sum + (typeof one === 'string' ? one.length : 0), 0);
      if (items.length >= this.most)
        this.most = Math.min(2 * this.most, Math.ceil((this.most * enough) / (written + 1)));
      yield* pieces;
      return;
    }
    let text = '';
    for (const [at, item] of items.entries())
      for (const piece of source.one(item, next + at).pieces) {
        if (typeof piece === 'string') text += piece;
        if (text !== '' && (typeof piece !== 'string' || text.length > enough)) {
          yield text;
          text = '';
        }
        if (typeof piece !== 'string') yield piece;
      }
    if (text !== '') yield text;
  }
}

/** The pieces of the rows of a list, as they are asked for. */
export async function* rowsOfList(
  list: readonly unknown[],
  source: RowSource,
  signal: AbortSignal,
): AsyncGenerator<string | Part> {
  const batches = new Batches(source);
  const all = function* (): Generator<string | Part> {
    while (batches.next < list.length && !signal.aborted) {
      let some: readonly unknown[];
      try {
        some = list.slice(batches.next, batches.next + batches.most);
      } catch (thrown) {
        return source.failed(thrown);
      }
      yield* batches.of(some);
    }
  };
  yield* ahead(all(), source.ahead);
}

/** How many pieces are kept at most that nobody has asked for. */
const mostAhead = 1_000;

/**
 * Pieces in their order. While one is waited for, those after it are made already, so that what they load is under way:
 * until so many of them wait.
 */
function* ahead(coming: Iterator<string | Part>, most: number): Generator<string | Part> {
  const made: (string | Part)[] = [];
  const waiting = new Set<Part>();
  let isOver = false;
  const isShort = (): boolean =>
    made.length === 0 || (waiting.size > 0 && waiting.size < most && made.length < mostAhead);
  while (true) {
    while (!isOver && isShort()) {
      const next = coming.next();
      if (next.done) {
        isOver = true;
        break;
      }
      const piece = next.value;
      made.push(piece);
      if (typeof piece === 'string' || !piece.ready) continue;
      waiting.add(piece);
      piece.ready.then(() => waiting.delete(piece));
    }
    const first = made.shift();
    if (first === undefined) return;
    yield first;
  }
}

/**
 * The pieces of rows that come one after another, as they are asked for. An empty text says that the next row has to be
 * waited for, so that those before it go out.
 */
export async function* rowsOf(
  list: AsyncIterable<unknown>,
  source: RowSource,
  signal: AbortSignal,
): AsyncGenerator<string | Part> {
  const batches = new Batches(source);
  const coming = new ComingRow(list);
  /** Rows that are here, and not written yet. */
  let here: unknown[] = [];
  const unfollow = whenAborted(signal, () => coming.fail(signal.reason));
  const written = (): Iterable<string | Part> => {
    const rows = here;
    here = [];
    return rows.length > 0 ? ahead(batches.of(rows), source.ahead) : [];
  };
  try {
    while (true) {
      coming.ask();
      await coming.settled(here.length > 0);
      if (!coming.isSettled) {
        yield* written();
        yield '';
        await coming.settled(false);
      }
      const next = coming.row();
      if (next.done) break;
      here.push(next.value);
      if (here.length >= batches.most) yield* written();
    }
    yield* written();
    if (batches.next === 0) yield source.none();
  } catch (thrown) {
    if (signal.aborted) return;
    yield* written();
    source.failed(thrown);
  } finally {
    unfollow();
    coming.end();
  }
}

/** The row that is asked for: one object for all of them. */
class ComingRow {
  private readonly askSource: () => void;
  private readonly endSource: () => void;
  private found: IteratorResult<unknown> | undefined;
  private failure: { readonly thrown: unknown } | undefined;
  private told: (() => void) | undefined;
  private timer: ReturnType<typeof setTimeout> | undefined;

  constructor(list: AsyncIterable<unknown>) {
    if (list instanceof StartedRows) {
      this.askSource = () => list.ask(this.take, this.fail);
      this.endSource = () => list.end();
      return;
    }
    const items = list[Symbol.asyncIterator]();
    this.askSource = () => void items.next().then(this.take, this.fail);
    // Whoever reads no more has the source stop as well. One that hangs is not waited for.
    this.endSource = () => void items.return?.().catch(() => undefined);
  }

  ask(): void {
    this.found = undefined;
    this.askSource();
  }

  end(): void {
    clearTimeout(this.timer);
    this.endSource();
  }

  private readonly take = (row: IteratorResult<unknown>): void => {
    this.found = row;
    this.told?.();
  };

  /** Ends the wait with an error. */
  readonly fail = (thrown: unknown): void => {
    this.failure ??= { thrown };
    this.told?.();
  };

  get isSettled(): boolean {
    return this.found !== undefined || this.failure !== undefined;
  }

  /**
   * Waits until the row is there, or no longer than for what is there already. One timer does for many rows: setting
   * one takes longer than most.
   */
  settled(isAtOnce: boolean): Promise<void> | undefined {
    if (this.isSettled) return undefined;
    if (isAtOnce)
      this.timer ??= setTimeout(() => {
        this.timer = undefined;
        this.told?.();
      }, 0);
    return new Promise((told) => {
      this.told = told;
    });
  }

  row(): IteratorResult<unknown> {
    if (this.failure) throw this.failure.thrown;
    return this.found as IteratorResult<unknown>;
  }
}
