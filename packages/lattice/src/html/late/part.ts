/**
 * A place in what is written whose text comes later. Its pieces are there once it is ready; those that are parts
 * themselves have their own time.
 */
export class Part {
  pieces: (string | Part)[] = [];
  isReady = true;
  /** Settles when the pieces are there, and never fails. */
  ready: Promise<void> | undefined;
  /** Pieces that are made as they are asked for, after the others: rows that come one after another. */
  more: (() => AsyncGenerator<string | Part>) | undefined;
  /** What stands there while it is waited for, where it may be moved to its place later. */
  meanwhile: (() => Part) | undefined;

  /** Takes text that is ready. */
  take(text: string): void {
    if (text !== '') this.pieces.push(text);
  }

  /**
   * Is ready once some work is done, or is not waited for any longer.
   *
   * @param waits takes what ends the wait, for as long as it lasts
   */
  after(waits: Set<() => void>, work: Promise<void>): void {
    this.isReady = false;
    this.ready = new Promise((done, fail) => {
      const end = (): void => {
        waits.delete(end);
        this.isReady = true;
        done();
      };
      waits.add(end);
      work.then(end, fail);
    });
  }
}

/** Stands between texts where what is ready has to go out, since more has to be waited for. */
export const pause: unique symbol = Symbol('pause');

export type Texts = AsyncGenerator<string | typeof pause>;

/**
 * The texts of a part in their order, each as soon as it and all before it are there.
 *
 * @param inner the texts of a part inside it, where they are not simply walked as well
 */
export async function* walk(part: Part, inner: (part: Part) => Texts = walk): Texts {
  if (!part.isReady) {
    yield pause;
    await part.ready;
  }
  for (const piece of part.pieces) {
    if (typeof piece === 'string') yield piece;
    else yield* inner(piece);
  }
  if (!part.more) return;
  for await (const piece of part.more()) {
    if (piece === '') yield pause;
    else if (typeof piece === 'string') yield piece;
    else yield* inner(piece);
  }
}
