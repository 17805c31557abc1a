import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { basename, dirname, join, relative, resolve } from 'node:path';
import { type Command, Option } from 'commander';
import pc from 'picocolors';
import { type AnyComponent, componentsIn } from 'zesty-lattice/internal/component';
import { suggest } from 'zesty-lattice/internal/problem';
import { countWords } from 'zesty-lattice/internal/tree';
import { filesIn, namesLibrary } from '../../check/files.js';
import { loadModule } from '../../check/modules.js';
import { readSettings } from '../../check/settings.js';
import { type Described, type DescribedModule, describedIn } from '../../describe/described.js';
import { editorData, elementsManifest, propsSchema, tagTypes } from '../../describe/index.js';
import { type ReferenceSample, referencePage } from '../../describe/reference.js';
import { isSampleFile, textSamples } from '../../samples/index.js';
import { samplePages, shoot, slugOf } from '../../shots/index.js';
import { pathsOf, settingsNow, wrongCall } from '../load.js';
import { UsageError } from '../usage-error.js';

const forms = ['manifest', 'schemas', 'editor', 'types', 'reference'] as const;
type Form = (typeof forms)[number];

interface DescribeFlags {
  readonly out?: string;
  readonly print?: Form;
  readonly only?: readonly Form[];
  readonly pictures?: true;
  readonly css?: string | undefined;
  readonly browser?: string;
}

/** `lattice describe`: what components are, for other tools and for people. */
export function describeCommand(command: Command): Command {
  return command
    .option('-o, --out <folder>', 'output folder (default: out/describe)')
    .option('--only <forms>', `some of it, between commas: ${forms.join(', ')}`, formsIn)
    .addOption(new Option('--print <form>', 'print one output instead of writing files').choices(forms))
    .option('--pictures', 'add a picture of each sample to the reference pages')
    .option('--css <file>', 'CSS file for the pictures, for example with custom properties')
    .option('--browser <path>', 'path of Chromium (default: the installed one)')
    .action(runDescribe);
}

async function runDescribe(given: readonly string[], options: DescribeFlags): Promise<void> {
  const paths = pathsOf(given);
  const { out = 'out/describe', print } = options;
  const files = await modulesIn(paths);
  const modules = files.map(
    ({ exports, file }): DescribedModule => ({ path: pathFrom(resolve(out), file), exports }),
  );
  /** What a person knows each module by. */
  const shown = new Map(files.map(({ file }) => [pathFrom(resolve(out), file), relative('.', file)]));
  const all = describedIn(modules);
  if (all.length === 0)
    throw new UsageError('No component is exported there. Export one: export const Name = component(…).');
  if (print !== undefined) {
    const texts = Object.values(textsOf(print, modules, all, shown, () => []));
    process.stdout.write(texts.join('\n'));
    return;
  }
  const wanted = options.only ?? forms;
  const samples = wanted.includes('reference')
    ? await samplesFor(paths, all, out, { css: settingsNow().css, ...options })
    : () => [];
  for (const form of wanted) {
    const texts = textsOf(form, modules, all, shown, samples);
    for (const [name, text] of Object.entries(texts)) {
      const path = join(out, name);
      mkdirSync(dirname(path), { recursive: true });
      writeFileSync(path, text);
    }
    const names = Object.keys(texts);
    process.stdout.write(
      `${pc.bold(join(out, names.length === 1 ? (names[0] ?? '') : dirname(names[0] ?? '')))}  ${said[form](all.length)}\n`,
    );
  }
}

const said: Readonly<Record<Form, (count: number) => string>> = {
  manifest: (count) => `the custom elements manifest of ${countWords(count, 'component')}`,
  schemas: (count) => `the props of ${countWords(count, 'component')} as JSON Schema`,
  editor: (count) => `${countWords(count, 'tag')} for the completion of HTML`,
  types: (count) => `types of ${countWords(count, 'element')} for TypeScript`,
  reference: (count) => `${countWords(count, 'page')} in Markdown`,
};

