// The thread of a pool that writes pages: what it is given is reported in write-rows.ts.
import { type PageSource, type RowOutcome, type RowTask, writeRows } from './write-rows.js';

export default function work({
  rows,
  source,
}: {
  readonly rows: readonly RowTask[];
  readonly source: PageSource;
}): Promise<RowOutcome[]> {
  return writeRows(source, rows);
}
