import { spawn } from 'node:child_process';
import { statSync } from 'node:fs';
import type { Command } from 'commander';
import pc from 'picocolors';

/** What a command was called with, without being asked to watch. */
export function calledWithout(command: Command): readonly string[] {
  const { rawArgs = [] } = command.parent as { readonly rawArgs?: readonly string[] };
  return rawArgs.filter((one) => one !== '-w' && one !== '--watch');
}

/**
 * Runs a command now and whenever one of some paths changes, in a process of its own each time, so that every module is
 * read again. What comes while it runs is run once more when it has ended.
 *
 * @param pathsNow asked anew after each run: what a page is made of may be more by then
 */
export async function watching(
  args: readonly string[],
  pathsNow: () => Promise<readonly string[]> | readonly string[],
): Promise<void> {
  let isRunning = false;
  let isAsked = false;
  const known = new Map<string, number>();
  // Most calls watch nothing.
  const { watch } = await import('chokidar');
  const watcher = watch([...(await pathsNow())], {
    ignoreInitial: true,
    ignored: /node_modules|\/dist\/|\/\.git\//,
  });
  const again = (): void => {
    if (isRunning) {
      isAsked = true;
      return;
    }
    isRunning = true;
    const started = Date.now();
    const child = spawn(process.execPath, [...process.execArgv, process.argv[1] ?? '', ...args], {
      stdio: 'inherit',
    });
    child.on('exit', async () => {
      const paths = await pathsNow();
      watcher.add([...paths]);
      isRunning = false;
      process.stderr.write(pc.dim('Waiting for changes …\n'));
      // A file that this run was the first to read was not watched yet while it ran. One with a time to come is new once.
      const isChanged = paths.map((path) => {
        const time = writtenAt(path);
        const isNew = time > started && time !== known.get(path);
        known.set(path, time);
        return isNew;
      });
      if (!isAsked && !isChanged.includes(true)) return;
      isAsked = false;
      again();
    });
  };
  let waiting: NodeJS.Timeout | undefined;
  watcher.on('all', () => {
    clearTimeout(waiting);
    waiting = setTimeout(again, 80);
  });
  again();
  return new Promise((end) => {
    const stop = async (): Promise<void> => {
      await watcher.close();
      end();
      // What read the modules to know their files may still have threads of its own.
      process.exit();
    };
    process.once('SIGINT', stop);
    process.once('SIGTERM', stop);
  });
}

/** Returns when a file was written, in milliseconds since 1970; 0 for a folder, which changes with every output in it. */
function writtenAt(path: string): number {
  const found = statSync(path, { throwIfNoEntry: false });
  return found?.isFile() ? found.mtimeMs : 0;
}
