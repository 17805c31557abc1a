import { existsSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { join, resolve } from 'node:path';
import { Command, InvalidArgumentError } from 'commander';
import pc from 'picocolors';
import { compare, type Difference, type Scheme, samplePages, shoot } from '../../shots/index.js';
import { UsageError, wrongCall } from '../load.js';
import { printProblems } from '../print-problems.js';

interface Options {
  readonly shot: string;
  readonly compare?: string;
  readonly widths: readonly number[];
  readonly schemes: readonly Scheme[];
  readonly css?: string;
  readonly browser?: string;
}

/** `lattice preview --shot`: a picture of each sample. */
export function previewCommand(): Command {
  return new Command('preview')
    .description('Take a picture of every sample, and tell those that differ from last time.')
    .argument('[paths...]', 'files and folders with components and their samples', ['.'])
    .requiredOption('-s, --shot <folder>', 'where the pictures go')
    .option('--compare <folder>', 'pictures of before: what differs is told, and drawn in differences/')
    .option('--widths <pixels>', 'how wide, between commas', widthsIn, [360, 1280])
    .option('--schemes <names>', 'light, dark, or both between commas', schemesIn, ['light', 'dark'])
    .option('--css <file>', 'rules for all of them, such as custom properties of the project')
    .option('--browser <path>', 'the Chromium to use; else it is looked for')
    .action(run);
}

async function run(paths: readonly string[], options: Options): Promise<void> {
  const start = performance.now();
  const folder = resolve(options.shot);
  const before = options.compare === undefined ? undefined : resolve(options.compare);
  if (before === folder)
    throw new UsageError('The pictures of before are in the folder of --shot. Give --compare another one.');
  if (before !== undefined && !existsSync(before))
    throw new UsageError(`There is no folder ${options.compare}.`);
  const css = options.css === undefined ? '' : await rulesIn(options.css);
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
  say(found.length === 0 ? 'None differs from before.' : `${found.length} differ from before.`);
  if (found.length > 0) process.exitCode = 1;
}

const say = (text: string): void => void process.stdout.write(`${text}\n`);

function line({ drawn, file, kind, pixels }: Difference, shot: string): string {
  const where = drawn === undefined ? '' : `  ${join(shot, 'differences', file)}`;
  const what = kind === 'changed' ? `${pixels} pixels differ` : kind === 'resized' ? 'another size' : kind;
  return `${pc.bold(file)}  ${what}${pc.dim(where)}`;
}

async function rulesIn(path: string): Promise<string> {
  if (!existsSync(path)) throw new UsageError(`There is no file ${path}.`);
  return readFile(path, 'utf8');
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
