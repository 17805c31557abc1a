import { spawn } from 'node:child_process';
import {
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  readlinkSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { join } from 'node:path';
import { describe, expect, test } from 'vitest';
import { Journal } from '../../packages/tools/src/batch/journal.js';
import { fieldsIn, fileOf, patternFault } from '../../packages/tools/src/batch/names.js';
import { lattice, root } from '../cli/lattice.js';
import { isLong } from '../support/runs.js';
import { batchFolder, page, pagesIn, processes, until } from './runs.js';

const { data, folder, fresh, report: reportOf } = batchFolder();

const ticket = (n: number) => ({
  id: `t${n}`,
  guest: `Guest <${n}>`,
  tasting: 'Peels and oils',
  stall: 'Long table',
  starts: '2026-11-28T11:45:00Z',
  seat: n,
});

const ndjson = (count: number, name = `rows-${count}.ndjson`): string =>
  data(name, Array.from({ length: count }, (_, at) => `${JSON.stringify(ticket(at + 1))}\n`).join(''));

const run = (rows: string, out: string, ...more: readonly string[]) =>
  lattice('batch', page, '--data', rows, '--out', out, ...more);
const report = (rows: string, out: string, ...more: readonly string[]) => reportOf(page, rows, out, ...more);

const { batch } = processes();
const start = (...args: readonly string[]) => batch(args);

describe('a page for each row', () => {
  test('writes whole documents, named by a field, with the title of the row', () => {
    const out = fresh();
    const {
      code,
      out: text,
      err,
    } = run(ndjson(150), out, '--title', 'Seat {seat}: {guest}', '--lang', 'en-GB');
    expect(err).toBe('');
    expect(code).toBe(0);
    expect(text).toMatch(/^150 rows: 150 written\. [\d.]+ kB to .* in \d+\.\d s, [\d,]+ a second\.\n$/);
    expect(pagesIn(out)).toHaveLength(150);
    const html = readFileSync(join(out, 't7.html'), 'utf8');
    expect(html).toContain('<title>Seat 7: Guest &lt;7&gt;</title>');
    expect(html).toContain('<html lang="en-GB">');
    expect(html).toContain('>11:45</time>');
  });

  test('goes on where an earlier run ended, and writes what has changed', () => {
    const out = fresh();
    const rows = ndjson(40, 'again.ndjson');
    expect(report(rows, out)).toMatchObject({ written: 40, skipped: 0 });
    expect(report(rows, out)).toMatchObject({ written: 0, skipped: 40, code: 0 });
    writeFileSync(join(out, 't3.html'), 'cut sho');
    rmSync(join(out, 't4.html'));
    const changed = [...Array.from({ length: 40 }, (_, at) => ticket(at + 1))].map((one) =>
      one.id === 't5' ? { ...one, guest: 'New' } : one,
    );
    writeFileSync(rows, changed.map((one) => JSON.stringify(one)).join('\n'));
    expect(report(rows, out)).toMatchObject({ written: 3, skipped: 37 });
    expect(readFileSync(join(out, 't5.html'), 'utf8')).toContain('New');
    expect(readFileSync(join(out, 't3.html'), 'utf8')).toContain('</html>');
    expect(report(rows, out, '--lang', 'de')).toMatchObject({ written: 40, skipped: 0 });
  });

  test('a row that cannot be written is reported with its number and file, and does not stop the others', () => {
    const out = fresh();
    const lines = [
      JSON.stringify(ticket(1)),
      '{ "id": "t2", ',
      '["no record"]',
      JSON.stringify({ ...ticket(4), seat: -4 }),
      JSON.stringify({ ...ticket(5), id: undefined }),
      JSON.stringify({ ...ticket(6), id: 'T1' }),
      JSON.stringify({ ...ticket(7), gest: 'misspelt' }),
      '',
      JSON.stringify(ticket(9)),
    ];
    const rows = data('bad.ndjson', lines.join('\n'));
    const reported = report(rows, out);
    expect(reported).toMatchObject({ code: 1, rows: 8, written: 2, failed: 6 });
    expect(reported.problems[0]?.problems[0]?.code).toBe('row-invalid');
    expect(pagesIn(out)).toEqual(['t1.html', 't9.html']);
    const words = (
      reported.problems as { row: number; file: string; problems: { code: string; message: string }[] }[]
    ).map(({ row, file, problems: [first] }) => `${row} ${file} ${first?.code}: ${first?.message}`);
    expect(words).toEqual([
      expect.stringMatching(/^2 {2}row-invalid: The row is no JSON: /),
      '3  row-invalid: The row holds a list of 1 where a record belongs.',
      '4 t4.html prop-invalid: The prop "seat" of ticket-page is no seat: they count from 1.',
      '5  row-invalid: The row has no "id" for its file’s name.',
      '6 T1.html row-invalid: The row would be written to T1.html, as row 1 is.',
      '7 t7.html prop-unknown: ticket-page received "gest", which is not one of its props.',
    ]);
    const { err } = run(rows, fresh());
    expect(err).toContain('row 4  t4.html');
    expect(err).toContain('is no seat');
    // Props from a file have no line of code to point at.
    expect(err).not.toMatch(/\bat .*\.js:\d+/);
  });

  test('reads tables, each field as its prop’s kind reads text', () => {
    const out = fresh();
    const rows = data(
      'guests.csv',
      '\uFEFFid,guest,tasting,stall,starts,seat,guests,waiting\r\n' +
        'a,"Weir, ""Ama""",Peels,Barn,2026-11-28T10:30:00Z,3,2,true\r\n' +
        '\r\n' +
        'b,"two\nlines",Oils,Barn,2026-11-28,4,,\r\n' +
        'c,Cilla,Oils,Barn,whenever,x,,\r\n',
    );
    const reported = report(rows, out);
    expect(reported).toMatchObject({ code: 1, rows: 3, written: 2, failed: 1 });
    const html = readFileSync(join(out, 'a.html'), 'utf8');
    expect(html).toContain('Weir, "Ama" and 1 more');
    expect(html).toContain('waiting list');
    expect(JSON.stringify(reported.problems)).toContain('expects a number');
  });

  test.runIf(isLong)('reads a list of JSON, and several runs take parts of the rows', () => {
    const rows = data('list.json', JSON.stringify(Array.from({ length: 30 }, (_, at) => ticket(at + 1))));
    const out = fresh();
    for (const [part, count] of [
      ['1/4', 8],
      ['4/4', 7],
      ['2/4', 8],
      ['3/4', 7],
    ] as const)
      expect(report(rows, out, '--shard', part)).toMatchObject({ rows: count, written: count });
    expect(pagesIn(out)).toHaveLength(30);
    expect(report(rows, out)).toMatchObject({ skipped: 30 });
  });

  test('waits for what a page loads', () => {
    const module = data(
      'load-page.ts',
      `import { component, el, prop, whenLoaded } from 'zesty-lattice';
       export const LoadPage = component('load-page', { props: { id: prop.text() },
         load: async ({ props }) => { if (props.id === 'b') throw new Error('gone'); return props.id.toUpperCase(); },
         template: ({ data }) => whenLoaded(data, { loaded: (name) => el.p(name) }) });`,
    );
    const rows = data('load.ndjson', '{"id":"a"}\n{"id":"b"}\n');
    const out = fresh();
    const { code, err } = lattice('batch', module, '--data', rows, '--out', out, '--fragment');
    expect(code).toBe(1);
    expect(err).toContain('load-failed');
    expect(readFileSync(join(out, 'a.html'), 'utf8')).toBe('<p>A</p>');
    expect(lattice('render', module, '--props', data('one.json', '{"id":"c"}')).out).toBe('<p>C</p>\n');
  });

  test('what keeps a page from being written at all is reported with its row', () => {
    const out = fresh();
    mkdirSync(join(out, 't2.html/x'), { recursive: true });
    const reported = report(ndjson(3, 'unwritten.ndjson'), out);
    expect(reported).toMatchObject({ written: 2, failed: 1 });
    expect(reported.problems[0]?.problems[0]?.code).toBe('page-unwritten');
    expect(readdirSync(out).filter((name) => name.endsWith('.part'))).toEqual([]);
  });

  test('says how it is called', () => {
    const rows = ndjson(2);
    const usage = (...args: readonly string[]) => {
      const { code, err } = lattice('batch', ...args);
      expect(code).toBe(2);
      return err;
    };
    expect(usage()).toContain('Say which page is written');
    expect(usage(page)).toContain('--data rows.ndjson --out pages');
    expect(usage(page, '--data', 'none.csv', '--out', 'x')).toContain('There is no file none.csv.');
    expect(usage(page, '--data', 'package.json.txt', '--out', 'x')).toContain('There is no file');
    expect(usage(page, '--data', page, '--out', 'x')).toContain('is none of .json, .ndjson, .jsonl and .csv');
    expect(usage(page, '--data', rows, '--out', 'x', '--name', 'page.html')).toContain('one name');
    expect(usage(page, '--data', rows, '--out', 'x', '--name', '../{id}.html')).toContain(
      'leads out of the folder',
    );
    expect(usage(page, '--data', rows, '--out', 'x', '--shard', '9/8')).toContain('such as 2/8');
    expect(usage(page, '--data', rows, '--out', 'x', '--workers', '0')).toContain('from 1 to 256');
    expect(usage('--worker')).toContain('A worker needs a queue');
    expect(usage(page, '--data', rows, '--out', 'x', '--queue', 'redis://127.0.0.1:1')).toContain(
      'cannot be reached',
    );
    expect(lattice('batch', page, '--data', data('broken.json', '{"a":'), '--out', fresh()).code).toBe(1);
  });
});

describe('file names', () => {
  test('stay in their folder, whatever a row says', () => {
    const name = (id: unknown, pattern = '{id}.html') => {
      const file = fileOf('/pages', pattern, { id }, 3);
      return 'name' in file ? file.name : undefined;
    };
    expect(name('../../etc/passwd')).toBe('etc-passwd.html');
    expect(name('..')).toBe(undefined);
    expect(name('a/b\\c\0d')).toBe('a-b-c-d.html');
    expect(name('con')).toBe('con-.html');
    expect(name('größe 日本')).toBe('größe-日本.html');
    expect(name('')).toBe(undefined);
    expect(name({ toString: () => 'x' })).toBe(undefined);
    expect(name(7, 'by/{id}/{n}.html')).toBe('by/7/3.html');
    expect(name('__proto__', '{__proto__}.html')).toBe(undefined);
    expect([...fieldsIn('{a}/{b}-{n}.html')]).toEqual(['a', 'b']);
    for (const wrong of ['', 'x/', 'x.html', '/{id}.html', 'a/../../{id}'])
      expect(patternFault(wrong)).toBeDefined();
    expect(patternFault('by/{id}.html')).toBeUndefined();
  });
});

describe('a run that is killed', () => {
  test.runIf(isLong)('leaves nothing half-written, and a second one writes what is missing', async () => {
    const rows = ndjson(2_500, 'many.ndjson');
    const out = fresh();
    const first = start(page, '--data', rows, '--out', out, '--workers', '1');
    await until(() => existsSync(out) && readdirSync(out).length > 300, 'the first pages');
    first.kill('SIGKILL');
    await first.ended;
    const there = pagesIn(out);
    expect(there.length).toBeLessThan(2_500);
    for (const name of there)
      expect(readFileSync(join(out, name), 'utf8')).toMatch(/^<!doctype html>[\s\S]*<\/html>\n$/);
    const second = report(rows, out);
    expect(second).toMatchObject({ code: 0, rows: 2_500, failed: 0 });
    expect(second.skipped).toBeGreaterThan(0);
    expect(second.written + second.skipped).toBe(2_500);
    expect(pagesIn(out)).toHaveLength(2_500);
  });
});

describe('while watching', () => {
  test.runIf(isLong)('writes again what a change touches', async () => {
    const rows = ndjson(5, 'watched.ndjson');
    const out = fresh();
    const watching = start(page, '--data', rows, '--out', out, '--watch');
    try {
      await until(() => watching.text().includes('Waiting for changes'), 'the first run');
      const before = statSync(join(out, 't1.html')).mtimeMs;
      writeFileSync(rows, readFileSync(rows, 'utf8').replace('Guest <2>', 'Changed'));
      await until(() => readFileSync(join(out, 't2.html'), 'utf8').includes('Changed'), 'the change');
      await until(() => watching.text().includes('1 written, 4 there already'), 'what was written');
      expect(statSync(join(out, 't1.html')).mtimeMs).toBe(before);
    } finally {
      watching.kill('SIGTERM');
      await watching.ended;
    }
  });

  test.runIf(isLong)('render does so, too, with what a module imports', async () => {
    const part = data('watched-part.ts', `export const word = 'first';`);
    const module = data(
      'watched-page.ts',
      `import { component, el } from 'zesty-lattice'; import { word } from './watched-part.js';
       export const WatchedPage = component('watched-page', { template: () => el.p(word) });`,
    );
    const to = join(folder(), 'watched.html');
    const child = spawn(
      'node',
      ['packages/tools/dist/node/cli.js', 'render', module, '--out', to, '--watch'],
      { cwd: root },
    );
    let said = '';
    child.stderr.on('data', (chunk) => {
      said += chunk;
    });
    try {
      await until(() => existsSync(to) && readFileSync(to, 'utf8').includes('first'), 'the page');
      await until(() => said.includes('Waiting for changes'), 'the watching');
      writeFileSync(part, `export const word = 'second';`);
      await until(() => readFileSync(to, 'utf8').includes('second'), 'the change');
    } finally {
      child.kill('SIGTERM');
    }
  });
});

test('the journal is opened once, and closed', () => {
  const out = fresh();
  mkdirSync(out, { recursive: true });
  const journal = new Journal(out);
  for (let n = 0; n < 1_024; n++) journal.add(`${n}`, `${n}.html`, n);
  journal.close();
  const [name = ''] = readdirSync(out);
  expect(readFileSync(join(out, name), 'utf8').trim().split('\n')).toHaveLength(1_024);
  const open = readdirSync('/proc/self/fd').flatMap((one) => {
    try {
      return readlinkSync(`/proc/self/fd/${one}`);
    } catch {
      return [];
    }
  });
  expect(open.filter((path) => path.includes(name))).toEqual([]);
});
