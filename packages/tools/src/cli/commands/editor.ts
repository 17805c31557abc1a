import { Command } from 'commander';

/** `lattice editor`: help while one writes, for whatever editor speaks the Language Server Protocol. */
export function editorCommand(): Command {
  return new Command('editor')
    .description(
      'Serve an editor: problems, completion and more by the Language Server Protocol, on standard input and output.',
    )
    .argument(
      '[paths...]',
      'files and folders of the project; the folders that the editor has open unless given',
    )
    .option('--stdio', 'on standard input and output, which is the only way')
    .action(async (paths: readonly string[]) => {
      // What it takes is loaded by no other command.
      const { serveEditor } = await import('../../editor/server.js');
      serveEditor(paths);
      // The connection ends the process.
      return new Promise(() => undefined);
    });
}
