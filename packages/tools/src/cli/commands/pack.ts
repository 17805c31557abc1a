import { existsSync, mkdirSync, writeFileSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import { type Command, InvalidArgumentError } from 'commander';
import pc from 'picocolors';
import { elementsManifest } from '../../describe/index.js';
import {
  bundle,
  bundleAll,
  type Entry,
  entriesOf,
  measured,
  type PackEntry,
  type PackedFile,
  type PackSizes,
  packedTypes,
  registersItself,
  type Sizes,
  sizePicture,
  stemOf,
} from '../../pack/index.js';
import { UsageError } from '../usage-error.js';

interface PackFlags {
  readonly out?: string;
  readonly dev?: boolean;
  readonly limit?: number;
  readonly picture?: string;
  readonly sizes: boolean;
  readonly sourcemap?: boolean;
  readonly external?: readonly string[];
}

/** `lattice pack`: elements as one module for a plain page. */
export function packCommand(command: Command): Command {
  return command
    .option(
      '-o, --out <file>',
      'output file (default: out/<name>.js), a folder for several modules (default: out)',
    )
    .option('--sourcemap', 'write source maps beside the modules')
    .option('--external <packages...>', 'packages that the page brings itself')
    .option('--limit <size>', 'fail if the module is larger (gzip), for example 5kB', sizeIn)
    .option('--dev', 'development build: readable, with all messages')
    .option('--picture <file.svg>', 'write the sizes as a picture')
    .option('--no-sizes', 'skip the size of each component')
    .action(runPack);
}

async function runPack(files: readonly string[], options: PackFlags): Promise<void> {
  const [file = ''] = files;
  if (files.length > 1 || options.sourcemap || options.external) return packAll(files, options);
  const { dev = false, limit, out, picture, sizes } = options;
  if (!existsSync(file)) throw new UsageError(`There is no file ${file}.`);
  const own = registersItself(file);
  // Such a module wants a page: what it registers is seen in the bundle alone.
  const entries = own ? [] : await entriesOf(file);
  if (entries.length === 0 && !own)
    throw new UsageError(`${file} exports no component. Export one: export const Name = component(…).`);
  const path = out ?? join('out', `${stemOf(file)}.js`);
  if (!/\.m?js$/.test(path)) throw new UsageError(`${path} is to be a module: name it ${path}.js.`);
  const packed = await bundle(file, own ? [] : entries, dev).catch(failed);
  const base = path.replace(/\.m?js$/, '');
  mkdirSync(dirname(path), { recursive: true });
  writeFileSync(path, packed.code);
  if (!own) describe(base, entries);
  const title = `${basename(path)}${dev ? ' (development build)' : ''}`;
  const parts = sizes && !own && !dev ? await measured(file, entries, packed) : undefined;
  process.stdout.write(table(title, parts, packed.sizes));
  if (packed.byPage.length > 0)
    process.stderr.write(
      `The page plans some elements itself, which the module brings the planner for:\n${packed.byPage
        .map(({ what, why }) => `  ${what}: ${why}\n`)
        .join('')}`,
    );
  if (picture !== undefined) {
    if (!parts)
      throw new UsageError(
        'A picture is of the sizes of a production build: leave out --dev and --no-sizes.',
      );
    mkdirSync(dirname(picture), { recursive: true });
    writeFileSync(picture, sizePicture(parts, `${title}, gzip`));
  }
  refuseLarge(path, packed.sizes.gzip, limit);
}

/** Says that what was written is larger than it may be. */
function refuseLarge(what: string, gzip: number, limit: number | undefined): void {
  if (limit === undefined || gzip <= limit) return;
  process.stderr.write(
    `lattice: ${what} is ${gzip} bytes (gzip), and ${limit} are the limit: ${gzip - limit} too many.\n`,
  );
  process.exitCode = 1;
}

/** What is wrong in the components, reported as a build does. */
function failed(thrown: Error): never {
  if (!thrown.message.startsWith('Build failed')) throw thrown;
  throw new PackFailed(
    thrown.message.replace(/^ +at .*\n?/gm, (line) => (/node_modules|dist\/node/.test(line) ? '' : line)),
  );
}

/** Several modules into a folder, with what they share in files of its own; or one with a source map. */
async function packAll(
  files: readonly string[],
  { dev = false, external = [], limit, out, picture, sourcemap = false }: PackFlags,
): Promise<void> {
  if (picture !== undefined)
    throw new UsageError('A picture is of the sizes of one module without --external and --sourcemap.');
  const isFile = files.length === 1 && out !== undefined && /\.m?js$/.test(out);
  if (files.length > 1 && out !== undefined && /\.m?js$/.test(out))
    throw new UsageError(`${out} is one file, and several modules go into a folder: --out <folder>.`);
  const modules: PackEntry[] = [];
  for (const file of files) {
    if (!existsSync(file)) throw new UsageError(`There is no file ${file}.`);
    const entries = registersItself(file) ? [] : await entriesOf(file);
    if (entries.length === 0 && !registersItself(file))
      throw new UsageError(`${file} exports no component. Export one: export const Name = component(…).`);
    modules.push({ file, entries });
  }
  const packed = await bundleAll(modules, { external, isDev: dev, sourceMaps: sourcemap }).catch(failed);
  const folder = isFile ? dirname(out) : (out ?? 'out');
  mkdirSync(folder, { recursive: true });
  const nameOf = ({ isShared, name }: PackedFile): string => (isFile && !isShared ? basename(out) : name);
  for (const one of packed) {
    const name = nameOf(one);
    writeFileSync(join(folder, name), one.code.replace(`=${one.name}.map`, `=${name}.map`));
    if (one.map !== undefined) writeFileSync(join(folder, `${name}.map`), one.map);
  }
  for (const { entries, file } of modules)
    if (entries.length > 0)
      describe(join(folder, isFile ? basename(out).replace(/\.m?js$/, '') : stemOf(file)), entries);
  const all = total(packed.map(({ sizes }) => sizes));
  process.stdout.write(
    table(
      'all of it',
      { alone: packed.map((one) => ({ name: nameOf(one), sizes: one.sizes })), shared: undefined, all },
      all,
    ),
  );
  refuseLarge(folder, all.gzip, limit);
}

function total(all: readonly Sizes[]): Sizes {
  const of = (key: keyof Sizes): number => all.reduce((sum, one) => sum + one[key], 0);
  return { plain: of('plain'), minified: of('minified'), gzip: of('gzip'), brotli: of('brotli') };
}

/** Types and a manifest beside the module. */
function describe(base: string, entries: readonly Entry[]): void {
  writeFileSync(`${base}.d.ts`, packedTypes(entries.map(({ core }) => core)));
  const exports = Object.fromEntries(entries.map(({ component, exportName }) => [exportName, component]));
  const manifest = elementsManifest([{ path: `./${basename(base)}.js`, exports }]);
  writeFileSync(`${base}.custom-elements.json`, `${JSON.stringify(manifest, null, 2)}\n`);
}

/** Thrown for what a build found wrong: its words are enough. */
class PackFailed extends Error {
  override name = 'PackFailed';
}

/** `shared` is left out where what modules share is in files of its own. */
type Parts = Omit<PackSizes, 'shared'> & { readonly shared: Sizes | undefined };

function table(title: string, parts: Parts | undefined, all: Sizes): string {
  const rows: (readonly [string, Sizes])[] = [
    ...(parts?.alone ?? []).map(({ name, sizes }) => [name, sizes] as const),
    ...(parts?.shared && parts.alone.length > 1 ? [['what they share', parts.shared] as const] : []),
    [title, all],
  ];
  const heads = ['plain', 'minified', 'gzip', 'brotli'] as const;
  const wide = Math.max(...rows.map(([name]) => name.length));
  const most = Math.max(...rows.map(([, { gzip }]) => gzip));
  const number = (bytes: number): string => bytes.toLocaleString('en').padStart(10);
  const lines = rows.map(([name, sizes], index) => {
    const bar = '█'.repeat(Math.max(1, Math.round((sizes.gzip / most) * 24)));
    const words = `${name.padEnd(wide)}${heads.map((head) => number(sizes[head])).join('')}`;
    return `${index === rows.length - 1 ? pc.bold(words) : words}  ${pc.yellow(bar)}`;
  });
  return `${pc.dim(`${''.padEnd(wide)}${heads.map((head) => head.padStart(10)).join('')}  bytes`)}\n${lines.join('\n')}\n`;
}

function sizeIn(text: string): number {
  const [, number, unit = 'B'] = /^([\d.]+)\s*(B|kB|KB|KiB|MB)?$/.exec(text) ?? [];
  const factor = { B: 1, kB: 1000, KB: 1000, KiB: 1024, MB: 1_000_000 }[unit] ?? 1;
  if (number === undefined || !Number.isFinite(Number(number)))
    throw new InvalidArgumentError('A size, such as 5kB.');
  return Math.round(Number(number) * factor);
}
