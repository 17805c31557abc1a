import { existsSync, statSync } from 'node:fs';
import { mkdir, readFile, writeFile } from 'node:fs/promises';
import { dirname, join, relative, resolve, sep } from 'node:path';
import { type Command, Option } from 'commander';
import { type ComponentCore, componentCore } from 'zesty-lattice/internal/component';
import { codeOf, mailText, reached } from 'zesty-lattice/internal/html';
import { isDocument, renderDocument } from 'zesty-lattice/internal/markup';
import { isInteractive } from 'zesty-lattice/internal/plan';
import { type Problem, placed, visible } from 'zesty-lattice/internal/problem';
import { countWords, resolve as resolveTree } from 'zesty-lattice/internal/tree';
import { fieldsOfSettings, linkedRules, pageOf, propsOf, settingsOf, sourcesOf } from '../../batch/index.js';
import { filesIn } from '../../check/files.js';
import { pageFindings } from '../../check/page.js';
import {
  type DocumentArguments,
  isDocumentPath,
  loadComponent,
  loadDocument,
  loadProps,
  settingsNow,
  wrongCall,
} from '../load.js';
import { rulesOption } from '../options.js';
import { printProblems } from '../print-problems.js';
import { UsageError } from '../usage-error.js';
import { calledWithout, watching } from '../watching.js';

interface RenderFlags extends DocumentArguments {
  readonly component?: string;
  readonly props?: string;
  readonly page?: true;
  readonly mail?: true;
  readonly form?: 'markup' | 'elements';
  readonly sheets?: readonly string[];
  readonly rules?: 'inline' | 'linked';
  readonly title?: string;
  readonly lang?: string;
  readonly dir?: string;
  readonly head?: string;
  readonly base?: string;
  readonly css?: string;
  readonly showCode?: true;
  readonly out?: string;
  readonly watch?: true;
}

/** `lattice render`: a component to HTML text. */
export function renderCommand(command: Command): Command {
  return command
    .option('-u, --uses <modules...>', 'for a document: modules of its components')
    .option('--foreign <tags...>', 'for a document: tags of other custom elements')
    .option('-c, --component <name>', 'the component of the module, by tag name or export name')
    .option('-p, --props <file>', 'props: a JSON file with a record, or the record itself')
    .option('--page', 'write a whole document with the styles in its head')
    .option(
      '--mail',
      'write a mail with inline styles, and its plain text; needs css-select and html-to-text',
    )
    .option('--base <url>', 'with --mail: address that relative ones are resolved against')
    .addOption(
      new Option(
        '--form <form>',
        'elements: interactive components stay elements, which a page hydrates',
      ).choices(['markup', 'elements']),
    )
    .option('--sheets <urls...>', 'with --form elements: style sheets that each shadow root links')
    .addOption(rulesOption())
    .option('--title <text>', 'with --page: the title (default: the prop "title", or the description)')
    .option('--lang <tag>', 'with --page: language of the document, or a field of the props in braces', 'en')
    .option('--dir <direction>', 'with --page: ltr, rtl or auto, or a field of the props in braces')
    .option('--head <file>', 'with --page: HTML file for the head')
    .option('--css <file>', 'with --page: CSS file for the whole page')
    .option('--show-code', 'print the compiled code instead of the HTML')
    .option('-o, --out <file>', 'output file (default: standard output)')
    .option('-w, --watch', 'render again when a source file changes')
    .action(runRender);
}

