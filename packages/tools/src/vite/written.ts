import type { ViteDevServer } from 'vite';
import type { Problem } from 'zesty-lattice/internal/problem';

/** A problem with the line that was written, where its place is one in what Vite made of the module. */
export function written(problem: Problem, server: ViteDevServer): Problem {
  const { source } = problem;
  if (!source || source.frame !== undefined) return problem;
  const { file, line, column } = source;
  const stack = server.ssrRewriteStacktrace(`Error: x\n    at x (${file}:${line}:${column})`);
  const [, from = file, row, col] = /\(([^()]+):(\d+):(\d+)\)/.exec(stack) ?? [];
  return { ...problem, source: { file: from, line: Number(row ?? line), column: Number(col ?? column) } };
}
