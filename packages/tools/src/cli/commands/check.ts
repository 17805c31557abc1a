import { text } from 'node:stream/consumers';
import { type Command, Option } from 'commander';
import pc from 'picocolors';
import { type CheckReport, check, jsonReport, sarifReport, textReport } from '../../check/index.js';
import { pathsOf, wrongCall } from '../load.js';
import { UsageError } from '../usage-error.js';
import { watching } from '../watching.js';

interface CheckFlags {
  readonly format: 'text' | 'json' | 'sarif';
  readonly watch?: true;
  readonly types?: true;
}

/** `lattice check`: what is wrong in components, template texts and documents. */
export function checkCommand(command: Command): Command {
  return command
    .addOption(
      new Option('-f, --format <format>', 'output format').choices(['text', 'json', 'sarif']).default('text'),
    )
    .option('-t, --types', 'check the values that HTML templates pass to props against their kinds')
    .option('-w, --watch', 'check again when a file changes')
    .addHelpText(
      'after',
      '\n- reads a template text or a document from standard input. lattice.json sets severities, foreign tags and ignored paths: see docs/check.md.',
    )
    .action(runCheck);
}

async function runCheck(given: readonly string[], options: CheckFlags): Promise<void> {
  const named = given.filter((path) => path !== '-');
  const isPiped = named.length < given.length;
  const paths = isPiped ? named : pathsOf(named);
  if (isPiped && options.watch)
    throw new UsageError('Standard input is read once: check - and --watch do not go together.');
  if (options.watch)
    return watching(
      ['check', ...paths, '--format', options.format, ...(options.types ? ['--types'] : [])],
      () => paths,
    );
  const input = isPiped ? await text(process.stdin) : undefined;
  const report = await checked(paths, options.types === true, input);
  process.stdout.write(written(report, options.format));
  if (report.problems.some(({ severity }) => severity === 'error')) process.exitCode = 1;
}

async function checked(
  paths: readonly string[],
  types: boolean,
  input: string | undefined,
): Promise<CheckReport> {
  const bar = process.stderr.isTTY ? await progressBar() : undefined;
  try {
    const progress = (done: number, all: number): void => bar?.show(done, all);
    return await check(paths, { ...(types && { types }), progress, ...(input !== undefined && { input }) });
  } catch (thrown) {
    throw wrongCall(thrown);
  } finally {
    bar?.stop();
  }
}

function written(report: CheckReport, format: CheckFlags['format']): string {
  if (format === 'json') return jsonReport(report);
  if (format === 'sarif') return sarifReport(report);
  return textReport(report, process.stdout.isTTY === true && pc.isColorSupported);
}

/** How far the check is, on a terminal, for checks that take a while. */
async function progressBar(): Promise<{ show(done: number, all: number): void; stop(): void }> {
  const { Presets, SingleBar } = await import('cli-progress');
  const options = {
    format: 'Checking {bar} {value} of {total} files',
    clearOnComplete: true,
    hideCursor: true,
  };
  const bar = new SingleBar({ ...options, stream: process.stderr }, Presets.shades_classic);
  let isShown = false;
  return {
    show(done, all) {
      if (all < 20) return;
      if (!isShown) bar.start(all, done);
      else bar.update(done);
      isShown = true;
    },
    stop: () => isShown && bar.stop(),
  };
}
