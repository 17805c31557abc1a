import { Command } from 'commander';
import { resolve } from '../../tree/index.js';
import { loadComponent, loadProps } from '../load.js';
import { printProblems } from '../print-problems.js';
import { treeText } from '../tree-text.js';

interface Options {
  readonly component?: string;
  readonly props?: string;
  readonly json?: true;
}

/** `lattice tree`: which component stands where, with which props, and what is in its slots. */
export function treeCommand(): Command {
  return new Command('tree')
    .description('Show the tree of components: where each stands, its props and its slots.')
    .argument('<module>', 'a TypeScript or JavaScript module that exports the component')
    .option('-c, --component <name>', 'which of its components, by tag name or export name')
    .option('-p, --props <file>', 'its props, a record in a JSON file; left out, they stay open')
    .option('--json', 'write the tree as JSON')
    .action(run);
}

async function run(path: string, options: Options): Promise<void> {
  const component = await loadComponent(path, options.component);
  const tree = resolve(component, await loadProps(options.props));
  if (options.json) process.stdout.write(`${JSON.stringify(tree, null, 2)}\n`);
  else process.stdout.write(treeText(tree, process.stdout.isTTY === true));
  if (tree.problems.length > 0 && !options.json) printProblems(tree.problems);
  if (tree.problems.some((problem) => problem.severity === 'error')) process.exitCode = 1;
}
