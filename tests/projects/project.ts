import { execFileSync, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { cpSync, existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { onTestFinished } from 'vitest';

const root = fileURLToPath(new URL('../..', import.meta.url));
const here = fileURLToPath(new URL('.', import.meta.url));

/** Files by their paths in a project. */
export type Files = Readonly<Record<string, string>>;

export interface Ran {
  readonly code: number | null;
  readonly out: string;
  readonly err: string;
}

/** A folder of its own outside this repository, with both packages installed from their tarballs. */
export class Project {
  readonly folder = mkdtempSync(join(tmpdir(), 'lattice-project-'));

  /**
   * @param files what is in it, besides what is in the folder of `fixtures/` that is named; `package.json` included
   */
  constructor(files: Files, fixture?: string) {
    // Hard links: a project of its own, at no cost.
    execFileSync('cp', ['-al', join(installed(), 'node_modules'), this.folder]);
    if (fixture !== undefined) cpSync(join(here, 'fixtures', fixture), this.folder, { recursive: true });
    this.write(files);
    onTestFinished(() => rmSync(this.folder, { recursive: true, force: true }));
  }

  write(files: Files): void {
    for (const [path, text] of Object.entries(files)) {
      mkdirSync(dirname(join(this.folder, path)), { recursive: true });
      writeFileSync(join(this.folder, path), text);
    }
  }

  read(path: string): string {
    return readFileSync(join(this.folder, path), 'utf8');
  }

  /** Runs a command that its packages brought, or `node`. */
  run(command: string, ...args: readonly string[]): Ran {
    const path = command === 'node' ? 'node' : join(this.folder, 'node_modules/.bin', command);
    const env: NodeJS.ProcessEnv = { ...process.env, NO_COLOR: '1' };
    // What a test runner sets is not there in a user's shell.
    for (const name of ['NODE_ENV', 'VITEST', 'VITE_USER_NODE_ENV', 'FORCE_COLOR']) delete env[name];
    const { status, stdout, stderr } = spawnSync(path, args, { cwd: this.folder, encoding: 'utf8', env });
    return { code: status, out: stdout, err: stderr };
  }

  /** As `run`, and fails with all that was said when the command fails. */
  must(command: string, ...args: readonly string[]): string {
    const { code, out, err } = this.run(command, ...args);
    if (code !== 0) throw new Error(`${command} ${args.join(' ')} ended with ${code}\n${out}\n${err}`);
    return out;
  }
}

/** How long that may take on a slow machine, in milliseconds: it is no part of what a test waits for. */
export const patience = 300_000;

/**
 * Where the tools of `tools/` and the packed library are installed: once for a state of both, however many test files
 * ask for it at the same time.
 */
export function installed(): string {
  const states = [
    readFileSync(join(root, 'packages/tools/dist/built')),
    readFileSync(join(root, 'packages/lattice/package.json')),
    readFileSync(join(root, 'packages/tools/package.json')),
    readFileSync(join(here, 'tools/package-lock.json')),
  ];
  const state = states.reduce((hash, text) => hash.update(text), createHash('sha256')).digest('hex');
  const home = join(tmpdir(), `lattice-projects-${state.slice(0, 12)}`);
  while (!existsSync(join(home, 'ready'))) {
    try {
      mkdirSync(join(home, 'installing'), { recursive: false });
    } catch (thrown) {
      const { code } = thrown as NodeJS.ErrnoException;
      if (code === 'ENOENT') mkdirSync(home, { recursive: true });
      else if (code === 'EEXIST') Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, 200);
      else throw thrown;
      continue;
    }
    install(home);
  }
  return home;
}

function install(home: string): void {
  try {
    const quiet = ['--no-audit', '--no-fund', '--loglevel=error', '--prefer-offline'];
    const npm = (cwd: string, ...args: readonly string[]): string =>
      execFileSync('npm', args, { cwd, encoding: 'utf8', stdio: ['ignore', 'pipe', 'inherit'] });
    cpSync(join(here, 'tools'), home, { recursive: true });
    const packages = ['--workspace', 'zesty-lattice', '--workspace', 'zesty-lattice-tools'];
    const packed = JSON.parse(npm(root, 'pack', '--json', ...packages, '--pack-destination', home));
    npm(home, 'ci', ...quiet);
    const files = packed.map(({ filename }: { readonly filename: string }) => join(home, filename));
    npm(home, 'install', '--no-save', ...quiet, ...files);
    writeFileSync(join(home, 'ready'), '');
  } finally {
    rmSync(join(home, 'installing'), { recursive: true, force: true });
  }
}
