// What rows may say, and what is told of those that cannot be read.
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, test } from 'vitest';
import { fileOf } from '../../packages/tools/src/batch/names.js';
import { lattice, latticeOf } from '../cli/lattice.js';
import { batchFolder, linesOf, pagesIn } from './runs.js';

const { data, fresh, report } = batchFolder();

/** A page of all that a table can say. */
const stall = (): string =>
  data(
    'stall-page.ts',
    `import { component, el, prop, phrase, calc } from 'zesty-lattice';
     const day = (date: Date) => date.toISOString().slice(0, 10);
     export const StallPage = component('stall-page', {
       props: { name: prop.text().fallback('-'), open: prop.flag(), on: prop.date().optional(),
         tastings: prop.list(prop.record({ at: prop.date(), what: prop.text() })).fallback([]) },
       template: ({ props }) => el.p(props.name, calc(props.open, (open) => (open ? ' open' : ' shut')), calc(props.on, (on) => on ? day(on) : ''),
         calc(props.tastings, (all) => all.map(({ at, what }) => ' ' + day(at) + ' ' + what).join(','))) });`,
  );
const shown = (out: string, id: string): string => readFileSync(join(out, `${id}.html`), 'utf8');

describe('a table', () => {
  test('a row that is too short, too long or has a bare quotation mark is one that failed, with its line', () => {
    const out = fresh();
    const rows = data(
      'bad-rows.csv',
      'id,name,open\n1,Gate,yes\n2,short\n3,"two\nlines",no\n4,a"b,no\n5,"x"y,no\n6,Barn,no,more\n7,"He said ""sweet""",1\n',
    );
    const reported = report(stall(), rows, out, '--fragment');
    expect(reported).toMatchObject({ code: 1, rows: 7, written: 3, failed: 4 });
    expect(linesOf(reported)).toEqual([
      '2  row-invalid: The row has 2 fields where the table names 3 (line 3).',
      expect.stringContaining(
        '4  row-invalid: The row has a quotation mark within a field that has none around it (line 6)',
      ),
      expect.stringContaining(
        '5  row-invalid: The row has a quotation mark within a field that has none around it (line 7)',
      ),
      '6  row-invalid: The row has 4 fields where the table names 3 (line 8).',
    ]);
    expect(shown(out, '7')).toContain('He said "sweet" open');
  });

  test('a quotation mark that nothing closes: what stood before it is written, what follows is said to be unread', () => {
    const out = fresh();
    const rows = data('open.csv', 'id,name\n1,Gate\n2,"Barn\n3,Long table\n');
    const reported = report(stall(), rows, out, '--fragment');
    expect(reported).toMatchObject({ code: 1, written: 1, failed: 1 });
    expect(linesOf(reported)[0]).toMatch(
      /opens a quotation mark that nothing closes.*line \d+, was not read/,
    );
    expect(reported.err).not.toMatch(/\bat .*node_modules/);
  });

  test('says yes and no with the words that tables have for it, in any case; other words are reported', () => {
    const out = fresh();
    const words = {
      yes: ['yes', 'YES', 'true', 'True', '1', 'on', 'y'],
      no: ['no', 'False', 'FALSE', '0', 'off', 'n', ''],
    };
    const all = [...words.yes, ...words.no, 'maybe'];
    const rows = data('flags.csv', `id,open\n${all.map((word, n) => `r${n},${word}`).join('\n')}\n`);
    const reported = report(stall(), rows, out, '--fragment');
    expect(reported).toMatchObject({ written: 14, failed: 1 });
    expect(all.slice(0, 14).map((_word, n) => shown(out, `r${n}`).includes('open'))).toEqual([
      ...words.yes.map(() => true),
      ...words.no.map(() => false),
    ]);
    expect(linesOf(reported)).toEqual([
      '15 r14.html row-invalid: The row has "maybe" in the column "open", which is neither yes nor no: write one of true, yes, y, on, 1, or one of false, no, n, off, 0.',
    ]);
  });

  test('a field of many blanks and a bare quotation mark is looked at once', () => {
    const rows = data('blanks.csv', `id,name\n1,${' '.repeat(200_000)}"x\n2,Gate\n`);
    expect(report(stall(), rows, fresh(), '--fragment')).toMatchObject({ written: 1, failed: 1 });
  });

  test('that names a column twice is refused, with both places', () => {
    const rows = data('twice.csv', 'id,name,open,name\n1,a,yes,b\n');
    const { code, err } = lattice('batch', stall(), '--data', rows, '--out', fresh());
    expect(code).toBe(1);
    expect(err).toContain('names the column "name" twice (columns 2 and 4)');
    expect(err).not.toMatch(/\bat .*\.js:\d+/);
  });
});

