import type { Finding, Problem } from './problem.js';
import { placed } from './problem.js';

/** One problem as lines of text: what, where, what to do. */
export function problemText(problem: Problem): string {
  const { source } = problem;
  const lines = [`${problem.severity} ${problem.code}: ${problem.message}`];
  if (problem.where !== '') lines.push(`  in ${problem.where}`);
  if (source) lines.push(`  at ${source.file}:${source.line}:${source.column}`);
  if (source?.frame) lines.push(...source.frame.split('\n').map((line) => `    ${line}`));
  lines.push(`  ${problem.hint}`);
  return lines.join('\n');
}

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
  override readonly name = 'LatticeError';
  readonly problems: readonly Problem[];

  constructor(problems: readonly Problem[], options?: ErrorOptions) {
    super(problems.map(problemText).join('\n'), options);
    this.problems = problems;
  }
}

/** A LatticeError of one finding that stands outside any tree as yet. */
export function failure(found: Finding, where = ''): LatticeError {
  return new LatticeError([placed(found, where)]);
}
