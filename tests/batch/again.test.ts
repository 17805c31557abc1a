// Runs after runs into one folder: what is left as it is, what is written anew, and what goes.
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, test } from 'vitest';
import { Journal } from '../../packages/tools/src/batch/journal.js';
import { lattice, root } from '../cli/lattice.js';
import { isLong } from '../support/runs.js';
import { batchFolder, linesOf, pagesIn, processes, until } from './runs.js';

const { data, fresh, report } = batchFolder();

const price = (): string =>
  data(
    'price-page.ts',
    `import { component, el, prop } from 'zesty-lattice';
     export const PricePage = component('price-page', { props: { cents: prop.number(), title: prop.text().fallback('Price') },
       template: ({ props }) => el.p(props.cents, ' cents') });`,
  );
const rowsOf = (name: string, rows: readonly object[]): string =>
  data(name, rows.map((row) => `${JSON.stringify(row)}\n`).join(''));
const read = (out: string, name: string): string => readFileSync(join(out, name), 'utf8');

describe('a run after another', () => {
  test('a price that goes up and comes back is the last one', () => {
    const out = fresh();
    for (const cents of [10, 20, 10, 30, 20]) {
      const rows = rowsOf('price.ndjson', [{ id: 'a', cents }]);
      expect(report(price(), rows, out), String(cents)).toMatchObject({ written: 1, skipped: 0 });
      expect(read(out, 'a.html')).toContain(`<p>${cents} cents</p>`);
      expect(report(price(), rows, out)).toMatchObject({ written: 0, skipped: 1 });
    }
  });

  test('equal rows whose names are their numbers are written once; a number in the title is part of a page', () => {
    const out = fresh();
    const rows = rowsOf('equal.ndjson', [{ cents: 1 }, { cents: 1 }, { cents: 1 }]);
    expect(report(price(), rows, out, '--name', 'p{n}.html')).toMatchObject({ written: 3 });
    expect(report(price(), rows, out, '--name', 'p{n}.html')).toMatchObject({ written: 0, skipped: 3 });
    const titled = fresh();
    const first = rowsOf('titled.ndjson', [
      { id: 'a', cents: 1 },
      { id: 'b', cents: 2 },
    ]);
    report(price(), first, titled, '--title', 'No. {n}');
    expect(read(titled, 'b.html')).toContain('<title>No. 2</title>');
    rowsOf('titled.ndjson', [{ id: 'b', cents: 2 }]);
    expect(report(price(), first, titled, '--title', 'No. {n}')).toMatchObject({
      written: 1,
      gone: ['a.html'],
    });
    expect(read(titled, 'b.html')).toContain('<title>No. 1</title>');
  });

  test('pages of rows that are gone are told, and go with --prune; those of another batch stay', () => {
    const out = fresh();
    const rows = rowsOf('stalls.ndjson', [
      { id: 'a', cents: 1 },
      { id: 'b', cents: 2 },
      { id: 'c', cents: 3 },
    ]);
    const others = rowsOf('others.ndjson', [{ id: 'other', cents: 9 }]);
    report(price(), rows, out);
    report(price(), others, out);
    rowsOf('stalls.ndjson', [{ id: 'a', cents: 1 }]);
    expect(report(price(), rows, out)).toMatchObject({ gone: ['b.html', 'c.html'], pruned: 0, code: 0 });
    expect(lattice('batch', price(), '--data', rows, '--out', out).err).toBe(
      'b.html, c.html are pages of rows that are gone. --prune removes such pages.\n',
    );
    data('stalls.ndjson', '{"id":"a","cents":1}\n{"id":\n');
    expect(report(price(), rows, out, '--prune')).toMatchObject({ failed: 1, pruned: 0 });
    expect(pagesIn(out)).toEqual(['a.html', 'b.html', 'c.html', 'other.html']);
    rowsOf('stalls.ndjson', [{ id: 'a', cents: 1 }]);
    const { out: said } = lattice('batch', price(), '--data', rows, '--out', out, '--prune');
    expect(said).toContain('1 there already, 2 removed');
    expect(pagesIn(out)).toEqual(['a.html', 'other.html']);
    expect(report(price(), rows, out)).toMatchObject({ gone: [], skipped: 1 });
  });

  test('--force writes what is there already', () => {
    const out = fresh();
    const rows = rowsOf('forced.ndjson', [{ id: 'a', cents: 1 }]);
    report(price(), rows, out);
    writeFileSync(join(out, 'a.html'), read(out, 'a.html').replace('1 cents', '7 cents'));
    expect(report(price(), rows, out)).toMatchObject({ skipped: 1 });
    expect(report(price(), rows, out, '--force')).toMatchObject({ written: 1, skipped: 0 });
    expect(read(out, 'a.html')).toContain('1 cents');
  });

  test('a page that was being written when a run ended holds nobody knows what: it is written again', async () => {
    const out = fresh();
    mkdirSync(out, { recursive: true });
    writeFileSync(join(out, 'a.html'), 'old');
    const first = new Journal(out, '', 'by');
    first.add('of-old', 'a.html', 3);
    first.close();
    const second = new Journal(out, '', 'by');
    await second.read();
    expect(second.has('of-old', 'a.html')).toBe(true);
    // The page is moved into its place, and the process is killed before that is noted.
    second.open(['a.html', 'new.html']);
    writeFileSync(join(out, 'a.html'), 'new');
    const third = new Journal(out, '', 'by');
    await third.read();
    expect(third.has('of-old', 'a.html')).toBe(false);
    expect(third.others(new Set())).toEqual(['a.html']);
  });

  test('a journal that has said a thing over and over is shortened, and says the same', async () => {
    const out = fresh();
    mkdirSync(out, { recursive: true });
    for (const name of ['a.html', 'b.html']) writeFileSync(join(out, name), 'x');
    const long = new Journal(out, '', 'by');
    for (let n = 0; n < 3_000; n++) long.add(`of-${n}`, n % 2 === 0 ? 'a.html' : 'b.html', 1);
    long.close();
    const [name = ''] = readdirSync(out).filter((one) => one.endsWith('.ndjson'));
    expect(read(out, name).trim().split('\n')).toHaveLength(2);
    const again = new Journal(out, '', 'by');
    await again.read();
    expect([again.has('of-2998', 'a.html'), again.has('of-2999', 'b.html')]).toEqual([true, true]);
  });
});

