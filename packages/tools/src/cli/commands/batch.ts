import { existsSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { availableParallelism } from 'node:os';
import { resolve } from 'node:path';
import { Presets, SingleBar } from 'cli-progress';
import { type Command, InvalidArgumentError, Option } from 'commander';
import pc from 'picocolors';
import { componentCore } from 'zesty-lattice/internal/component';
import { visible } from 'zesty-lattice/internal/problem';
import {
  type BatchReport,
  batch,
  kindOfRows,
  type Progress,
  patternFault,
  QueueMissing,
  queued,
  sourcesOf,
  standardInput,
  threads,
  UnreadableRows,
  workFor,
} from '../../batch/index.js';
import { problemBlocks } from '../../check/report/text.js';
import { loadComponent } from '../load.js';
import { rulesOption } from '../options.js';
import { UsageError } from '../usage-error.js';
import { calledWithout, watching } from '../watching.js';

interface BatchFlags {
  readonly data?: string;
  readonly out?: string;
  readonly name: string;
  readonly component?: string;
  readonly title?: string;
  readonly lang: string;
  readonly dir?: string;
  readonly head?: string;
  readonly force?: true;
  readonly allowFailed?: true;
  readonly prune?: true;
  readonly loads: number;
  readonly store?: string;
  readonly css?: string;
  readonly fragment?: true;
  readonly form?: 'markup' | 'elements';
  readonly sheets?: readonly string[];
  readonly rules?: 'inline' | 'linked';
  readonly workers: number;
  readonly shard?: { readonly part: number; readonly of: number };
  readonly queue?: string;
  readonly worker?: true;
  readonly json?: true;
  readonly watch?: true;
}

/** `lattice batch`: a page for each row of a file. */
export function batchCommand(command: Command): Command {
  return command
    .option('-d, --data <file>', 'rows of props: JSON, NDJSON or CSV; - for standard input')
    .option('-o, --out <folder>', 'output folder')
    .option('--store <module>', 'a module with write(name, bytes), which writes the pages elsewhere')
    .option(
      '-n, --name <pattern>',
      'file names with fields of the row in braces; {n} is the row number',
      '{id}.html',
    )
    .option('-c, --component <name>', 'the component of the module, by tag name or export name')
    .option(
      '--title <text>',
      'title of the pages, with fields of the row in braces (default: the prop "title")',
    )
    .option('--lang <tag>', 'language of the documents, or a field of the row in braces', 'en')
    .option('--dir <direction>', 'ltr, rtl or auto, or a field of the row in braces')
    .option('--css <file>', 'CSS file for the whole page')
    .option('--head <file>', 'HTML file for the head: scripts, style sheets, meta elements')
    .option('--fragment', 'write HTML fragments instead of documents')
    .addOption(
      new Option(
        '--form <form>',
        'elements: interactive components stay elements, which a page hydrates',
      ).choices(['markup', 'elements']),
    )
    .addOption(rulesOption())
    .option('--sheets <urls...>', 'with --form elements: style sheets that each shadow root links')
    .option('--force', 'write all pages, those that are there as well')
    .option('--prune', 'remove pages that an earlier run wrote of rows that are gone')
    .option('--allow-failed', 'write pages whose data could not be loaded, and try them again next time')
    .option('--loads <count>', 'number of loads at the same time in each thread', positive, 8)
    .option('--workers <count>', 'number of threads', positive, Math.max(1, availableParallelism() - 1))
    .option('--shard <part/of>', 'write one part of the rows, for example 2/8', shardOf)
    .option('--queue <url>', 'send the rows to workers through a queue: redis://…')
    .option('--worker', 'run as a worker of the queue until stopped')
    .option('--json', 'print the summary as JSON')
    .option('-w, --watch', 'write changed pages again when the data or the code changes')
    .addHelpText(
      'after',
      '\nA second run continues where the first one ended: pages with the same row and code are skipped.',
    )
    .action(runBatch);
}

function positive(text: string): number {
  const count = Number(text);
  if (!Number.isInteger(count) || count < 1 || count > 256)
    throw new InvalidArgumentError('Give a whole number from 1 to 256.');
  return count;
}

function shardOf(text: string): { readonly part: number; readonly of: number } {
  const [, part, of] = (/^(\d+)\/(\d+)$/.exec(text) ?? []).map(Number);
  if (!part || !of || part > of)
    throw new InvalidArgumentError('Give the part and how many there are, such as 2/8.');
  return { part, of };
}

async function runBatch(page: string | undefined, options: BatchFlags, command: Command): Promise<void> {
  try {
    if (options.worker) return await work(options);
    const order = await orderOf(page, options);
    if (options.watch) {
      const { css, data = '' } = options;
      return await watching(calledWithout(command), async () => [
        data,
        ...(css === undefined ? [] : [css]),
        ...(await sourcesOf(order.module)),
      ]);
    }
    const writers =
      options.queue === undefined
        ? await threads(options.workers)
        : await queued(options.queue, (line) => process.stderr.write(`${line}\n`));
    const bar = process.stderr.isTTY && !options.json ? progressBar() : undefined;
    const report = await stoppable(
      () => bar?.stop(),
      (signal) => batch(order, writers, bar?.show, signal),
    );
    if (report === undefined) {
      process.stderr.write('Stopped. The pages that are written are noted: the same command continues.\n');
      process.exitCode = stoppedCode;
      return;
    }
    print(report, options);
    if (report.failed > 0) process.exitCode = 1;
  } catch (thrown) {
    if (thrown instanceof QueueMissing) throw new UsageError(thrown.message);
    if (thrown instanceof UnreadableRows) {
      process.stderr.write(
        `The rows of ${visible(options.data ?? '')} cannot be read: ${visible(thrown.message)}.\n`,
      );
      process.exitCode = 1;
      return;
    }
    throw thrown;
  }
}

/** What a shell expects of a command that was stopped: 128 and the number of SIGINT. */
const stoppedCode = 130;

/**
 * Work that Ctrl-C stops where that loses nothing, and at once if it comes again. The terminal has its cursor back either way.
 *
 * @param end is called once, when the work ends or is stopped
 */
async function stoppable<Made>(
  end: () => void,
  work: (signal: AbortSignal) => Promise<Made>,
): Promise<Made | undefined> {
  const stop = new AbortController();
  const stopped = (): void => {
    if (stop.signal.aborted) process.exit(stoppedCode);
    end();
    process.stderr.write('Finishing the pages under way. Press Ctrl+C again to stop at once.\n');
    stop.abort();
  };
  process.on('SIGINT', stopped);
  try {
    return await work(stop.signal);
  } catch (thrown) {
    if (stop.signal.aborted) return undefined;
    throw thrown;
  } finally {
    process.off('SIGINT', stopped);
    end();
  }
}

async function orderOf(page: string | undefined, options: BatchFlags) {
  const {
    allowFailed,
    component: wanted,
    css,
    data,
    dir,
    force,
    form,
    fragment,
    head,
    lang,
    loads,
    name,
    out,
    prune,
    rules,
    shard,
    sheets,
    store,
    title,
  } = options;
  if (page === undefined)
    throw new UsageError('Say which page is written: lattice batch page.ts --data rows.ndjson --out pages.');
  if (data === undefined || out === undefined)
    throw new UsageError(`Say where the rows are and where pages go: --data rows.ndjson --out pages.`);
  if (data === standardInput && options.watch)
    throw new UsageError('--watch needs a file of rows: standard input does not change.');
  if (data !== standardInput && !existsSync(data)) throw new UsageError(`There is no file ${data}.`);
  if (!kindOfRows(data)) throw new UsageError(`${data} is none of .json, .ndjson, .jsonl and .csv.`);
  const wrong = patternFault(name);
  if (wrong) throw new UsageError(`The pattern ${JSON.stringify(name)} of --name ${wrong}.`);
  if (sheets && form !== 'elements')
    throw new UsageError('--sheets is for shadow roots, which only --form elements writes.');
  for (const file of [css, head, store])
    if (file !== undefined && !existsSync(file)) throw new UsageError(`There is no file ${file}.`);
  if (fragment && (head !== undefined || dir !== undefined))
    throw new UsageError(
      `${head === undefined ? '--dir' : '--head'} is for documents, which --fragment does not write.`,
    );
  const component = componentCore(await loadComponent(page, wanted));
  return {
    module: resolve(page),
    component: component?.name ?? '',
    data,
    out,
    store: store === undefined ? undefined : resolve(store),
    pattern: name,
    shard,
    allowFailed,
    force,
    prune,
    loadsAtOnce: loads,
    settings: {
      isPage: !fragment,
      form,
      sheets,
      rules: rules === 'linked' ? rules : undefined,
      title,
      lang,
      dir,
      head: head === undefined ? undefined : (await readFile(head, 'utf8')).trim(),
      css: css === undefined ? undefined : (await readFile(css, 'utf8')).trim(),
    },
  };
}

/** Writes rows for a queue until the process is reported to stop. */
async function work({ queue }: BatchFlags): Promise<void> {
  if (queue === undefined)
    throw new UsageError('A worker needs a queue: lattice batch --worker --queue redis://…');
  const stop = new AbortController();
  for (const signal of ['SIGINT', 'SIGTERM']) process.once(signal, () => stop.abort());
  let rows = 0;
  await workFor(
    queue,
    stop.signal,
    (more) => {
      rows += more;
    },
    (line) => process.stderr.write(`${line}\n`),
  );
  process.stderr.write(`Wrote ${rows} rows.\n`);
}

/** How far a batch is, on a terminal: share, rate, time left. */
function progressBar(): { readonly show: (progress: Progress) => void; readonly stop: () => void } {
  const bar = new SingleBar(
    {
      format: 'Writing {bar} {percentage}%  {rows} rows  {rate} a second  {left} left{wrong}',
      hideCursor: true,
      clearOnComplete: true,
      stream: process.stderr,
      fps: 10,
    },
    Presets.shades_classic,
  );
  // Counted from the first rows: threads take a moment to begin.
  let first: { readonly at: number; readonly rows: number; readonly share: number } | undefined;
  bar.start(1_000, 0, { rows: 0, rate: '…', left: '…', wrong: '' });
  return {
    show({ failed, rows, share }) {
      first ??= { at: performance.now(), rows, share };
      const seconds = (performance.now() - first.at) / 1000;
      const done = share - first.share;
      const left = done > 0 ? (seconds / done) * (1 - share) : 0;
      bar.update(Math.round(share * 1_000), {
        rows: rows.toLocaleString('en'),
        rate: done > 0 ? Math.round((rows - first.rows) / seconds).toLocaleString('en') : '…',
        left: done <= 0 ? '…' : left < 90 ? `${Math.ceil(left)} s` : `${Math.ceil(left / 60)} min`,
        wrong: failed > 0 ? `  ${failed} failed` : '',
      });
    },
    stop: () => bar.stop(),
  };
}

/** How many rows are shown with their problems. */
const mostShown = 20;

/** Pages that are there still, of rows that are not. */
function goneText(gone: readonly string[], isAsked: boolean): string {
  const shown = gone.slice(0, 3).map(visible).join(', ');
  const more = gone.length > 3 ? ` and ${(gone.length - 3).toLocaleString('en')} more` : '';
  const are = gone.length === 1 ? 'is a page of a row that is' : 'are pages of rows that are';
  const hint = isAsked
    ? 'They stay, since there are rows that could not be read'
    : '--prune removes such pages';
  return `${shown}${more} ${are} gone. ${hint}.\n`;
}

function print(report: BatchReport, { json, out = '', prune }: BatchFlags): void {
  const { bytes, failed, gone, problems, pruned, rows, seconds, skipped, written } = report;
  const perSecond = Math.round(rows / Math.max(seconds, 0.001));
  if (json) {
    process.stdout.write(`${JSON.stringify({ ...report, perSecond }, undefined, 2)}\n`);
    return;
  }
  const colors = pc.createColors(process.stderr.isTTY === true && pc.isColorSupported);
  for (const { file, problems: found, row } of problems.slice(0, mostShown)) {
    process.stderr.write(
      `${colors.bold(`row ${row}`)}${file === '' ? '' : colors.dim(`  ${visible(file)}`)}\n`,
    );
    for (const block of problemBlocks(found, colors))
      process.stderr.write(`${block.replaceAll(/^/gm, '  ')}\n`);
    process.stderr.write('\n');
  }
  const more = Math.max(problems.length, failed) - mostShown;
  if (more > 0) process.stderr.write(`… and ${more.toLocaleString('en')} rows more\n\n`);
  const parts = [
    `${written.toLocaleString('en')} written`,
    ...(skipped > 0 ? [`${skipped.toLocaleString('en')} there already`] : []),
    ...(failed > 0 ? [`${failed.toLocaleString('en')} failed`] : []),
    ...(pruned > 0 ? [`${pruned.toLocaleString('en')} removed`] : []),
  ];
  if (gone.length > pruned) process.stderr.write(goneText(gone, prune === true));
  process.stdout.write(
    `${rows.toLocaleString('en')} row${rows === 1 ? '' : 's'}: ${parts.join(', ')}. ${sizeOf(bytes)} to ${visible(out)} in ${seconds.toFixed(1)} s, ${perSecond.toLocaleString('en')} a second.\n`,
  );
}

const sizeOf = (bytes: number): string =>
  bytes < 1e6 ? `${(bytes / 1e3).toFixed(1)} kB` : `${(bytes / 1e6).toFixed(1)} MB`;
