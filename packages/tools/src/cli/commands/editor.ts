import type { Command } from 'commander';

/** `lattice editor`: help while one writes, for whatever editor speaks the Language Server Protocol. */
export function editorCommand(command: Command): Command {
  return command
    .option('--stdio', 'use standard input and output (always)')
    .action(async (paths: readonly string[]) => {
      // What it takes is loaded by no other command.
      const { serveEditor } = await import('../../editor/server.js');
      serveEditor(paths);
      // The connection ends the process.
      return new Promise(() => undefined);
    });
}
