import { relative } from 'node:path';
import pc from 'picocolors';
import type { Problem } from '../../problem/index.js';
import type { CheckReport } from '../check.js';

type Colors = ReturnType<typeof pc.createColors>;

/** A check's report as text: each problem with its place and its lines, then a summary line. */
export function textReport(report: CheckReport, isColored = false): string {
  const colors = pc.createColors(isColored);
  const blocks = report.problems.map((problem) => problemBlock(problem, colors));
  return [...blocks, summary(report, colors)].join('\n\n');
}

/** One problem in a few lines: what, where, the lines of the file, what to do. */
export function problemBlock(problem: Problem, colors: Colors): string {
  const { code, severity, message, hint, where, source } = problem;
  const paint = severity === 'error' ? colors.red : colors.yellow;
  const lines = [`${paint(severity)} ${colors.bold(code)}  ${message}`];
  if (where !== '') lines.push(`  ${colors.dim('in')} ${where}`);
  if (source) {
    lines.push(`  ${colors.dim('at')} ${shown(source.file)}:${source.line}:${source.column}`);
    for (const line of source.frame?.split('\n') ?? []) {
      lines.push(`    ${/^ *│ *\^$/.test(line) ? paint(line) : colors.dim(line)}`);
    }
  }
  lines.push(`  ${colors.dim('→')} ${hint}`);
  return lines.join('\n');
}

function shown(file: string): string {
  const from = relative('', file);
  return from.startsWith('..') ? file : from;
}

function summary({ files, components, problems, took }: CheckReport, colors: Colors): string {
  const errors = problems.filter(({ severity }) => severity === 'error').length;
  const warnings = problems.length - errors;
  const found = `${counted(errors, 'error')}, ${counted(warnings, 'warning')}`;
  const paint = errors > 0 ? colors.red : warnings > 0 ? colors.yellow : colors.green;
  const seconds = took < 1000 ? `${Math.round(took)} ms` : `${(took / 1000).toFixed(1)} s`;
  return `${paint(found)} in ${counted(files.length, 'file')} with ${counted(components, 'component')}, ${seconds}\n`;
}

function counted(count: number, what: string): string {
  return `${count} ${what}${count === 1 ? '' : 's'}`;
}
