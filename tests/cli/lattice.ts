import { spawnSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';

export const root = fileURLToPath(new URL('../..', import.meta.url));

export interface Outcome {
  readonly code: number | null;
  readonly out: string;
  readonly err: string;
}

/** Runs the built `lattice` command as a process, in the project's folder. */
export function lattice(...args: readonly string[]): Outcome {
  const done = spawnSync('node', ['dist/cli/main.js', ...args], {
    cwd: root,
    encoding: 'utf8',
    env: { ...process.env, NODE_ENV: '', NO_COLOR: undefined },
  });
  return { code: done.status, out: done.stdout, err: done.stderr };
}
