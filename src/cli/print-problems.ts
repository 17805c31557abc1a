import { relative } from 'node:path';
import pc from 'picocolors';
import type { Problem } from '../problem/index.js';

/** Writes problems to standard error: what, where, what to do; then how many. */
export function printProblems(problems: readonly Problem[]): void {
  const colors = pc.createColors(process.stderr.isTTY === true && pc.isColorSupported);
  for (const { code, severity, message, hint, where, source } of problems) {
    const paint = severity === 'error' ? colors.red : colors.yellow;
    const lines = [`${paint(severity)} ${colors.bold(code)}  ${message}`];
    if (where !== '') lines.push(`  ${colors.dim('in')} ${where}`);
    if (source)
      lines.push(`  ${colors.dim('at')} ${relative('', source.file)}:${source.line}:${source.column}`);
    lines.push(`  ${colors.dim('→')} ${hint}`);
    process.stderr.write(`${lines.join('\n')}\n\n`);
  }
  process.stderr.write(`${countText(problems)}\n`);
}

/** `2 errors, 1 warning` */
export function countText(problems: readonly Problem[]): string {
  const count = (severity: Problem['severity']): string => {
    const number = problems.filter((problem) => problem.severity === severity).length;
    return `${number} ${severity}${number === 1 ? '' : 's'}`;
  };
  return `${count('error')}, ${count('warning')}`;
}
