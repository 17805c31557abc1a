import { originalPositionFor, type SourceMapInput, TraceMap } from '@jridgewell/trace-mapping';

/** The line that somebody wrote, for an offset in what became of a module so far. */
export function lineIn(code: string, offset: number, map: unknown): number {
  const before = code.slice(0, offset).split('\n');
  const line = before.length;
  const found = originalPositionFor(new TraceMap(map as SourceMapInput), {
    line,
    column: before.at(-1)?.length ?? 0,
  });
  return found.line ?? line;
}
