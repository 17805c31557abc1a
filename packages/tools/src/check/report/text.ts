import { readFileSync } from 'node:fs';
import { relative } from 'node:path';
import pc from 'picocolors';
import { Places } from 'zesty-lattice/internal/markup';
import { type Problem, type SourcePlace, visible } from 'zesty-lattice/internal/problem';
import type { CheckReport } from '../check.js';

type Colors = ReturnType<typeof pc.createColors>;

/** A check's report as text: each problem with its place and its lines, then a summary line. */
export function textReport(report: CheckReport, isColored = false): string {
  const colors = pc.createColors(isColored);
  return [...problemBlocks(report.problems, colors), summary(report, colors)].join('\n\n');
}

/** Problems as text, each in a few lines. Lines of a file that stand above already are not shown again. */
export function problemBlocks(problems: readonly Problem[], colors: Colors): string[] {
  let before = '';
  return problems.map((problem) => {
    const { source } = problem;
    const place = source ? `${source.file}:${source.line}:${source.column}` : '';
    const block = problemBlock(problem, colors, place !== before);
    before = place;
    return block;
  });
}

/** One problem in a few lines: what, where, the lines of the file, what to do. */
export function problemBlock(problem: Problem, colors: Colors, hasFrame = true): string {
  const { code, severity, message, hint, where, source } = problem;
  const paint = severity === 'error' ? colors.red : colors.yellow;
  const lines = [`${paint(severity)} ${colors.bold(code)}  ${visible(message)}`];
  if (where !== '') lines.push(`  ${colors.dim('in')} ${visible(where)}`);
  if (source) {
    lines.push(`  ${colors.dim('at')} ${visible(shown(source.file))}:${source.line}:${source.column}`);
    for (const line of hasFrame ? visible(frameOf(source)).split('\n') : []) {
      if (line === '') continue;
      lines.push(`    ${/^ *│ *\^$/.test(line) ? paint(line) : colors.dim(line)}`);
    }
  }
  lines.push(`  ${colors.dim('→')} ${visible(hint)}`);
  return lines.join('\n');
}

/** The lines around a place: those that came with it, or as they stand in its file. */
export function frameOf({ file, line, column, frame }: SourcePlace): string {
  if (frame !== undefined) return frame;
  try {
    const places = new Places(readFileSync(file, 'utf8'), file);
    return line <= places.starts.length ? places.frame(line - 1, column, 1) : '';
  } catch {
    return '';
  }
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

/** What a build that fails for these problems says. */
export function failure(errors: readonly Problem[]): string {
  const count = errors.length === 1 ? 'a problem' : `${errors.length} problems`;
  return `${count} in the components of this build\n\n${problemBlocks(errors, pc).join('\n\n')}\n`;
}

/** Problems, each once: what is wrong in a component is wrong wherever it is used, and reported where it is made. */
export function eachOnce(problems: readonly Problem[]): readonly Problem[] {
  const byKey = new Map<string, Problem>();
  for (const one of problems) {
    const key = identityOf(one);
    const known = byKey.get(key);
    if (!known || one.where.length < known.where.length) byKey.set(key, one);
  }
  return [...byKey.values()];
}

function identityOf({ code, message, source }: Problem): string {
  return JSON.stringify([code, message, source?.file, source?.line, source?.column]);
}
