import { existsSync, readFileSync } from 'node:fs';
import { readFile, rm, writeFile } from 'node:fs/promises';
import { join, relative, resolve } from 'node:path';
import { type Command, Option } from 'commander';
import { serialize } from 'parse5';
import { catalog, elementsIn, readDocument, renderDocument } from 'zesty-lattice/internal/markup';
import { LatticeError, visible } from 'zesty-lattice/internal/problem';
import { countWords } from 'zesty-lattice/internal/tree';
import { type Adopted, type AdoptOptions, adopt, adoptPages } from '../../adopt/adopt.js';
import { filesIn } from '../../check/files.js';
import { loadComponents, wrongCall } from '../load.js';
import { UsageError } from '../usage-error.js';
import { writeNewFiles } from '../write-files.js';

interface AdoptFlags {
  readonly name: string;
  readonly block?: string;
  readonly slot: readonly string[];
  readonly prop: readonly string[];
  readonly as: 'text' | 'builders';
  readonly dir: string;
  readonly also?: readonly string[];
}

/** `lattice adopt`: existing HTML becomes a component. */
export function adoptCommand(command: Command): Command {
  return command
    .requiredOption('-n, --name <tag>', 'the component’s tag name')
    .option(
      '-b, --block <selector>',
      'CSS selector of the elements that become the component (default: the outermost ones)',
    )
    .option('-s, --slot <selector=name>', 'make the content of an element a slot (repeatable)', gather, [])
    .option(
      '-p, --prop <selector=name>',
      'make the text of an element a prop, or selector@attribute=name (repeatable)',
      gather,
      [],
    )
    .addOption(
      new Option('--as <writing>', 'form of the template').choices(['text', 'builders']).default('text'),
    )
    .option('-d, --dir <folder>', 'output folder', '.')
    .option('--also <pages...>', 'further pages whose blocks become the component’s tag, in place')
    .action(runAdopt);
}

function gather(one: string, before: readonly string[]): readonly string[] {
  return [...before, one];
}

async function runAdopt(path: string, options: AdoptFlags): Promise<void> {
  if (!existsSync(path)) throw new UsageError(`There is no file ${path}.`);
  const html = await readFile(path, 'utf8');
  const wanted: AdoptOptions = {
    name: options.name,
    as: options.as,
    slots: Object.fromEntries(options.slot.map(slotFrom)),
    props: Object.fromEntries(options.prop.map(propFrom)),
    file: resolve(path),
    ...(options.block !== undefined && { block: options.block }),
  };
  const others = await furtherPages(path, options.also ?? []);
  const { adopted, pages } =
    others.size === 0
      ? { adopted: adopt(html, wanted), pages: [] }
      : adoptPages(new Map([[resolve(path), html], ...others]), wanted);
  const ends = (text: string): string => (html.includes('\r\n') ? text.replace(/\r?\n/g, '\r\n') : text);
  const { name, dir } = options;
  const files = {
    [`${name}.ts`]: ends(adopted.module),
    ...(adopted.markup !== undefined && { [`${name}.html`]: ends(adopted.markup) }),
    [`${name}.sample.html`]: adopted.sample,
  };
  await writeNewFiles(dir, files);
  const respelled = await assertSame(html, adopted, options, Object.keys(files));
  for (const page of pages.slice(1))
    await assertSame(
      others.get(page.file) ?? '',
      { ...adopted, sample: page.html },
      options,
      Object.keys(files),
    );
  for (const page of pages.slice(1)) await writeFile(page.file, page.html);
  const from = adopted.blocks === 1 ? 'one block' : `${adopted.blocks} blocks`;
  const props = adopted.props.length > 0 ? `props ${adopted.props.join(', ')}` : 'no props';
  process.stdout.write(`${visible(`${name}, from ${from}: ${props}`)}\n`);
  for (const file of Object.keys(files)) process.stdout.write(`  ${join(dir, file)}\n`);
  for (const page of pages.slice(1))
    process.stdout.write(
      `  ${visible(relative('.', page.file))}  ${countWords(page.blocks, 'block')} replaced\n`,
    );
  const how =
    adopted.notes.length > 0
      ? ' but for what was left out'
      : respelled === undefined
        ? ', byte for byte'
        : ` in another spelling, ${respelled}`;
  process.stdout.write(`Rendered again, the sample is the original${how}.\n`);
  for (const note of adopted.notes) process.stdout.write(`  note: ${visible(note)}\n`);
}

/** Pages by their paths, without the one that is adopted from. */
async function furtherPages(path: string, also: readonly string[]): Promise<ReadonlyMap<string, string>> {
  const files = await filesIn(also, []).catch((thrown) => {
    throw wrongCall(thrown);
  });
  const pages = files.filter((one) => one.kind === 'markup' && one.path !== resolve(path));
  return new Map(pages.map((one) => [one.path, readFileSync(one.path, 'utf8')]));
}

function propFrom(text: string): readonly [selector: string, name: string] {
  const [selector, name] = slotFrom(text);
  if (name === 'default' && !text.endsWith('=default'))
    throw new UsageError(`--prop "${text}" names no prop: write it as --prop "h5=title".`);
  return [selector, name];
}

function slotFrom(text: string): readonly [selector: string, name: string] {
  const at = text.lastIndexOf('=');
  const isAttribute = text.indexOf(']', at) > 0;
  if (at < 0 || isAttribute) return [text, 'default'];
  return [text.slice(0, at), text.slice(at + 1)];
}

/**
 * Renders the sample with the component that was written. Unless the original comes back, nothing stays; where it
 * comes back in another spelling, says from where.
 */
async function assertSame(
  html: string,
  adopted: Adopted,
  { name, dir }: AdoptFlags,
  files: readonly string[],
): Promise<string | undefined> {
  try {
    const components = await loadComponents(join(dir, `${name}.ts`));
    const options = { foreign: [/-/] };
    const rendered = renderDocument(adopted.sample, catalog(components, options), { styles: false });
    const errors = rendered.problems.filter(({ severity }) => severity === 'error');
    if (errors.length > 0) throw new LatticeError(errors);
    if (rendered.html === html) return undefined;
    const difference = firstDifference(html, rendered.html);
    // Other spellings of the same: single quotes, <br/>, &times;. A parser reads them alike.
    if (asRead(html) === asRead(rendered.html)) return difference;
    throw new UsageError(`Rendered again the HTML is not the same, ${difference}. Nothing was written.`);
  } catch (thrown) {
    for (const file of files) await rm(join(dir, file));
    throw thrown;
  }
}

/** HTML as a parser reads it, without the handlers written as text, which are never hydrated. */
function asRead(html: string): string {
  const document = readDocument(html);
  for (const element of elementsIn(document.childNodes))
    element.attrs = element.attrs.filter(({ name }) => !/^on/.test(name));
  return serialize(document);
}

function firstDifference(before: string, after: string): string {
  let at = 0;
  while (at < before.length && before[at] === after[at]) at++;
  const excerpt = (text: string): string => JSON.stringify(text.slice(Math.max(0, at - 20), at + 30));
  const line = before.slice(0, at).split('\n').length;
  return `from line ${line}: ${excerpt(before)} came back as ${excerpt(after)}`;
}
