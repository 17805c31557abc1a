import { writeFile } from 'node:fs/promises';
import { relative } from 'node:path';
import { type Command, Option } from 'commander';
import { documentTrees } from 'zesty-lattice/internal/markup';
import { type Problem, visible } from 'zesty-lattice/internal/problem';
import { type ComponentTree, resolve } from 'zesty-lattice/internal/tree';
import { mermaid, treePage } from '../../tree-page/index.js';
import { type DocumentArguments, isDocumentPath, loadComponent, loadDocument, loadProps } from '../load.js';
import { printProblems } from '../print-problems.js';
import { treeText } from '../tree-text.js';

interface TreeFlags extends DocumentArguments {
  readonly component?: string;
  readonly props?: string;
  readonly json?: true;
  readonly format: 'text' | 'json' | 'mermaid';
  readonly page?: string;
}

/** `lattice tree`: which component stands where, with which props, and what is in its slots. */
export function treeCommand(command: Command): Command {
  return command
    .option('-u, --uses <modules...>', 'for a document: modules of its components')
    .option('--foreign <tags...>', 'for a document: tags of other custom elements')
    .option('-c, --component <name>', 'the component of the module, by tag name or export name')
    .option('-p, --props <file>', 'props: a JSON file with a record; without it they stay open')
    .addOption(
      new Option('--format <format>', 'output format').choices(['text', 'json', 'mermaid']).default('text'),
    )
    .option('--json', 'the same as --format json')
    .option('--page <file>', 'write an HTML page with the tree')
    .action(runTree);
}

async function runTree(path: string, options: TreeFlags): Promise<void> {
  if (isDocumentPath(path)) return document(path, options);
  const component = await loadComponent(path, options.component);
  const tree = resolve(component, await loadProps(options.props));
  await printTree([tree], tree.problems, tree, tree.root.component, options);
}

/** The trees of the components in a document. */
async function document(path: string, options: TreeFlags): Promise<void> {
  const { text, file, known } = await loadDocument(path, options);
  const { trees, problems } = documentTrees(text, known, { file });
  await printTree(trees, problems, { version: 1, trees, problems }, path, options);
}

/** Shows trees as it was asked for, and what is wrong in them. */
async function printTree(
  trees: readonly ComponentTree[],
  problems: readonly Problem[],
  json: unknown,
  name: string,
  { format, json: asJson, page }: TreeFlags,
): Promise<void> {
  const isJson = asJson || format === 'json';
  if (page !== undefined) {
    await writeFile(page, treePage(trees, { name, problems, near: (file) => relative('.', file) }));
    process.stdout.write(`Wrote ${page}\n`);
  } else if (isJson) process.stdout.write(`${JSON.stringify(json, null, 2)}\n`);
  else if (format === 'mermaid') process.stdout.write(visible(mermaid(trees)));
  else process.stdout.write(treeText(trees, process.stdout.isTTY === true));
  if (problems.length > 0 && !isJson) printProblems(problems);
  if (problems.some((problem) => problem.severity === 'error')) process.exitCode = 1;
}
