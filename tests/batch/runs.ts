// What tests of `lattice batch` share: a folder of their own, rows, and the command with its summary as data.
import { type ChildProcess, spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll } from 'vitest';
import { lattice, root } from '../cli/lattice.js';

export const page = 'examples/orchard/tickets/ticket-page.ts';

export interface Told {
  readonly row: number;
  readonly file: string;
  readonly problems: readonly {
    readonly code: string;
    readonly message: string;
    readonly source?: { readonly file: string; readonly line: number };
  }[];
}
export interface Report {
  readonly code: number | null;
  readonly err: string;
  readonly rows: number;
  readonly written: number;
  readonly skipped: number;
  readonly failed: number;
  readonly problems: readonly Told[];
  readonly gone: readonly string[];
  readonly pruned: number;
}

/** A folder for the tests of a file, and what they do in it. */
export function batchFolder() {
  let home = '';
  let number = 0;
  beforeAll(() => {
    mkdirSync(join(root, 'out'), { recursive: true });
    home = mkdtempSync(join(root, 'out/batch-'));
  });
  afterAll(() => rmSync(home, { recursive: true, force: true }));
  const fresh = (): string => join(home, `pages-${number++}`);
  const data = (name: string, text: string): string => {
    const path = join(home, name);
    writeFileSync(path, text);
    return path;
  };
  const report = (module: string, rows: string, out: string, ...more: readonly string[]): Report => {
    const {
      code,
      err,
      out: text,
    } = lattice('batch', module, '--data', rows, '--out', out, '--json', ...more);
    return { code, err, ...(text === '' ? {} : JSON.parse(text)) };
  };
  return { data, folder: () => home, fresh, report };
}

export const pagesIn = (out: string): readonly string[] =>
  readdirSync(out, { recursive: true, encoding: 'utf8' })
    .filter((name) => name.endsWith('.html'))
    .sort();

/** What a run says of rows, a line for each: number, file, code and message. */
export const linesOf = ({ problems }: Report): readonly string[] =>
  problems.map(({ file, problems: [first], row }) => `${row} ${file} ${first?.code}: ${first?.message}`);

export type Started = ChildProcess & { readonly ended: Promise<number | null>; text(): string };

/** Starts processes of their own, which end with the tests of the file. */
export function processes() {
  const started: ChildProcess[] = [];
  afterAll(() => {
    for (const child of started) child.kill('SIGKILL');
  });
  const start = (command: string, args: readonly string[], cwd = root): Started => {
    const child = spawn(command, args, { cwd, env: { ...process.env, NO_COLOR: '1' } });
    let text = '';
    for (const stream of [child.stdout, child.stderr])
      stream.on('data', (chunk) => {
        text += chunk;
      });
    started.push(child);
    const ended = new Promise<number | null>((done) => child.on('exit', done));
    return Object.assign(child, { ended, text: () => text });
  };
  /** The command `lattice batch`. */
  const batch = (args: readonly string[], cwd = root): Started =>
    start('node', [join(root, 'packages/tools/dist/node/cli.js'), 'batch', ...args], cwd);
  return { batch, start };
}

/** Waits for something for a minute and a half. */
export async function until(test: () => boolean, what: string): Promise<void> {
  for (let n = 0; n < 3_600; n++) {
    if (test()) return;
    await new Promise((done) => setTimeout(done, 25));
  }
  throw new Error(`waited in vain for ${what}`);
}
