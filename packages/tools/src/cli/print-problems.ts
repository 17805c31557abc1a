import pc from 'picocolors';
import type { Problem } from 'zesty-lattice/internal/problem';
import { problemBlocks } from '../check/report/text.js';

/** Writes problems to standard error: what, where, what to do; then how many. */
export function printProblems(problems: readonly Problem[]): void {
  const colors = pc.createColors(process.stderr.isTTY === true && pc.isColorSupported);
  for (const block of problemBlocks(problems, colors)) process.stderr.write(`${block}\n\n`);
  process.stderr.write(`${countText(problems)}\n`);
}

/** `2 errors, 1 warning` */
function countText(problems: readonly Problem[]): string {
  const count = (severity: Problem['severity']): string => {
    const number = problems.filter((problem) => problem.severity === severity).length;
    return `${number} ${severity}${number === 1 ? '' : 's'}`;
  };
  return `${count('error')}, ${count('warning')}`;
}
