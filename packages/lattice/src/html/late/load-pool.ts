import pLimit from 'p-limit';

/** A limit of loads that several renderings share: made by `loadPool`, given as the option `loads.pool`. */
export interface LoadPool {
  /** How many loads run at the same time. */
  readonly atOnce: number;
  /** How many loads run now. */
  readonly running: number;
  /** How many loads wait for their turn. */
  readonly waiting: number;
  /** Runs some work when it is its turn. */
  run<Found>(work: () => Promise<Found>): Promise<Found>;
}

/**
 * Makes a limit that all renderings which are given it share, so that a server asks its database for so much at the same
 * time, however many visitors there are. The limit of each rendering, `loads.atOnce`, stays beside it.
 *
 * @param atOnce how many loads run at the same time
 * @throws RangeError when that is not a whole number from 1
 * @example
 * const pool = loadPool(32);
 * await renderHtmlAsync(GrovePage, {}, { loads: { pool } });
 */
export function loadPool(atOnce: number): LoadPool {
  if (!Number.isInteger(atOnce) || atOnce < 1)
    throw new RangeError(
      `loadPool expects how many loads run at the same time, from 1, but received ${atOnce}.`,
    );
  const limit = pLimit(atOnce);
  return {
    atOnce,
    get running() {
      return limit.activeCount;
    },
    get waiting() {
      return limit.pendingCount;
    },
    run: (work) => limit(work),
  };
}
