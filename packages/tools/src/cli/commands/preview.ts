import { existsSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { join, resolve } from 'node:path';
import { type Command, InvalidArgumentError } from 'commander';
import pc from 'picocolors';
import { openPreview } from '../../preview/index.js';
import { compare, type Difference, type Scheme, samplePages, shoot } from '../../shots/index.js';
import { pathsOf, settingsNow, wrongCall } from '../load.js';
import { printProblems } from '../print-problems.js';
import { UsageError } from '../usage-error.js';

interface PreviewFlags {
  readonly shot?: string;
  readonly port?: number;
  readonly compare?: string;
  readonly widths: readonly number[];
  readonly schemes: readonly Scheme[];
  readonly css?: string | undefined;
  readonly browser?: string;
}

/** `lattice preview`: a page to look at components; with `--shot` a picture of each sample. */
export function previewCommand(command: Command): Command {
  return command
    .option('-p, --port <number>', 'port of the page (default: a free one)', portIn)
    .option('-s, --shot <folder>', 'output folder for pictures of all samples')
    .option('--compare <folder>', 'earlier pictures: differences are reported, and drawn in differences/')
    .option('--widths <pixels>', 'widths, comma-separated', widthsIn, [360, 1280])
    .option('--schemes <names>', 'color schemes, comma-separated', schemesIn, ['light', 'dark'])
    .option('--css <file>', 'CSS file for all components, for example with custom properties')
    .option('--browser <path>', 'path of Chromium (default: the installed one)')
    .action(runPreview);
}

async function runPreview(given: readonly string[], flags: PreviewFlags): Promise<void> {
  const paths = pathsOf(given, ['.']);
  const options = { css: settingsNow().css, ...flags };
  if (options.css !== undefined && !existsSync(options.css))
    throw new UsageError(`There is no file ${options.css}.`);
  const { shot } = options;
  if (shot !== undefined) return takePictures(paths, { ...options, shot });
  if (options.compare !== undefined)
    throw new UsageError('--compare needs --shot <folder>: where the pictures of now go.');
  return openPage(paths, options);
}

/** Serves the page until the command is stopped. */
async function openPage(paths: readonly string[], { css, port }: PreviewFlags): Promise<void> {
  const { close, url } = await openPreview(paths, {
    log: say,
    ...(port !== undefined && { port }),
    ...(css !== undefined && { css }),
  }).catch((thrown) => {
    if ((thrown as { readonly code?: string }).code === 'EADDRINUSE' || /already in use/.test(String(thrown)))
      throw new UsageError(`Port ${port} is taken. Give another one, or leave --port out.`);
    throw wrongCall(thrown);
  });
  say(`${pc.bold(url)}  ${pc.dim('Ctrl+C ends it')}`);
  await new Promise<void>((end) => {
    for (const signal of ['SIGINT', 'SIGTERM'] as const) process.once(signal, () => end());
  });
  await close();
  process.exit(0);
}

async function takePictures(
  paths: readonly string[],
  options: PreviewFlags & { readonly shot: string },
): Promise<void> {
  const start = performance.now();
  const folder = resolve(options.shot);
  const before = options.compare === undefined ? undefined : resolve(options.compare);
  if (before === folder)
    throw new UsageError('The pictures of before are in the folder of --shot. Give --compare another one.');
  if (before !== undefined && !existsSync(before))
    throw new UsageError(`There is no folder ${options.compare}.`);
  const css = options.css === undefined ? '' : await readFile(options.css, 'utf8');
  const { pages, problems } = await samplePages(paths, css).catch((thrown) => {
    throw wrongCall(thrown);
  });
  if (problems.length > 0) printProblems(problems);
  if (problems.some(({ severity }) => severity === 'error')) process.exitCode = 1;
  const { browser, schemes, widths } = options;
  const files = await shoot(pages, { folder, widths, schemes, browser });
  const took = ((performance.now() - start) / 1000).toFixed(1);
  say(`${files.length} pictures of ${pages.length} samples in ${options.shot}, ${took} s`);
  if (before === undefined) return;
  const found = await compare(files, folder, before);
  for (const one of found) say(line(one, options.shot));
  const differing = found.filter(({ kind }) => kind !== 'untaken').length;
  say(differing === 0 ? 'None differs from before.' : `${differing} differ from before.`);
  if (differing > 0) process.exitCode = 1;
}

const say = (text: string): void => void process.stdout.write(`${text}\n`);

function line({ drawn, file, kind, pixels }: Difference, shot: string): string {
  const where = drawn === undefined ? '' : `  ${join(shot, 'differences', file)}`;
  const what =
    kind === 'changed'
      ? `${pixels} pixels differ`
      : kind === 'resized'
        ? 'another size'
        : kind === 'untaken'
          ? 'not taken now'
          : kind;
  return `${pc.bold(file)}  ${what}${pc.dim(where)}`;
}

function portIn(text: string): number {
  const port = Number(text);
  if (Number.isInteger(port) && port > 0 && port < 65_536) return port;
  throw new InvalidArgumentError('A number from 1 to 65535.');
}

function widthsIn(text: string): readonly number[] {
  const widths = text.split(',').map(Number);
  if (widths.every((width) => Number.isInteger(width) && width >= 100 && width <= 4000)) return widths;
  throw new InvalidArgumentError('Whole numbers from 100 to 4000, such as 360,1280.');
}

function schemesIn(text: string): readonly Scheme[] {
  const schemes = text.split(',');
  if (schemes.every((one): one is Scheme => one === 'light' || one === 'dark')) return schemes;
  throw new InvalidArgumentError('light, dark, or light,dark.');
}