describe('a page that loads', () => {
  const loading = (): string =>
    data(
      'loading-page.ts',
      `import { existsSync } from 'node:fs';
       import { component, el, prop, whenLoaded } from 'zesty-lattice';
       export const LoadingPage = component('loading-page', { props: { wait: prop.number().fallback(0), needs: prop.text().fallback('') },
         load: async ({ props }) => {
           await new Promise((done) => setTimeout(done, props.wait));
           if (props.needs && !existsSync(props.needs)) throw new Error('no log today');
           return 'log';
         },
         template: ({ data }) => whenLoaded(data, { loaded: (text) => el.p(text), failed: () => el.p('No log') }) });`,
    );

  test('and whose load failed has failed: it is not written, and tried by the next run', () => {
    const out = fresh();
    const needs = join(root, 'out', `log-${process.pid}`);
    const rows = rowsOf('loads.ndjson', [{ id: 'a' }, { id: 'b', needs }]);
    const first = report(loading(), rows, out, '--fragment');
    expect(first).toMatchObject({ code: 1, written: 1, failed: 1 });
    expect(linesOf(first)).toEqual([
      expect.stringContaining('2 b.html load-failed: The data of loading-page'),
    ]);
    expect(pagesIn(out)).toEqual(['a.html']);
    const allowed = report(loading(), rows, out, '--fragment', '--allow-failed');
    expect(allowed).toMatchObject({ code: 0, written: 1, skipped: 1, failed: 0 });
    expect(read(out, 'b.html')).toBe('<p>No log</p>');
    writeFileSync(needs, '');
    try {
      expect(report(loading(), rows, out, '--fragment')).toMatchObject({ written: 1, skipped: 1, failed: 0 });
      expect(read(out, 'b.html')).toBe('<p>log</p>');
    } finally {
      rmSync(needs);
    }
  });

  test('is written beside others: as many at once as loads may be', () => {
    const module = data(
      'counting-page.ts',
      `import { component, el, whenLoaded } from 'zesty-lattice';
       let now = 0;
       let most = 0;
       export const CountingPage = component('counting-page', {
         load: async () => {
           most = Math.max(most, ++now);
           await new Promise((done) => setTimeout(done, 20));
           now--;
           return most;
         },
         template: ({ data }) => whenLoaded(data, { loaded: (most) => el.p(most) }) });`,
    );
    const rows = rowsOf(
      'counted.ndjson',
      Array.from({ length: 40 }, () => ({})),
    );
    const mostAtOnce = (...more: readonly string[]): number => {
      const out = fresh();
      const args = ['--fragment', '--workers', '1', '--name', '{n}.html', ...more];
      expect(report(module, rows, out, ...args)).toMatchObject({ written: 40 });
      return Math.max(...pagesIn(out).map((name) => Number(/\d+/.exec(read(out, name)))));
    };
    expect(mostAtOnce('--loads', '4')).toBe(4);
    expect(mostAtOnce()).toBe(8);
  });
});

