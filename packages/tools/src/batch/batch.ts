import { mkdir } from 'node:fs/promises';
import { resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { type Finding, finding, type Problem, placed } from 'zesty-lattice/internal/problem';
import { contentHash, Journal } from './journal.js';
import { fieldsIn, fileOf } from './names.js';
import type { PageSettings } from './page-of.js';
import { recordOf } from './props-of.js';
import { type Row, rowsOf, sizeOf } from './rows.js';
import { codeHash } from './sources.js';
import type { PageSource, RowOutcome, RowTask } from './write-rows.js';

/** What a batch writes: a page for each row. */
export interface BatchOrder {
  /** The whole path of the module, and the tag name of its component. */
  readonly module: string;
  readonly component: string;
  /** A file of rows: JSON, NDJSON or CSV. */
  readonly data: string;
  readonly out: string;
  /** File names, with fields of the rows in braces. */
  readonly pattern: string;
  readonly settings: PageSettings;
  /** Which part of the rows is written here: every eighth from the second for `{ part: 2, of: 8 }`. */
  readonly shard?: { readonly part: number; readonly of: number } | undefined;
}

/** How far a batch is. */
export interface Progress {
  readonly rows: number;
  readonly written: number;
  readonly skipped: number;
  readonly failed: number;
  readonly bytes: number;
  /** How much of the data has been read, from 0 to 1. */
  readonly share: number;
}

/** A row that could not be written, or was and something is to be said of it. */
export interface RowProblems {
  readonly row: number;
  readonly file: string;
  readonly problems: readonly Problem[];
}

export interface BatchReport extends Omit<Progress, 'share'> {
  readonly seconds: number;
  /** The first of them; `failed` counts all. */
  readonly problems: readonly RowProblems[];
}

/** Who writes rows: threads of this process, or other processes. */
export interface Writers {
  /** How many parcels of rows may be under way. */
  readonly most: number;
  write(source: PageSource, rows: readonly RowTask[]): Promise<readonly RowOutcome[]>;
  close(): Promise<void>;
}

/** Threads that write rows. */
export async function threads(count: number): Promise<Writers> {
  const { Piscina } = await import('piscina');
  const pool = new Piscina({
    filename: fileURLToPath(new URL('./batch-worker.js', import.meta.url)),
    minThreads: count,
    maxThreads: count,
    idleTimeout: 60_000,
  });
  // Node 20 ends the whole process if a thread is stopped while it loads its first module, so they start up first.
  const started = pool.threads.map(
    (thread) =>
      new Promise<void>((done) => {
        thread.once('message', () => done());
        thread.once('exit', () => done());
      }),
  );
  return {
    most: count * 3,
    write: (source, rows) => pool.run({ source, rows }),
    async close() {
      await Promise.all(started);
      await pool.close({ force: true });
    },
  };
}

/** How many rows go to a writer at once: enough that handing them over costs little. */
const parcel = 64;
/** How many problems are kept to be shown. */
const mostProblems = 1_000;

/**
 * Writes a page for each row. What an earlier run has written of the same row, with the same code, is left as it is; a row
 * that cannot be written is reported with its number, and does not stop the others.
 *
 * @throws Error where the data cannot be read
 */
export async function batch(
  order: BatchOrder,
  writers: Writers,
  tell: (progress: Progress) => void = () => undefined,
): Promise<BatchReport> {
  const begin = performance.now();
  const { component, data, module, out, pattern, settings, shard } = order;
  await mkdir(out, { recursive: true });
  const journal = new Journal(out, shard ? `-${shard.part}-of-${shard.of}` : '');
  await journal.read();
  const forName = new Set([...fieldsIn(pattern), ...fieldsIn(settings.title ?? '')]);
  const source: PageSource = {
    module: resolve(module),
    component,
    settings,
    out: resolve(out),
    forName: [...forName],
  };
  const code = contentHash(await codeHash(module), component, pattern, JSON.stringify(settings));
  const size = await sizeOf(data);
  const names = new Map<string, number>();
  const count = { rows: 0, written: 0, skipped: 0, failed: 0, bytes: 0 };
  const problems: RowProblems[] = [];
  let share = 0;

  const fail = (row: number, file: string, ...found: readonly Problem[]): void => {
    count.failed++;
    note(row, file, found);
  };
  const note = (row: number, file: string, found: readonly Problem[]): void => {
    if (found.length > 0 && problems.length < mostProblems) problems.push({ row, file, problems: found });
  };
  /** What a row becomes: a task, or nothing where it is done or cannot be. */
  const taskOf = ({ number, text }: Row): Task | undefined => {
    const read = recordOf(text);
    if ('found' in read) return void fail(number, '', placed(read.found, ''));
    const file = fileOf(out, pattern, read.record, number);
    if ('missing' in file) return void fail(number, '', placed(unnamed(file.missing), ''));
    const before = names.get(file.name.toLowerCase());
    if (before !== undefined) return void fail(number, file.name, placed(twice(file.name, before), ''));
    names.set(file.name.toLowerCase(), number);
    const of = contentHash(code, 'json' in text ? text.json : JSON.stringify(text.fields));
    if (journal.has(of, file.name)) {
      count.skipped++;
      return undefined;
    }
    return { number, text, path: file.path, of, name: file.name };
  };

  const underWay = new Set<Promise<void>>();
  let stopped: unknown;
  const send = async (tasks: readonly Task[]): Promise<void> => {
    const work = (async () => {
      const rows = tasks.map(({ number, path, text }) => ({ number, path, text }));
      const outcomes = await writers.write(source, rows);
      for (const [at, { bytes, number, problems: found }] of outcomes.entries()) {
        const { name, of } = tasks[at] as Task;
        if (bytes === undefined) {
          fail(number, name, ...found);
          continue;
        }
        count.written++;
        count.bytes += bytes;
        note(number, name, found);
        await journal.add(of, name, bytes);
      }
      tell({ ...count, share });
    })();
    const tracked = work.catch((thrown) => {
      stopped ??= thrown;
    });
    underWay.add(tracked);
    tracked.then(() => underWay.delete(tracked));
    if (underWay.size >= writers.most) await Promise.race(underWay);
    if (stopped !== undefined) throw stopped;
  };

  try {
    let tasks: Task[] = [];
    let index = 0;
    for await (const row of rowsOf(data)) {
      if (shard && index++ % shard.of !== shard.part - 1) continue;
      count.rows++;
      share = size === 0 ? 1 : Math.min(1, row.at / size);
      const task = taskOf(row);
      if (task) tasks.push(task);
      else if (count.rows % 1_000 === 0) tell({ ...count, share });
      if (tasks.length < parcel) continue;
      await send(tasks);
      tasks = [];
    }
    if (tasks.length > 0) await send(tasks);
    await Promise.all(underWay);
    if (stopped !== undefined) throw stopped;
    share = 1;
    tell({ ...count, share });
  } finally {
    await Promise.all(underWay);
    await journal.close();
    await writers.close();
  }
  problems.sort((a, b) => a.row - b.row);
  return { ...count, seconds: (performance.now() - begin) / 1000, problems };
}

interface Task extends RowTask {
  readonly of: string;
  readonly name: string;
}

function unnamed(field: string): Finding {
  return finding('row-invalid', { fault: `has no "${field}" for its file’s name` });
}

function twice(name: string, before: number): Finding {
  return finding('row-invalid', { fault: `would be written to ${name}, as row ${before} is` });
}