async function runRender(named: readonly string[], options: RenderFlags, command: Command): Promise<void> {
  const paths = await pagesIn(named);
  const [path = ''] = paths;
  const folder = folderOf(paths, options.out);
  if (options.watch) return again(paths, options, command);
  if (folder !== undefined) return documents(paths, folder, options, command);
  const isPage = isDocumentPath(path);
  refuseOthers(command, isPage);
  if (options.sheets && options.form !== 'elements')
    throw new UsageError('--sheets is for shadow roots, which only --form elements writes.');
  if (linkedOf(options) && (options.out === undefined || options.mail))
    throw new UsageError(
      '--rules linked writes files beside the page: say where that goes, --out page.html.',
    );
  if (isPage) return document(path, options);
  const component = await loadComponent(path, options.component);
  const core = componentCore(component);
  if (options.showCode && core) return write(`${codeOf(core)}\n`, options.out);
  const given = (await loadProps(options.props)) ?? {};
  const { dir, head, lang, title } = options;
  const css = options.css ?? (options.page ? settingsNow().css : undefined);
  const said = { dir, lang, title };
  const own = new Set(fieldsOfSettings(said));
  const settings = settingsOf(said, given, 1);
  if ('fault' in settings) throw new UsageError(`The page ${settings.fault}.`);
  const props = core ? propsOf({ json: '' }, given, core, own) : given;
  const tree = resolveTree(component, props);
  if (tree.problems.some((problem) => problem.severity === 'error')) {
    printProblems(tree.problems);
    if (core) sayProps(path, core, options, tree.problems);
    process.exitCode = 1;
    return;
  }
  const problems = [...tree.problems];
  const isWhole = options.page ?? options.mail ?? false;
  const html = await pageOf(component, props, {
    isPage: isWhole,
    isMail: options.mail ?? false,
    base: baseOf(options),
    form: options.form,
    sheets: options.sheets,
    rules: linkedOf(options),
    ...settings.settings,
    head: head === undefined ? undefined : (await readFile(head, 'utf8')).trim(),
    css: css === undefined ? undefined : (await readFile(css, 'utf8')).trim(),
    onProblem: (one) => problems.push(one),
  });
  if (problems.length > 0) printProblems(problems);
  if (core && options.form === undefined) sayLive([core]);
  await writePage(isWhole ? html : `${html}\n`, options);
  if (options.mail) await writeText(html, options.out);
}

/** The base of a mail, which has to be a whole address. */
function baseOf({ base, mail }: RenderFlags): string | undefined {
  if (base === undefined) return undefined;
  if (!mail) throw new UsageError('--base is for a mail: add --mail.');
  if (!URL.canParse(base))
    throw new UsageError(`${base} is no whole address, such as https://ninefold.example/.`);
  return base;
}

/** Options that say nothing of what is rendered are reported, rather than left aside. */
function refuseOthers(command: Command, isPage: boolean): void {
  const others = isPage
    ? ['component', 'props', 'page', 'mail', 'base', 'title', 'lang', 'dir', 'head', 'css', 'showCode']
    : ['uses', 'foreign'];
  for (const option of command.options) {
    const name = option.attributeName();
    if (!others.includes(name) || command.getOptionValueSource(name) !== 'cli') continue;
    throw new UsageError(
      isPage
        ? `${option.long} is for a component, and what is rendered is a document: what stands in it is written there.`
        : `${option.long} is for a document: a module imports the components that it uses.`,
    );
  }
}

/** Prints how to pass props, if a required one is missing. */
function sayProps(
  path: string,
  core: ComponentCore,
  { component, props }: RenderFlags,
  problems: readonly Problem[],
): void {
  const isMissing = problems.some(({ code, where }) => code === 'prop-missing' && !where.includes(' › '));
  if (props !== undefined || !isMissing) return;
  const names = core.props.names.filter(
    (_name, index) => core.props.kinds[index]?.settings.presence === 'required',
  );
  const record = `{ ${names.map((name) => `"${name}": …`).join(', ')} }`;
  const of = component === undefined ? '' : ` --component ${component}`;
  process.stderr.write(
    `Pass its props: lattice render ${path}${of} --props '${record}', or a file of them.\n`,
  );
}

/** That what is live does nothing as plain HTML. */
function sayLive(cores: readonly ComponentCore[]): void {
  const all = new Set(cores.flatMap((core) => [...reached(core)]));
  const live = [...all].filter(isInteractive).map(({ name }) => `<${name}>`);
  if (live.length === 0) return;
  const list =
    live.length > 3 ? `${live.slice(0, 3).join(', ')} and ${live.length - 3} more` : live.join(', ');
  process.stderr.write(
    `${list} ${live.length === 1 ? 'is' : 'are'} live: as plain HTML nothing happens in it. --form elements keeps the elements, for a page that registers them.\n`,
  );
}

/** Renders whenever the module, what it imports, its props or rules for the page change. */
function again(
  paths: readonly string[],
  { css, props, uses = [] }: RenderFlags,
  command: Command,
): Promise<void> {
  const others = [css, props].filter((one) => one !== undefined);
  return watching(calledWithout(command), async () => [
    ...others,
    ...(await Promise.all([...paths, ...uses].map(sourcesOf))).flat(),
  ]);
}

