import type { Command } from 'commander';
import { completionFor, type Shell } from '../completion.js';

/** `lattice completion`: what a shell reads to complete the command. */
export function completionCommand(all: () => Promise<readonly Command[]>, command: Command): Command {
  return command.action(async (shell: Shell) => {
    process.stdout.write(completionFor(shell, await all()));
  });
}