describe('what a page says of itself', () => {
  const spoken = (): string =>
    data(
      'spoken-page.ts',
      `import { component, el, prop } from 'zesty-lattice';
       export const SpokenPage = component('spoken-page', { props: { text: prop.text() }, styles: 'p { color: green }', template: ({ props }) => el.p(props.text) });`,
    );

  test('its language and direction may be fields of its row, for one page as well', () => {
    const out = fresh();
    const rows = rowsOf('spoken.ndjson', [
      { id: 'en', text: 'Open day', lang: 'en-GB', dir: 'ltr' },
      { id: 'ar', text: 'يوم مفتوح', lang: 'ar', dir: 'rtl' },
      { id: 'x', text: 'x', lang: 'not a tag', dir: 'ltr' },
      { id: 'y', text: 'y', lang: 'en', dir: 'up' },
      { id: 'z', text: 'z', dir: 'ltr' },
    ]);
    const reported = report(spoken(), rows, out, '--lang', '{lang}', '--dir', '{dir}');
    expect(reported).toMatchObject({ written: 2, failed: 3 });
    expect(read(out, 'ar.html')).toContain('<html lang="ar" dir="rtl">');
    expect(read(out, 'en.html')).toContain('<html lang="en-GB" dir="ltr">');
    expect(linesOf(reported)).toEqual([
      '3 x.html row-invalid: The row names "not a tag" as language: write a tag such as en or pt-BR.',
      '4 y.html row-invalid: The row names "up" as direction: write ltr, rtl or auto.',
      '5 z.html row-invalid: The row names "{lang}" as language: write a tag such as en or pt-BR.',
    ]);
    const props = JSON.stringify({ text: 'x', lang: 'ar', dir: 'rtl' });
    const one = lattice('render', spoken(), '--page', '--props', props, '--lang', '{lang}', '--dir', '{dir}');
    expect(one.out).toContain('<html lang="ar" dir="rtl">');
  });

  test('a head of its own stands in each, and in one, with rules in files or not', () => {
    const head = data(
      'head.html',
      '<script type="module" src="/open-day.js"></script>\n<link rel="icon" href="/peel.svg">\n',
    );
    const out = fresh();
    const rows = rowsOf('headed.ndjson', [{ id: 'a', text: 'a' }]);
    report(spoken(), rows, out, '--head', head, '--rules', 'linked');
    const html = read(out, 'a.html');
    expect(html).toMatch(/<head>[\s\S]*<script type="module" src="\/open-day\.js"><\/script>[\s\S]*<\/head>/);
    expect(html).toMatch(/<link rel="stylesheet" href="rules-[0-9a-f]{12}\.css">/);
    expect(html).not.toContain('<style');
    const one = lattice('render', spoken(), '--page', '--props', '{"text":"a"}', '--head', head);
    expect(one.out).toContain('<link rel="icon" href="/peel.svg">');
    // What stands in the head is part of what a page is written of.
    data('head.html', '<meta name="robots" content="noindex">');
    expect(report(spoken(), rows, out, '--head', head, '--rules', 'linked')).toMatchObject({ written: 1 });
    expect(lattice('batch', spoken(), '--data', rows, '--out', out, '--head', 'none.html')).toMatchObject({
      code: 2,
    });
    expect(
      lattice('batch', spoken(), '--data', rows, '--out', out, '--head', head, '--fragment').err,
    ).toContain('--fragment does not write');
  });
});

