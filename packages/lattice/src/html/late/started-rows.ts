import { lateError, mostTimeOut } from '../../template/index.js';
import { whenAborted } from './when-aborted.js';

type Row = IteratorResult<unknown>;

/**
 * Rows of a load that are being read. Each may take some milliseconds: one timer watches over all of them, since setting
 * one takes longer than many a row.
 */
export class StartedRows implements AsyncIterable<unknown> {
  private readonly items: AsyncIterator<unknown>;
  private readonly ms: number;
  private readonly stop: (reason: unknown) => void;
  private first: Row | undefined;
  /** Who waits for a row. */
  private take: ((row: Row) => void) | undefined;
  private fail: ((thrown: unknown) => void) | undefined;
  /** When the row that is waited for was asked for. */
  private since = 0;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private unfollow: (() => void) | undefined;

  /** Whether an error ends the rows, and is kept. */
  endsOnFailure = false;
  /** What reading them threw, if it did and that ended them. */
  failure: { readonly thrown: unknown } | undefined;

  private constructor(
    rows: AsyncIterable<unknown>,
    ms: number,
    signal: AbortSignal,
    stop: (reason: unknown) => void,
  ) {
    this.items = rows[Symbol.asyncIterator]();
    this.ms = ms;
    this.stop = stop;
    this.unfollow = whenAborted(signal, () => this.failed(signal.reason));
  }

  /**
   * Reads the first row, so that a source that fails at once is a load that fails.
   *
   * @param stop is called where a row takes longer
   * @throws whatever reading the first row throws
   */
  static async of(
    rows: AsyncIterable<unknown>,
    ms: number,
    signal: AbortSignal,
    stop: (reason: unknown) => void,
  ): Promise<StartedRows> {
    const started = new StartedRows(rows, ms, signal, stop);
    started.first = await new Promise<Row>((take, fail) => started.ask(take, fail));
    return started;
  }

  /** Asks for the next row: one of the two is called once it is there, or is not to come. */
  ask(take: (row: Row) => void, fail: (thrown: unknown) => void): void {
    const { first } = this;
    if (first) {
      this.first = undefined;
      return take(first);
    }
    this.take = take;
    this.fail = fail;
    this.since = performance.now();
    // A longer time is none to a timer.
    if (this.timer === undefined && this.ms <= mostTimeOut) this.watch(this.ms);
    let coming: PromiseLike<Row>;
    try {
      coming = this.items.next();
    } catch (thrown) {
      return this.failed(thrown);
    }
    Promise.resolve(coming).then(this.came, this.failed);
  }

  [Symbol.asyncIterator](): AsyncIterator<unknown> {
    return {
      next: () => new Promise((take, fail) => this.ask(take, fail)),
      return: async () => {
        this.end();
        return { done: true, value: undefined };
      },
    };
  }

  /** Reads no more. A source that hangs is not waited for. */
  end(): void {
    this.over();
    Promise.resolve(this.items.return?.()).catch(() => undefined);
  }

  private readonly came = (row: Row): void => {
    const { take } = this;
    if (row.done) this.over();
    this.take = undefined;
    this.fail = undefined;
    take?.(row);
  };

  private readonly failed = (thrown: unknown): void => {
    const { fail, take } = this;
    this.over();
    if (!this.endsOnFailure) return fail?.(thrown);
    this.failure ??= { thrown };
    take?.({ done: true, value: undefined });
  };

  private over(): void {
    this.take = undefined;
    this.fail = undefined;
    clearTimeout(this.timer);
    this.unfollow?.();
  }

  private watch(left: number): void {
    this.timer = setTimeout(() => {
      this.timer = undefined;
      if (!this.take) return;
      const more = this.since + this.ms - performance.now();
      if (more > 0) return this.watch(more);
      const late = lateError(this.ms);
      this.failed(late);
      this.stop(late);
    }, left);
  }
}