/** The files of one form, by their names. */
function textsOf(
  form: Form,
  modules: readonly DescribedModule[],
  all: readonly Described[],
  shown: ReadonlyMap<string, string>,
  samples: (name: string) => readonly ReferenceSample[],
): Readonly<Record<string, string>> {
  const components = componentsOf(modules, all);
  switch (form) {
    case 'manifest':
      return { 'custom-elements.json': json(elementsManifest(modules)) };
    case 'editor':
      return { 'html-data.json': json(editorData(components)) };
    case 'types':
      return { 'elements.d.ts': tagTypes(modules) };
    case 'schemas':
      return Object.fromEntries(
        components.map((one) => [join('props', `${one.name}.schema.json`), json(propsSchema(one))]),
      );
    case 'reference':
      return Object.fromEntries(
        all.map((one) => [
          join('reference', `${one.core.name}.md`),
          referencePage(one, shown.get(one.path) ?? one.path, samples(one.core.name)),
        ]),
      );
  }
}

const json = (value: unknown): string => `${JSON.stringify(value, null, 2)}\n`;

function componentsOf(
  modules: readonly DescribedModule[],
  all: readonly Described[],
): readonly AnyComponent[] {
  return all.flatMap(({ exportName, path }) => {
    const found = modules.find((one) => one.path === path)?.exports[exportName];
    return found === undefined ? [] : [found as AnyComponent];
  });
}

interface LoadedModule {
  readonly file: string;
  readonly exports: Readonly<Record<string, unknown>>;
}

async function modulesIn(paths: readonly string[]): Promise<readonly LoadedModule[]> {
  const { ignore } = readSettings(paths[0] ?? '.');
  const found = await filesIn(paths, ignore).catch((thrown) => {
    throw wrongCall(thrown);
  });
  const modules: LoadedModule[] = [];
  for (const { kind, path } of found) {
    if (kind !== 'module' || isSampleFile(path)) continue;
    const isNamed = paths.some((one) => resolve(one) === path);
    if (!isNamed && !namesLibrary(readFileSync(path, 'utf8'))) continue;
    const exports = await loadModule(path);
    if (componentsIn(exports).size > 0) modules.push({ file: path, exports });
  }
  return modules;
}

/** A module as what is written imports it: by the name that it has when it is JavaScript. */
function pathFrom(folder: string, file: string): string {
  const path = relative(folder, file)
    .replaceAll('\\', '/')
    .replace(/\.([cm]?)tsx?$/, '.$1js');
  return path.startsWith('.') ? path : `./${path}`;
}

/** The samples of each component, with their pictures where these are wanted. */
async function samplesFor(
  paths: readonly string[],
  all: readonly Described[],
  out: string,
  { browser, css, pictures }: DescribeFlags,
): Promise<(name: string) => readonly ReferenceSample[]> {
  const texts = new Map<string, ReferenceSample[]>();
  const { ignore } = readSettings(paths[0] ?? '.');
  for (const { path } of await filesIn(paths, ignore)) {
    if (!path.endsWith('.sample.html')) continue;
    const group = basename(path, '.sample.html');
    const samples = textSamples(readFileSync(path, 'utf8'), path).map(({ name, text }) => ({ name, text }));
    texts.set(group, [...(texts.get(group) ?? []), ...samples]);
  }
  const known = (name: string): readonly ReferenceSample[] => texts.get(name) ?? [];
  if (!pictures) return known;
  if (css !== undefined && !existsSync(css)) throw new UsageError(`There is no file ${css}.`);
  const { pages } = await samplePages(paths, css === undefined ? '' : readFileSync(css, 'utf8'));
  const wanted = pages.filter(({ group }) => all.some(({ core }) => core.name === group));
  const folder = join(out, 'reference', 'pictures');
  const files = await shoot(wanted, { folder, widths: [640], schemes: ['light'], browser });
  return (name) =>
    known(name).map((sample) => {
      const slug = slugOf(sample.name);
      const file = files.find((one) => one === `${name}/${slug}.640-light.png`);
      return file === undefined ? sample : { ...sample, picture: `pictures/${file}` };
    });
}

function formsIn(text: string): readonly Form[] {
  return text.split(',').map((name) => {
    const form = forms.find((one) => one === name.trim());
    if (!form) throw new UsageError(`There is no form "${name}". ${suggest(name, forms, 'form')}`);
    return form;
  });
}
