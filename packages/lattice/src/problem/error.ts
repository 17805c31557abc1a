import { forReaders, problemText } from '#dev';
import type { Finding, Problem } from './problem.js';
import { placed } from './problem.js';

/**
 * Thrown when something cannot be carried out. It holds every problem that was found, not only the first.
 *
 * @example
 * try {
 *   renderHtml(FairPage, {});
 * } catch (error) {
 *   if (error instanceof LatticeError) for (const { code, where, hint } of error.problems) report(code, where, hint);
 * }
 */
export class LatticeError extends Error {
  /** By what it is: where a bundler and Node find different files there are two copies of this class. */
  static override [Symbol.hasInstance](thrown: unknown): boolean {
    return (thrown as Partial<LatticeError> | null | undefined)?.name === 'LatticeError';
  }

  override readonly name = 'LatticeError';
  declare readonly problems: readonly Problem[];

  constructor(problems: readonly Problem[], options?: ErrorOptions) {
    super(problems.map(problemText).join('\n'), options);
    this.problems = problems;
    forReaders(this);
  }
}

/** A LatticeError of one finding that stands outside any tree as yet. */
export function failure(found: Finding, where = ''): LatticeError {
  return new LatticeError([placed(found, where)]);
}
