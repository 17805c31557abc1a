import type { Part } from './part.js';
import { whenAborted } from './when-aborted.js';

/** How much text of rows is passed on as one. */
export const enough = 16_384;

/**
 * The pieces of rows of a list that wait for nothing: as many rows at once as are passed on as one.
 *
 * @param write writes rows from a number on, and gives the number of the next
 */
export async function* plainRows(
  count: number,
  signal: AbortSignal,
  write: (from: number) => readonly [rows: Part, next: number],
): AsyncGenerator<string | Part> {
  for (let at = 0; at < count && !signal.aborted; ) {
    const [rows, next] = write(at);
    at = next;
    yield* rows.pieces;
  }
}

/**
 * The pieces of rows as they are asked for. An empty text says that the next row has to be waited for, so that those
 * before it go out.
 */
export async function* rowsOf(
  list: Iterable<unknown> | AsyncIterable<unknown>,
  row: (item: unknown, index: number) => Part,
  empty: () => Part,
  failed: (thrown: unknown) => void,
  signal: AbortSignal,
): AsyncGenerator<string | Part> {
  let text = '';
  let index = 0;
  const items = Symbol.asyncIterator in list ? list[Symbol.asyncIterator]() : undefined;
  const plain = items ? undefined : (list as Iterable<unknown>)[Symbol.iterator]();
  let stop: ((reason: unknown) => void) | undefined;
  const unfollow = whenAborted(signal, () => stop?.(signal.reason));
  try {
    while (true) {
      signal.throwIfAborted();
      let next: IteratorResult<unknown>;
      if (plain) next = plain.next();
      else {
        const coming = (items as AsyncIterator<unknown>).next();
        if (text !== '' && !(await isNear(coming))) {
          yield text;
          yield '';
          text = '';
        }
        next = await new Promise<IteratorResult<unknown>>((done, fail) => {
          stop = fail;
          coming.then(done, fail);
        });
      }
      if (next.done) break;
      for (const piece of row(next.value, index++).pieces) {
        if (typeof piece === 'string') text += piece;
        else {
          if (text !== '') yield text;
          text = '';
          yield piece;
        }
      }
      if (text.length > enough) {
        yield text;
        text = '';
      }
    }
    if (index === 0) yield empty();
    if (text !== '') yield text;
  } catch (thrown) {
    if (signal.aborted) return;
    if (text !== '') yield text;
    failed(thrown);
  } finally {
    unfollow();
    // Whoever reads no more has the source stop as well. One that hangs is not waited for.
    items?.return?.().catch(() => undefined);
  }
}

/** How many turns of promises a row may take that is there already. */
const turns = 8;

async function isNear(coming: Promise<unknown>): Promise<boolean> {
  let isHere = false;
  const here = (): void => {
    isHere = true;
  };
  coming.then(here, here);
  for (let turn = 0; turn < turns && !isHere; turn++) await undefined;
  return isHere;
}
