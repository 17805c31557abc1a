import { Command } from 'commander';
import { documentTrees } from '../../markup/document/document-trees.js';
import type { Problem } from '../../problem/index.js';
import { resolve } from '../../tree/index.js';
import { type DocumentArguments, isDocumentPath, loadComponent, loadDocument, loadProps } from '../load.js';
import { printProblems } from '../print-problems.js';
import { treeText } from '../tree-text.js';

interface Options extends DocumentArguments {
  readonly component?: string;
  readonly props?: string;
  readonly json?: true;
}

/** `lattice tree`: which component stands where, with which props, and what is in its slots. */
export function treeCommand(): Command {
  return new Command('tree')
    .description('Show the tree of components: where each stands, its props and its slots.')
    .argument('<file>', 'a TypeScript or JavaScript module that exports the component, or an HTML document')
    .option('-u, --uses <modules...>', 'with a document: the modules of the components in it')
    .option('--foreign <tags...>', 'with a document: tags of custom elements from elsewhere')
    .option('-c, --component <name>', 'which of its components, by tag name or export name')
    .option('-p, --props <file>', 'its props, a record in a JSON file; left out, they stay open')
    .option('--json', 'write the tree as JSON')
    .action(run);
}

async function run(path: string, options: Options): Promise<void> {
  if (isDocumentPath(path)) return document(path, options);
  const component = await loadComponent(path, options.component);
  const tree = resolve(component, await loadProps(options.props));
  if (options.json) process.stdout.write(`${JSON.stringify(tree, null, 2)}\n`);
  else process.stdout.write(treeText([tree], process.stdout.isTTY === true));
  end(tree.problems, options);
}

/** The trees of the components in a document. */
async function document(path: string, options: Options): Promise<void> {
  const { text, file, known } = await loadDocument(path, options);
  const { trees, problems } = documentTrees(text, known, { file });
  if (options.json) process.stdout.write(`${JSON.stringify({ version: 1, trees, problems }, null, 2)}\n`);
  else process.stdout.write(treeText(trees, process.stdout.isTTY === true));
  end(problems, options);
}

function end(problems: readonly Problem[], options: Options): void {
  if (problems.length > 0 && !options.json) printProblems(problems);
  if (problems.some((problem) => problem.severity === 'error')) process.exitCode = 1;
}
