// Workers of a queue: what they write, what they refuse, and what happens when they or the server are killed.
import {
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { root } from '../cli/lattice.js';
import { isLong } from '../support/runs.js';
import { page, pagesIn, processes, type Report, type Started, until } from './runs.js';

const port = 21_000 + Math.floor(Math.random() * 3_000);
const url = `redis://127.0.0.1:${port}`;
let server: Started;
let home = '';

const { batch: lattice, start } = processes();

const serve = async (): Promise<Started> => {
  const child = start(
    '/usr/bin/redis-server',
    ['--port', String(port), '--save', '', '--appendonly', 'no', '--bind', '127.0.0.1'],
    home,
  );
  await until(() => child.text().includes('Ready to accept connections'), 'the Redis server');
  return child;
};
const worker = async (cwd = root): Promise<Started> => {
  const child = lattice(['--worker', '--queue', url], cwd);
  await until(() => child.text().includes('Working for'), 'the worker');
  return child;
};
const stopped = async (child: Started): Promise<string> => {
  child.kill('SIGTERM');
  expect(await child.ended).toBe(0);
  return child.text();
};
const reportOf = (child: Started): Report => JSON.parse(child.text().slice(child.text().indexOf('{')));

beforeAll(async () => {
  home = mkdtempSync(join(tmpdir(), 'lattice-queue-'));
  server = await serve();
});
afterAll(() => {
  rmSync(home, { recursive: true, force: true });
});

/** A project with a page whose text can be changed. */
function project(name: string, word = 'first'): string {
  const folder = join(home, name);
  mkdirSync(join(folder, 'node_modules'), { recursive: true });
  for (const [name, at] of [
    ['zesty-lattice', 'lattice'],
    ['zesty-lattice-tools', 'tools'],
  ] as const)
    symlinkSync(join(root, 'packages', at), join(folder, 'node_modules', name));
  writeFileSync(join(folder, 'package.json'), '{ "type": "module" }');
  writeFileSync(join(folder, 'word.ts'), `export const word = '${word}';`);
  writeFileSync(
    join(folder, 'word-page.ts'),
    `import { component, el, prop } from 'zesty-lattice'; import { word } from './word.js';
     export const WordPage = component('word-page', { props: { n: prop.number() }, template: ({ props }) => el.p(word, ' ', props.n) });`,
  );
  writeFileSync(
    join(folder, 'rows.ndjson'),
    Array.from({ length: 150 }, (_, n) => `{"id":"r${n}","n":${n}}\n`).join(''),
  );
  return folder;
}

test('a relative folder and page are those of where the batch was started; a worker reads code again that has changed', async () => {
  const folder = project('relative');
  const one = await worker(home);
  const args = [
    'word-page.ts',
    '--data',
    'rows.ndjson',
    '--out',
    'pages',
    '--fragment',
    '--queue',
    url,
    '--json',
  ];
  const first = lattice(args, folder);
  expect(await first.ended).toBe(0);
  expect(reportOf(first)).toMatchObject({ written: 150 });
  expect(pagesIn(join(folder, 'pages'))).toHaveLength(150);
  writeFileSync(join(folder, 'word.ts'), `export const word = 'second';`);
  const second = lattice(args, folder);
  expect(await second.ended).toBe(0);
  expect(reportOf(second)).toMatchObject({ written: 150, skipped: 0 });
  for (const name of pagesIn(join(folder, 'pages')))
    expect(readFileSync(join(folder, 'pages', name), 'utf8')).toContain('<p>second ');
  expect(await stopped(one)).toMatch(/^Working for .*\nWrote 300 rows\.\n$/s);
});

test('a worker that does not have the folder of the batch, or has other code, refuses the rows and says why', async () => {
  const folder = project('refused');
  const one = await worker(home);
  const args = ['word-page.ts', '--data', 'rows.ndjson', '--out', 'pages', '--fragment', '--queue', url];
  const batch = lattice(args, folder);
  // The folder that the batch has made is another one now, as on a machine that does not share it.
  await until(() => existsSync(join(folder, 'pages/.lattice-batch-parts')), 'the mark');
  rmSync(join(folder, 'pages/.lattice-batch-parts'), { recursive: true });
  expect(await batch.ended).not.toBe(0);
  expect(batch.text()).toMatch(
    /No worker could write: the worker on .* does not have the folder .*pages of the batch: share it, or write through a --store/,
  );
  expect(batch.text()).not.toMatch(/\bat .*\.js:\d+/);
  expect(pagesIn(join(folder, 'pages'))).toEqual([]);
  const changing = lattice(args, folder);
  await until(() => existsSync(join(folder, 'pages/.lattice-batch-parts')), 'the mark');
  writeFileSync(join(folder, 'word.ts'), `export const word = 'changed since';`);
  const code = await changing.ended;
  // Either the worker was quicker, and all is of the code before, or it has said that its code is another one.
  if (code === 0) expect(readFileSync(join(folder, 'pages/r149.html'), 'utf8')).toContain('first');
  else expect(changing.text()).toContain('has other code of');
  expect(await stopped(one)).toContain('Rows refused: the worker on');
});

test('pages can go through a module of one’s own, wherever they are written, and are removed through it', async () => {
  const folder = project('stored');
  const kept = join(folder, 'kept');
  writeFileSync(
    join(folder, 'store.ts'),
    `import { mkdirSync, rmSync, writeFileSync } from 'node:fs'; import { dirname, join } from 'node:path';
     const root = ${JSON.stringify(kept)};
     export async function write(name: string, bytes: Uint8Array) {
       if (name === 'by/r7.html') throw new Error('the store is full');
       mkdirSync(dirname(join(root, name)), { recursive: true }); writeFileSync(join(root, name), bytes); }
     export const remove = (name: string) => rmSync(join(root, name));`,
  );
  const one = await worker(home);
  const args = [
    'word-page.ts',
    '--data',
    'rows.ndjson',
    '--out',
    'pages',
    '--name',
    'by/{id}.html',
    '--fragment',
    '--store',
    'store.ts',
    '--json',
    '--prune',
  ];
  for (const [more, expected] of [
    [['--queue', url], { written: 149, failed: 1, skipped: 0 }],
    [[], { written: 0, failed: 1, skipped: 149 }],
  ] as const) {
    const batch = lattice([...args, ...more], folder);
    expect(await batch.ended).toBe(1);
    expect(reportOf(batch)).toMatchObject(expected);
    expect(batch.text()).toContain('the store is full');
  }
  expect(pagesIn(kept)).toHaveLength(149);
  expect(pagesIn(join(folder, 'pages'))).toEqual([]);
  writeFileSync(join(folder, 'rows.ndjson'), '{"id":"r0","n":0}\n');
  const less = lattice(args, folder);
  expect(await less.ended).toBe(0);
  expect(reportOf(less)).toMatchObject({ skipped: 1, pruned: 148 });
  expect(pagesIn(kept)).toEqual(['by/r0.html']);
  writeFileSync(join(folder, 'store.ts'), 'export const put = 1;');
  const wrong = lattice([...args, '--force'], folder);
  expect(await wrong.ended).toBe(1);
  expect(wrong.text()).toContain('exports no function write(name, bytes)');
  await stopped(one);
});

test('a server that is killed and has forgotten everything: every page is there, and nothing raw is printed', async () => {
  const rows = join(home, 'tickets.ndjson');
  const made = start('node', ['scripts/tickets.mjs', '1500', rows]);
  await made.ended;
  const out = join(home, 'tickets');
  const one = await worker();
  const batch = lattice([page, '--data', rows, '--out', out, '--queue', url, '--json']);
  await until(() => existsSync(out) && pagesIn(out).length > 100, 'the first pages');
  server.kill('SIGKILL');
  await server.ended;
  await new Promise((done) => setTimeout(done, 300));
  server = await serve();
  expect(await batch.ended).toBe(0);
  expect(reportOf(batch)).toMatchObject({ rows: 1_500, written: 1_500, failed: 0 });
  expect(batch.text().slice(0, batch.text().indexOf('{'))).toBe('');
  expect(pagesIn(out)).toHaveLength(1_500);
  expect(readdirSync(out).filter((name) => !name.endsWith('.html'))).toEqual(['.lattice-batch.ndjson']);
  expect(await stopped(one)).toMatch(/^Working for .*\nWrote [\d,]+ rows\.\n$/s);
});

test('rows that nobody works for are said to be waiting', async () => {
  const folder = project('alone');
  const batch = lattice(
    ['word-page.ts', '--data', 'rows.ndjson', '--out', 'pages', '--fragment', '--queue', url],
    folder,
  );
  await until(() => batch.text().includes('Nobody works for'), 'the word that nobody works');
  const one = await worker();
  expect(await batch.ended).toBe(0);
  expect(batch.text()).toContain('150 rows: 150 written.');
  await stopped(one);
});

test.runIf(isLong)(
  'rows of a batch that was killed are not written later, over those of the next one',
  async () => {
    const folder = project('over');
    const args = ['word-page.ts', '--data', 'rows.ndjson', '--out', 'pages', '--fragment', '--queue', url];
    const first = lattice(args, folder);
    await until(() => existsSync(join(folder, 'pages/.lattice-batch-parts')), 'the batch');
    await new Promise((done) => setTimeout(done, 1_500));
    first.kill('SIGKILL');
    await first.ended;
    cpSync(join(folder, 'rows.ndjson'), join(folder, 'old.ndjson'));
    writeFileSync(join(folder, 'rows.ndjson'), '{"id":"r0","n":7}\n');
    await new Promise((done) => setTimeout(done, 31_000));
    const one = await worker();
    const second = lattice(args, folder);
    expect(await second.ended).toBe(0);
    await new Promise((done) => setTimeout(done, 3_000));
    expect(pagesIn(join(folder, 'pages'))).toEqual(['r0.html']);
    expect(readFileSync(join(folder, 'pages/r0.html'), 'utf8')).toContain('first 7');
    await stopped(one);
  },
);