/** The files that are named, or that a pattern in quotes fits. */
async function pagesIn(given: readonly string[]): Promise<readonly string[]> {
  if (!given.some((one) => /[*?{[]/.test(one) && !existsSync(one))) return given;
  const found = await filesIn(given, []).catch((thrown) => {
    throw wrongCall(thrown);
  });
  return found.map(({ path }) => relative('.', path));
}

/** The folder that pages go into: where there are several, or `--out` is one. */
function folderOf(paths: readonly string[], out: string | undefined): string | undefined {
  const isFolder =
    out !== undefined &&
    (/[\\/]$/.test(out) || statSync(out, { throwIfNoEntry: false })?.isDirectory() === true);
  if (paths.length === 1 && !isFolder) return undefined;
  if (paths.length > 1 && out === undefined)
    throw new UsageError('Say where several pages go: --out <folder>.');
  const module = paths.find((one) => !isDocumentPath(one));
  if (paths.length > 1 && module !== undefined)
    throw new UsageError(`${module} is no document: of components one is rendered at a time.`);
  return module === undefined ? out : undefined;
}

/** Writes many documents, each where it stands below the folder that holds them all. */
async function documents(
  paths: readonly string[],
  folder: string,
  options: RenderFlags,
  command: Command,
): Promise<void> {
  refuseOthers(command, true);
  const start = performance.now();
  const base = sharedFolder(paths);
  const targets = paths.map((path) => ({ path, out: join(folder, relative(base, path)) }));
  const own = targets.find(({ out, path }) => resolve(out) === resolve(path));
  if (own) throw new UsageError(`${own.path} would be written over. Give another folder as --out.`);
  for (const { out, path } of targets) await document(path, { ...options, out });
  const took = ((performance.now() - start) / 1000).toFixed(1);
  process.stderr.write(`${countWords(paths.length, 'page')} in ${folder}, ${took} s\n`);
}

/** The innermost folder that all paths are in. */
function sharedFolder(paths: readonly string[]): string {
  const all = paths.map((path) => dirname(resolve(path)).split(sep));
  const [first = []] = all;
  const at = first.findIndex((part, index) => all.some((other) => other[index] !== part));
  return (at < 0 ? first : first.slice(0, at)).join(sep) || sep;
}

/** A document comes back with its components rendered; those with errors stay as they were written. */
async function document(path: string, options: RenderFlags): Promise<void> {
  const { text, file, known } = await loadDocument(path, options);
  const styleAttributes = linkedOf(options) && { styleAttributes: 'as-rules' as const };
  const form = options.form && { form: options.form, ...(options.sheets && { sheets: options.sheets }) };
  const {
    html,
    origin,
    problems: found,
  } = renderDocument(text, known, {
    file,
    ...form,
    ...styleAttributes,
  });
  // What the page as a whole has wrong, such as an id that stands twice, is seen when it is rendered.
  const whole = pageFindings(html, origin, !isDocument(text)).map((one) => placed(one, ''));
  const problems = [...found, ...whole];
  await writePage(html, options);
  if (problems.length > 0) printProblems(problems);
  if (!form) sayLive([...known.components.values()].filter(({ name }) => text.includes(`<${name}`)));
  if (problems.some((problem) => problem.severity === 'error')) process.exitCode = 1;
}

/** A mail's plain text, beside its HTML, and how long that is. */
async function writeText(html: string, out: string | undefined): Promise<void> {
  const size = (Buffer.byteLength(html) / 1024).toFixed(1);
  process.stderr.write(`The mail is ${size} KB; some programs cut what is longer than 102 KB.\n`);
  if (out !== undefined) await write(`${mailText(html).trimEnd()}\n`, out.replace(/(?:\.html?)?$/, '.txt'));
}

const linkedOf = ({ rules }: RenderFlags): 'linked' | undefined => (rules === 'linked' ? rules : undefined);

/** A page, and the files of its rules beside it. */
async function writePage(html: string, options: RenderFlags): Promise<void> {
  const { out } = options;
  if (!linkedOf(options) || out === undefined) return write(html, out);
  const linked = linkedRules(html, (name) => name);
  for (const [name, css] of linked.files) await write(css, join(dirname(out), name));
  await write(linked.html, out);
}

async function write(text: string, out: string | undefined): Promise<void> {
  if (out === undefined) {
    // A file holds what was rendered; a terminal shows it.
    process.stdout.write(process.stdout.isTTY ? visible(text) : text);
    return;
  }
  await mkdir(dirname(out), { recursive: true });
  await writeFile(out, text);
}
