import { mkdir } from 'node:fs/promises';
import { relative, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { type Finding, type Problem, placed } from 'zesty-lattice/internal/problem';
import { contentHash, Journal } from './journal.js';
import { fieldsIn, fileOf, takesNumber } from './names.js';
import type { PageSettings } from './page-of.js';
import { recordOf, rowInvalid } from './props-of.js';
import { fieldsOfSettings } from './row-settings.js';
import { type Row, rowsOf, sizeOf, standardInput } from './rows.js';
import { codeHash } from './sources.js';
import { storeOf } from './store.js';
import { clearParts, markFolder } from './whole-file.js';
import { type PageSource, type RowOutcome, type RowTask, writeRows } from './write-rows.js';

/** What a batch writes: a page for each row. */
export interface BatchOrder {
  /** The whole path of the module, and the tag name of its component. */
  readonly module: string;
  readonly component: string;
  /** A file of rows: JSON, NDJSON or CSV. */
  readonly data: string;
  /** The folder that the pages go to, with the journal of what they hold. */
  readonly out: string;
  /** A module of the author's that writes pages in the place of the folder, as a whole path. */
  readonly store?: string | undefined;
  /** File names, with fields of the rows in braces. */
  readonly pattern: string;
  readonly settings: PageSettings;
  /** Which part of the rows is written here: every eighth from the second for `{ part: 2, of: 8 }`. */
  readonly shard?: { readonly part: number; readonly of: number } | undefined;
  /** Whether all pages are written, those that are there as well. */
  readonly force?: boolean | undefined;
  /** Whether a page whose data could not be loaded is written, as its component shows that; else its row has failed. */
  readonly allowFailed?: boolean | undefined;
  /** Whether pages are removed whose rows are gone. */
  readonly prune?: boolean | undefined;
  /** How many loads are under way in each thread (default: 8). */
  readonly loadsAtOnce?: number | undefined;
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
  /** Pages that an earlier run has written of rows that are gone. */
  readonly gone: readonly string[];
  /** How many of them were removed. */
  readonly pruned: number;
}

/** Who writes rows: threads of this process, or other processes. */
export interface Writers {
  /** How many parcels of rows may be under way. */
  readonly most: number;
  /** Whether they are other processes, elsewhere perhaps. */
  readonly isElsewhere?: boolean;
  /** Whether they are this thread, which has the records of rows already. */
  readonly isHere?: boolean;
  write(source: PageSource, rows: readonly RowTask[]): Promise<readonly RowOutcome[]>;
  close(): Promise<void>;
}

/** Threads that write rows; one alone is this one, to which no row has to be handed over. */
export async function threads(count: number): Promise<Writers> {
  if (count === 1) return { most: 2, isHere: true, write: writeRows, close: async () => undefined };
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
 * @param signal stops it: the pages under way are written, and noted
 * @throws Error where the data cannot be read; the reason of the signal where it is stopped
 */
export async function batch(
  order: BatchOrder,
  writers: Writers,
  tell: (progress: Progress) => void = () => undefined,
  signal: AbortSignal = new AbortController().signal,
): Promise<BatchReport> {
  const run = new Run(order, writers, tell);
  try {
    await run.start();
    return await run.all(signal);
  } finally {
    await run.end();
  }
}

/** One run over the rows. */
class Run {
  private readonly begin = performance.now();
  private readonly order: BatchOrder;
  /** The folder as a whole path: who writes there may have started elsewhere. */
  private readonly out: string;
  private readonly writers: Writers;
  private readonly tell: (progress: Progress) => void;
  private readonly journal: Journal;
  private source: PageSource;
  /** The names of all rows, those of other parts among them, in small letters as some disks see them; with their rows. */
  private readonly names = new Map<string, number>();
  private readonly problems: RowProblems[] = [];
  private readonly count = { rows: 0, written: 0, skipped: 0, failed: 0, bytes: 0 };
  private readonly underWay = new Set<Promise<void>>();
  private readonly takesNumber: boolean;
  /** Whether there is a row that could not be read, so that nobody knows which page is its own. */
  private isUnread = false;
  private stopped: unknown;
  private share = 0;
  private code = '';

  constructor(order: BatchOrder, writers: Writers, tell: (progress: Progress) => void) {
    const { component, data, loadsAtOnce, module, out, pattern, settings, shard, store } = order;
    this.order = order;
    this.out = resolve(out);
    this.writers = writers;
    this.tell = tell;
    const inOut = data === standardInput ? data : relative(this.out, resolve(data));
    const by = contentHash(component, inOut).slice(0, 8);
    this.journal = new Journal(
      this.out,
      shard ? `-${shard.part}-of-${shard.of}` : '',
      by,
      store === undefined,
    );
    const said = [settings.title, settings.lang, settings.dir].filter((one) => one !== undefined);
    this.takesNumber = said.some(takesNumber);
    this.source = {
      module: resolve(module),
      component,
      code: '',
      settings,
      out: this.out,
      store,
      forName: [...new Set([...fieldsIn(pattern), ...fieldsOfSettings(settings)])],
      allowFailed: order.allowFailed === true,
      loadsAtOnce: loadsAtOnce ?? usualLoads,
    };
  }

  async start(): Promise<void> {
    const { component, module, pattern, settings, store } = this.order;
    await mkdir(this.out, { recursive: true });
    clearParts(this.out);
    await this.journal.read();
    const code = await codeHash(module);
    const mark = this.writers.isElsewhere ? markFolder(this.out) : undefined;
    this.source = { ...this.source, code, mark };
    this.code = contentHash(code, component, pattern, JSON.stringify(settings), store ?? '');
  }

  async all(signal: AbortSignal): Promise<BatchReport> {
    const { count, order } = this;
    const size = await sizeOf(order.data);
    let tasks: Task[] = [];
    let index = 0;
    for await (const row of rowsOf(order.data)) {
      signal.throwIfAborted();
      this.share = size === 0 ? 0 : Math.min(1, row.at / size);
      const isOwn = !order.shard || index++ % order.shard.of === order.shard.part - 1;
      if (isOwn) count.rows++;
      const task = this.taskOf(row, isOwn);
      if (task) tasks.push(task);
      else if (count.rows % 1_000 === 0) this.said();
      if (tasks.length < parcel) continue;
      await this.send(tasks);
      tasks = [];
    }
    if (tasks.length > 0) await this.send(tasks);
    await Promise.all(this.underWay);
    if (this.stopped !== undefined) throw this.stopped;
    this.share = 1;
    this.said();
    const gone = await this.gone();
    this.problems.sort((a, b) => a.row - b.row);
    return {
      ...count,
      ...gone,
      seconds: (performance.now() - this.begin) / 1000,
      problems: this.problems,
    };
  }

  async end(): Promise<void> {
    await Promise.all(this.underWay);
    this.journal.close();
    await this.writers.close();
    clearParts(this.out);
  }

  private said(): void {
    this.tell({ ...this.count, share: this.share });
  }

  private fail(row: number, file: string, ...found: readonly Problem[]): void {
    this.count.failed++;
    this.note(row, file, found);
  }

  private note(row: number, file: string, found: readonly Problem[]): void {
    if (found.length > 0 && this.problems.length < mostProblems)
      this.problems.push({ row, file, problems: found });
  }

  /** What a row becomes: a task, or nothing where it is done, cannot be, or belongs to another part. */
  private taskOf({ number, text }: Row, isOwn: boolean): Task | undefined {
    const { journal, names, order } = this;
    const refuse = (file: string, found: Finding): void => {
      if (isOwn) this.fail(number, file, placed(found, ''));
    };
    const read = recordOf(text);
    if ('found' in read || 'fault' in text) {
      this.isUnread = true;
      return 'found' in read ? void refuse('', read.found) : undefined;
    }
    const file = fileOf(this.out, order.pattern, read.record, number);
    if ('fault' in file) {
      this.isUnread = true;
      return void refuse('', rowInvalid(file.fault));
    }
    const { name } = file;
    const key = nameKey(name);
    const before = names.get(key);
    if (before !== undefined)
      return void refuse(name, rowInvalid(`would be written to ${name}, as row ${before} is`));
    names.set(key, number);
    if (!isOwn) return undefined;
    const said = 'json' in text ? text.json : JSON.stringify(text.fields);
    const of = contentHash(this.code, said, this.takesNumber ? String(number) : '');
    if (!order.force && journal.has(of, name)) {
      this.count.skipped++;
      return undefined;
    }
    return { number, text, of, name, record: read.record };
  }

  private async send(tasks: readonly Task[]): Promise<void> {
    const { underWay, writers } = this;
    this.journal.open(tasks.map(({ name }) => name));
    const tracked = this.write(tasks).catch((thrown) => {
      this.stopped ??= thrown;
    });
    underWay.add(tracked);
    tracked.then(() => underWay.delete(tracked));
    if (underWay.size >= writers.most) await Promise.race(underWay);
    if (this.stopped !== undefined) throw this.stopped;
  }

  private async write(tasks: readonly Task[]): Promise<void> {
    const rows = tasks.map(({ name, number, record, text }) =>
      this.writers.isHere ? { name, number, record, text } : { name, number, text },
    );
    const outcomes = await this.writers.write(this.source, rows);
    for (const [at, { bytes, isPartial, number, problems: found }] of outcomes.entries()) {
      const { name, of } = tasks[at] as Task;
      if (bytes === undefined) {
        this.fail(number, name, ...found);
        continue;
      }
      this.count.written++;
      this.count.bytes += bytes;
      this.note(number, name, found);
      this.journal.add(isPartial ? '' : of, name, bytes);
    }
    this.said();
  }

  /** Pages of this batch whose rows are gone; removed where that is asked for, and no row is unknown. */
  private async gone(): Promise<Pick<BatchReport, 'gone' | 'pruned'>> {
    const { journal, names, order } = this;
    const gone = journal.others({ has: (name) => names.has(nameKey(name)) });
    const isPruned = order.prune === true && !this.isUnread;
    if (isPruned && gone.length > 0) {
      const { remove } = await storeOf(this.out, order.store);
      for (const name of gone) {
        if (!remove) throw new Error(`${order.store} exports no function remove(name), which --prune needs.`);
        await remove(name);
        journal.forget(name);
      }
    }
    return { gone, pruned: isPruned ? gone.length : 0 };
  }
}

/** How many loads are under way in each thread where nobody says, as in a rendering. */
const usualLoads = 8;

/** Names that some disks take for one. */
const nameKey = (name: string): string => name.normalize('NFC').toLowerCase();

interface Task extends RowTask {
  readonly of: string;
}
