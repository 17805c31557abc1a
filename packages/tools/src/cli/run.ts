import { relative } from 'node:path';
import { Command, CommanderError } from 'commander';
import { type LatticeError, problemsPlaced, visible } from 'zesty-lattice/internal/problem';
import { packageInfo } from '../check/package-info.js';
import { commandsFor } from './commands.js';
import { UsageError } from './usage-error.js';

const { version } = packageInfo();

/** Runs the command with these arguments, on the process's own streams, and gives its exit code. */
export async function runCommand(args: readonly string[]): Promise<number> {
  const program = new Command('lattice')
    .description('Writes, renders, checks and inspects components made with zesty-lattice.')
    .version(version)
    .showHelpAfterError('(lattice --help shows what can be asked for)')
    .exitOverride()
    .addHelpText('after', '\nExit codes: 0 all well, 1 problems found, 2 wrong usage.');

  for (const command of await commandsFor(args)) program.addCommand(command.exitOverride().version(version));
  process.exitCode = 0;
  // Of a command that there is not, `help` would show all of them without a word.
  const [first, second] = args;
  const asked = first === 'help' && second !== undefined && !isCommand(program, second) ? [second] : args;
  try {
    await program.parseAsync(asked, { from: 'user' });
  } catch (thrown) {
    return await report(thrown);
  }
  return process.exitCode;
}

function isCommand({ commands }: Command, name: string): boolean {
  return name === 'help' || name.startsWith('-') || commands.some((one) => one.name() === name);
}

/** Says what went wrong on standard error, and gives the exit code for it. */
async function report(thrown: unknown): Promise<number> {
  if (thrown instanceof CommanderError) return thrown.exitCode === 0 ? 0 : 2;
  if (thrown instanceof UsageError || (thrown instanceof Error && thrown.name === 'PackageMissing')) {
    process.stderr.write(`lattice: ${visible(thrown.message)}\n`);
    return 2;
  }
  if (thrown instanceof Error && thrown.name === 'PackFailed') {
    process.stderr.write(`lattice: ${thrown.message}\n`);
    return 1;
  }
  const missing = missingPackage(thrown);
  if (missing !== undefined) {
    process.stderr.write(`lattice: ${visible(missing)}\n`);
    return 2;
  }
  if (isLatticeError(thrown)) {
    const { printProblems } = await import('./print-problems.js');
    printProblems(problemsPlaced(thrown));
    return 1;
  }
  process.stderr.write(
    `lattice: ${visible(thrown instanceof Error ? (thrown.stack ?? thrown.message) : String(thrown))}\n`,
  );
  return 1;
}

/** That a module imports a package which is not installed, in the user's words (nodejs.org/api/errors.html#err_module_not_found). */
function missingPackage(thrown: unknown): string | undefined {
  const { code, message = '' } = (thrown ?? {}) as { readonly code?: unknown; readonly message?: string };
  if (code !== 'ERR_MODULE_NOT_FOUND') return undefined;
  const found = /^Cannot find package '([^']+)' imported from (.+)$/m.exec(message);
  if (!found) return undefined;
  const [, name = '', file = ''] = found;
  return `${relative('.', file)} imports the package ${name}, which is not installed there. npm install ${name}`;
}

/** By its name, since a user's module may have brought its own copy of the library. */
function isLatticeError(thrown: unknown): thrown is LatticeError {
  return thrown instanceof Error && thrown.name === 'LatticeError' && 'problems' in thrown;
}
