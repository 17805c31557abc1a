import { readFile } from 'node:fs/promises';
import { join, relative } from 'node:path';
import type { Command } from 'commander';
import { glob } from 'tinyglobby';
import { nameFault } from 'zesty-lattice/internal/component';
import { newComponent } from '../new-component.js';
import { newProject } from '../new-project.js';
import { UsageError } from '../usage-error.js';
import { writeNewFiles } from '../write-files.js';

interface NewFlags {
  readonly dir: string;
  readonly project?: string;
  readonly split?: true;
}

/** `lattice new`: the files of a component that renders at once. */
export function newCommand(command: Command): Command {
  return command
    .option('--project <folder>', 'create a project instead: a page, components, tests and scripts')
    .option('-d, --dir <folder>', 'output folder', '.')
    .option('--split', 'separate files for the template (.html) and the styles (.css)')
    .action(runNew);
}

async function runNew(name: string | undefined, options: NewFlags): Promise<void> {
  const { dir, project, split } = options;
  if (project !== undefined) {
    if (name !== undefined)
      throw new UsageError(`A project or a component: leave out ${name}, or --project.`);
    return writeProject(project);
  }
  if (name === undefined)
    throw new UsageError(
      'Name the component, such as lattice new variety-card; or a project, with --project <folder>.',
    );
  const wrong = nameFault(name);
  if (wrong) throw new UsageError(`${wrong.message} ${wrong.hint}`);
  const taken = await definedIn(name);
  if (taken !== undefined) throw new UsageError(`${taken} defines ${name} already. Take another name.`);
  const files = newComponent(name, split === true);
  await writeNewFiles(dir, files);
  for (const file of Object.keys(files)) process.stdout.write(`${join(dir, file)}\n`);
  const at = (file: string): string => relative('', join(dir, `${name}${file}`));
  process.stdout.write(`\nSee it:   npx lattice render ${at('.sample.html')} --uses ${at('.ts')}\n`);
  process.stdout.write(`Preview:  npx lattice preview ${at('.ts')} ${at('.sample.html')}\n`);
  process.stdout.write(`Test it:  npx vitest run ${at('.test.ts')}\n`);
}

async function writeProject(folder: string): Promise<void> {
  const files = newProject(folder);
  await writeNewFiles(folder, files);
  for (const file of Object.keys(files).sort()) process.stdout.write(`${join(folder, file)}\n`);
  const inside = relative('', folder);
  process.stdout.write(`\nSee it:   ${inside === '' ? '' : `cd ${inside} && `}npm install && npm run dev\n`);
}

/** The module below the folder at hand that defines a component of that name. */
async function definedIn(name: string): Promise<string | undefined> {
  const ignore = ['**/node_modules/**', '**/dist/**', '**/*.d.ts'];
  // Not in a comment, where it may stand as an example.
  const pattern = new RegExp(`^(?!\\s*(?:\\*|//)).*\\bcomponent\\(\\s*['"\`]${name}['"\`]`, 'm');
  for (const path of await glob(['**/*.{ts,js,mts,mjs}'], { ignore })) {
    // What cannot be read, or is gone by now, defines nothing.
    if (pattern.test(await readFile(path, 'utf8').catch(() => ''))) return path;
  }
  return undefined;
}