describe('dates', () => {
  test('are ISO 8601 and real days, in tables and in JSON', () => {
    const out = fresh();
    const days = [
      '2026-11-28',
      '2026-11-28T09:30:00Z',
      '2026-11-28 09:30',
      '2026-02-30',
      'Jan 2 2026',
      '2026-11-28 9:30 PM',
      '2026-11-28 (noon)',
      '28.11.2026',
      '2026-11-28T25:00',
    ];
    const table = data('days.csv', `id,on\n${days.map((day, n) => `t${n},${day}`).join('\n')}\n`);
    const json = data('days.ndjson', days.map((on, n) => JSON.stringify({ id: `j${n}`, on })).join('\n'));
    for (const rows of [table, json]) {
      const reported = report(stall(), rows, out, '--fragment');
      expect(reported, rows).toMatchObject({ written: 3, failed: 6 });
      expect(linesOf(reported)[0]).toContain('"2026-02-30"');
    }
    expect(pagesIn(out)).toEqual(['j0', 'j1', 'j2', 't0', 't1', 't2'].map((name) => `${name}.html`));
  });

  test('stand as texts in lists of records of JSON, for a batch and for one page', () => {
    const out = fresh();
    const row = {
      id: 'a',
      tastings: [
        { at: '2026-11-28', what: 'Peels' },
        { at: '2026-11-29T10:00:00Z', what: 'Oils' },
      ],
    };
    const wrong = { id: 'b', tastings: [{ at: '2026-02-30', what: 'Peels' }] };
    const rows = data('lists.ndjson', `${JSON.stringify(row)}\n${JSON.stringify(wrong)}\n`);
    const reported = report(stall(), rows, out, '--fragment');
    expect(reported).toMatchObject({ written: 1, failed: 1 });
    expect(shown(out, 'a')).toContain('2026-11-28 Peels, 2026-11-29 Oils');
    expect(linesOf(reported)[0]).toContain('"2026-02-30"');
    const one = data('one-stall.json', JSON.stringify({ tastings: row.tastings }));
    expect(lattice('render', stall(), '--props', one).out).toContain('2026-11-28 Peels, 2026-11-29 Oils');
  });
});

describe('JSON', () => {
  test('a list is read item by item, with a byte order mark before it or not', () => {
    const out = fresh();
    const rows = data(
      'list.json',
      `\uFEFF${JSON.stringify([{ id: 'a', name: 'Gät' }, { id: 2, name: 'B' }, 'no record', { id: true, name: 'C' }])}`,
    );
    const reported = report(stall(), rows, out, '--fragment');
    expect(reported).toMatchObject({ rows: 4, written: 3, failed: 1 });
    expect(pagesIn(out)).toEqual(['2.html', 'a.html', 'true.html']);
    expect(shown(out, 'a')).toContain('Gät');
    writeFileSync(rows, `\uFEFF{"id":"x","name":"N"}\n`);
    const lines = data('list.ndjson', readFileSync(rows, 'utf8'));
    expect(report(stall(), lines, fresh(), '--fragment')).toMatchObject({ written: 1 });
  });

  test('a list that is cut or broken gives the rows before that, and says so', () => {
    for (const [text, said] of [
      ['[{"id":"a"},{"id":"b"', 'it ends in the middle'],
      ['[{"id":"a"},{"id":}]', 'is no JSON'],
      ['[{"id":"a"}] more', 'is no JSON'],
    ] as const) {
      const out = fresh();
      const reported = report(stall(), data('cut.json', text), out, '--fragment');
      expect(reported, text).toMatchObject({ code: 1, written: 1, failed: 1 });
      expect(linesOf(reported)[0], text).toContain(said);
    }
    for (const text of ['{"id":"a"}', '', '7']) {
      const { code, err } = lattice('batch', stall(), '--data', data('no-list.json', text), '--out', fresh());
      expect(code, text).toBe(1);
      expect(err, text).toMatch(/holds no list of rows|is empty/);
    }
  });

  test('standard input is a list, records or a table, whichever it begins with', () => {
    for (const input of [
      '[{"id":"a","name":"Gate"}]',
      '\uFEFF{"id":"a","name":"Gate"}\n',
      'id,name\na,Gate\n',
    ]) {
      const out = fresh();
      const { code, out: said } = latticeOf(
        input,
        'batch',
        stall(),
        '--data',
        '-',
        '--out',
        out,
        '--fragment',
      );
      expect(code, input).toBe(0);
      expect(said).toContain('1 row: 1 written.');
      expect(shown(out, 'a')).toContain('Gate');
    }
  });
});

describe('file names', () => {
  const name = (id: unknown, pattern = '{id}.html') => fileOf('/pages', pattern, { id, b: id }, 3);

  test('are as long as a file system takes, counted in bytes, and stay apart', () => {
    const long = '柑'.repeat(120);
    const [one, other] = [name(`${long}a`), name(`${long}b`)].map((file) =>
      'name' in file ? file.name : '',
    );
    expect(Buffer.byteLength(one ?? '')).toBeLessThanOrEqual(255);
    expect(one).not.toBe(other);
    expect(one).toMatch(/^柑{30,}-[0-9a-f]{8}\.html$/);
    expect(name(long, '{id}-{b}.html')).toHaveProperty('name');
    expect(name(long, '{id}-{b}-{id}.html')).toEqual({
      fault: expect.stringContaining('more than 255 bytes'),
    });
  });

  test('an id of which nothing can stand there is told as it is', () => {
    expect(name('🍊🍋')).toEqual({
      fault: expect.stringContaining('has "🍊🍋" as "id", of which nothing can stand'),
    });
    expect(name(undefined)).toEqual({ fault: 'has no "id" for its file’s name' });
    expect(name(true)).toMatchObject({ name: 'true.html' });
  });
});
