import { mkdir, readFile, writeFile } from 'node:fs/promises';
import { dirname } from 'node:path';
import { Command } from 'commander';
import { pageOf, propsOf, sourcesOf } from '../../batch/index.js';
import { componentCore } from '../../component/index.js';
import { codeOf } from '../../html/code/ahead.js';
import { mailText } from '../../html/mail.js';
import { renderDocument } from '../../markup/index.js';
import { resolve } from '../../tree/index.js';
import { type DocumentArguments, isDocumentPath, loadComponent, loadDocument, loadProps } from '../load.js';
import { printProblems } from '../print-problems.js';
import { calledWithout, watching } from '../watching.js';

interface Options extends DocumentArguments {
  readonly component?: string;
  readonly props?: string;
  readonly page?: true;
  readonly mail?: true;
  readonly title?: string;
  readonly lang?: string;
  readonly css?: string;
  readonly showCode?: true;
  readonly out?: string;
  readonly watch?: true;
}

/** `lattice render`: a component to HTML text. */
export function renderCommand(): Command {
  return new Command('render')
    .description('Render a component to HTML, or the components in a document.')
    .argument('<file>', 'a TypeScript or JavaScript module that exports the component, or an HTML document')
    .option('-u, --uses <modules...>', 'with a document: the modules of the components in it')
    .option('--foreign <tags...>', 'with a document: tags of custom elements from elsewhere')
    .option('-c, --component <name>', 'which of its components, by tag name or export name')
    .option('-p, --props <file>', 'its props, a record in a JSON file')
    .option('--page', 'write a whole document, with the styles in its head')
    .option(
      '--mail',
      'write a mail: rules in its elements, and its plain text beside it; needs juice and html-to-text',
    )
    .option('--title <text>', 'with --page: the title; else the prop "title", else the description')
    .option('--lang <tag>', 'with --page: the language of the text', 'en')
    .option('--css <file>', 'with --page: rules for the whole page')
    .option('--show-code', 'print the code that its HTML text is written with, instead of the text')
    .option('-o, --out <file>', 'write to a file instead of standard output')
    .option('-w, --watch', 'render again whenever something it is made of changes')
    .action(run);
}

async function run(path: string, options: Options, command: Command): Promise<void> {
  if (options.watch) return again(path, options, command);
  if (isDocumentPath(path)) return document(path, options);
  const component = await loadComponent(path, options.component);
  const core = componentCore(component);
  if (options.showCode && core) return write(`${codeOf(core)}\n`, options.out);
  const given = (await loadProps(options.props)) ?? {};
  const props = core ? propsOf({ json: '' }, given, core, new Set()) : given;
  const tree = resolve(component, props);
  if (tree.problems.some((problem) => problem.severity === 'error')) {
    printProblems(tree.problems);
    process.exitCode = 1;
    return;
  }
  const problems = [...tree.problems];
  const isPage = options.page ?? options.mail ?? false;
  const html = await pageOf(component, props, {
    isPage,
    isMail: options.mail ?? false,
    title: options.title,
    lang: options.lang,
    css: options.css === undefined ? undefined : (await readFile(options.css, 'utf8')).trim(),
    onProblem: (one) => problems.push(one),
  });
  if (problems.length > 0) printProblems(problems);
  await write(isPage ? html : `${html}\n`, options.out);
  if (options.mail) await writeText(html, options.out);
}

/** Renders whenever the module, what it imports, its props or rules for the page change. */
function again(path: string, { css, props, uses = [] }: Options, command: Command): Promise<void> {
  const others = [css, props].filter((one) => one !== undefined);
  return watching(calledWithout(command), async () => [
    ...others,
    ...(await Promise.all([path, ...uses].map(sourcesOf))).flat(),
  ]);
}

/** A document comes back with its components rendered; those with errors stay as they were written. */
async function document(path: string, options: Options): Promise<void> {
  const { text, file, known } = await loadDocument(path, options);
  const { html, problems } = renderDocument(text, known, { file });
  await write(html, options.out);
  if (problems.length > 0) printProblems(problems);
  if (problems.some((problem) => problem.severity === 'error')) process.exitCode = 1;
}

/** A mail's plain text, beside its HTML, and how long that is. */
async function writeText(html: string, out: string | undefined): Promise<void> {
  const size = (Buffer.byteLength(html) / 1024).toFixed(1);
  process.stderr.write(`The mail is ${size} KB; some programs cut what is longer than 102 KB.\n`);
  if (out !== undefined) await write(`${mailText(html).trimEnd()}\n`, out.replace(/(?:\.html?)?$/, '.txt'));
}

async function write(text: string, out: string | undefined): Promise<void> {
  if (out === undefined) {
    process.stdout.write(text);
    return;
  }
  await mkdir(dirname(out), { recursive: true });
  await writeFile(out, text);
}
