/**
 * Rows of which the first has been read, so that a source that fails at once is a load that fails.
 *
 * @param waiting waits for a row, for as long as one may take
 * @throws whatever reading the first row throws
 */
export async function startedRows(
  rows: AsyncIterable<unknown>,
  waiting: (row: Promise<IteratorResult<unknown>>) => Promise<IteratorResult<unknown>>,
): Promise<AsyncIterable<unknown>> {
  const items = rows[Symbol.asyncIterator]();
  const next = (): Promise<IteratorResult<unknown>> => waiting(Promise.resolve(items.next()));
  let first: Promise<IteratorResult<unknown>> | undefined = next();
  await first;
  return {
    [Symbol.asyncIterator]: () => ({
      next() {
        const row = first ?? next();
        first = undefined;
        return row;
      },
      return: async () => {
        await items.return?.();
        return { done: true, value: undefined };
      },
    }),
  };
}

/** Rows whose failure ends them, and is kept. */
export class EndingRows implements AsyncIterable<unknown> {
  readonly #rows: AsyncIterable<unknown>;
  /** What reading them threw, if it did. */
  failure: { readonly thrown: unknown } | undefined;

  constructor(rows: AsyncIterable<unknown>) {
    this.#rows = rows;
  }

  [Symbol.asyncIterator](): AsyncIterator<unknown> {
    const items = this.#rows[Symbol.asyncIterator]();
    return {
      next: () =>
        items.next().catch((thrown: unknown) => {
          this.failure = { thrown };
          return { done: true, value: undefined };
        }),
      return: async () => {
        await items.return?.();
        return { done: true, value: undefined };
      },
    };
  }
}
