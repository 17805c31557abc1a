import type { Command } from 'commander';
import { completionFor, type Shell } from '../completion.js';

/** `lattice completion`: what a shell reads to complete the command. */
export function completionCommand(command: Command): Command {
  return command.action(async (shell: Shell) => {
    const { allCommands } = await import('../commands.js');
    process.stdout.write(completionFor(shell, await allCommands()));
  });
}
