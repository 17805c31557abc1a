import { Command } from 'commander';

/** `lattice editor`: help while one writes, for whatever editor speaks the Language Server Protocol. */
export function editorCommand(): Command {
  return new Command('editor')
    .description('Run the language server for HTML templates on standard input and output.')
    .argument(
      '[paths...]',
      'files and folders of the project (default: the folders that the editor has open)',
    )
    .option('--stdio', 'use standard input and output (always)')
    .action(async (paths: readonly string[]) => {
      // What it takes is loaded by no other command.
      const { serveEditor } = await import('../../editor/server.js');
      serveEditor(paths);
      // The connection ends the process.
      return new Promise(() => undefined);
    });
}