describe('several parts of the rows', () => {
  test('that give one name to two pages are told, whichever part has them; what is gone is known to each', () => {
    const out = fresh();
    const rows = rowsOf('parts.ndjson', [
      { id: 'a', cents: 1 },
      { id: 'b', cents: 2 },
      { id: 'c', cents: 3 },
      { id: 'A', cents: 4 },
    ]);
    const first = report(price(), rows, out, '--shard', '1/2');
    const second = report(price(), rows, out, '--shard', '2/2');
    expect([first, second]).toMatchObject([
      { written: 2, failed: 0 },
      { written: 1, failed: 1 },
    ]);
    expect(linesOf(second)).toEqual([
      '4 A.html row-invalid: The row would be written to A.html, as row 1 is.',
    ]);
    rowsOf('parts.ndjson', [
      { id: 'b', cents: 2 },
      { id: 'c', cents: 3 },
    ]);
    expect(report(price(), rows, out, '--shard', '1/2', '--prune')).toMatchObject({
      rows: 1,
      skipped: 1,
      gone: ['a.html'],
      pruned: 1,
    });
    expect(pagesIn(out)).toEqual(['b.html', 'c.html']);
  });
});

describe('problems', () => {
  test('of a row point at the line of the author, and at nothing of the tools', () => {
    const module = data(
      'throwing-page.ts',
      `import { calc, component, el, prop } from 'zesty-lattice';
export const ThrowingPage = component('throwing-page', {
  props: { name: prop.text() },
  template: ({ props }) => el.p(calc(props.name, (name) => {
    if (name === 'b') throw new Error('no such stall');
    return name;
  })),
});`,
    );
    const rows = rowsOf('throwing.ndjson', [
      { id: 'a', name: 'a' },
      { id: 'b', name: 'b' },
      { id: 'c', nam: 'c' },
    ]);
    const { err } = lattice('batch', module, '--data', rows, '--out', fresh());
    expect(err).toContain('row 2  b.html');
    expect(err).toContain('throwing-page.ts:5');
    expect(err).toContain('row 3  c.html');
    expect(err).not.toMatch(/batch-worker|piscina|shared-[A-Z0-9]+\.js|dist\/node/);
  });
});

describe('a run that is stopped', () => {
  const { batch } = processes();
  const slow = (): string =>
    data(
      'slow-page.ts',
      `import { component, el, prop, whenLoaded } from 'zesty-lattice';
       export const SlowPage = component('slow-page', { props: { name: prop.text() }, load: () => new Promise((done) => setTimeout(done, 50, 'x')),
         template: ({ props, data }) => whenLoaded(data, { loaded: (said) => el.p(props.name, said) }) });`,
    );
  const start = (rows: string, out: string) =>
    batch([slow(), '--data', rows, '--out', out, '--workers', '1', '--loads', '2', '--fragment']);
  const many = (): string =>
    rowsOf(
      'many.ndjson',
      Array.from({ length: 400 }, (_, n) => ({ id: `r${n}`, name: `${n}` })),
    );

  test('by Ctrl-C says so, ends with 130, and goes on with what is missing', async () => {
    const out = fresh();
    const child = start(many(), out);
    await until(() => existsSync(out) && pagesIn(out).length > 2, 'the first pages');
    child.kill('SIGINT');
    expect(await child.ended).toBe(130);
    expect(child.text()).toContain('Finishing the pages under way');
    expect(child.text()).toContain('the same command continues');
    const there = pagesIn(out).length;
    expect(there).toBeLessThan(400);
    const next = report(slow(), many(), out, '--fragment', '--loads', '256');
    expect(next).toMatchObject({ code: 0, skipped: there, written: 400 - there });
    expect(readdirSync(out).filter((name) => !name.endsWith('.html'))).toEqual(['.lattice-batch.ndjson']);
  });

  test.runIf(isLong)('by a kill leaves nothing behind that the next run does not clear', async () => {
    const out = fresh();
    const child = start(many(), out);
    await until(() => existsSync(out) && pagesIn(out).length > 2, 'the first pages');
    child.kill('SIGKILL');
    await child.ended;
    const waiting = join(out, '.lattice-batch-parts');
    mkdirSync(waiting, { recursive: true });
    const [left] = [`${readdirSync(waiting)[0]?.split('.')[0] ?? 'none'}.${child.pid}.1-x`];
    writeFileSync(join(waiting, left ?? ''), 'half a pa');
    expect(report(slow(), many(), out, '--fragment', '--loads', '256')).toMatchObject({ code: 0 });
    expect(pagesIn(out)).toHaveLength(400);
    expect(readdirSync(out).filter((name) => !name.endsWith('.html'))).toEqual(['.lattice-batch.ndjson']);
  });
});
