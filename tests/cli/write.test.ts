import { spawn, spawnSync } from 'node:child_process';
import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { join, relative } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { isLong } from '../support/runs.js';
import { lattice, root } from './lattice.js';

let folder: string;
beforeAll(() => {
  folder = mkdtempSync(join(root, 'out-write-'));
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const files = (path: string): string[] => (existsSync(path) ? readdirSync(path).sort() : []);
const at = (...names: string[]): string => relative(root, join(folder, ...names));

describe('lattice new', () => {
  test.runIf(isLong).each([
    ['tasting-note', [], ['tasting-note.sample.html', 'tasting-note.test.ts', 'tasting-note.ts']],
    [
      'tasting-plan',
      ['--split'],
      [
        'tasting-plan.css',
        'tasting-plan.html',
        'tasting-plan.sample.html',
        'tasting-plan.test.ts',
        'tasting-plan.ts',
      ],
    ],
  ] as [string, string[], string[]][])(
    '%s %j writes a component that renders at once, is right, and passes its test',
    (name, flags, written) => {
      const dir = at(name);
      expect(lattice('new', name, '--dir', dir, ...flags)).toMatchObject({
        code: 0,
        out: expect.stringContaining(`${name}.ts`),
      });
      expect(files(join(root, dir))).toEqual(written);
      const shown = lattice('render', join(dir, `${name}.sample.html`), '--uses', join(dir, `${name}.ts`));
      expect(shown).toMatchObject({ code: 0, err: '' });
      expect(shown.out).toMatch(
        /<section class="part".*<h2.*>Tasting (note|plan)<\/h2>.*<p>What stands between its tags\.<\/p>/s,
      );
      expect(lattice('check', dir).out).toContain('0 errors, 0 warnings');
      writeFileSync(join(root, dir, 'vitest.config.ts'), 'export default {};\n');
      const ran = spawnSync('npx', ['vitest', 'run', '--root', join(root, dir)], {
        cwd: root,
        encoding: 'utf8',
        // As from a terminal: what this test run says of itself would be taken for the other's.
        env: { PATH: process.env.PATH, HOME: process.env.HOME, NO_COLOR: '1' },
      });
      expect(ran.stdout).toContain('1 passed');
    },
  );

  test.each([
    ['Tasting', 'upper-case letters'],
    ['tasting', 'no hyphen'],
    ['font-face', 'reserves it'],
    ['crate-basket', 'examples/open-day/components/crate-basket.ts defines crate-basket already'],
  ])('%s is refused: %s', (name, reason) => {
    const dir = at('refused');
    expect(lattice('new', name, '--dir', dir)).toMatchObject({
      code: 2,
      err: expect.stringContaining(reason),
    });
    expect(files(join(root, dir))).toEqual([]);
  });

  test('never writes over a file, nor beside one half of its own', () => {
    const dir = join(folder, 'taken');
    mkdirSync(dir);
    writeFileSync(join(dir, 'stall-map.html'), 'mine');
    expect(lattice('new', 'stall-map', '--split', '--dir', at('taken'))).toMatchObject({
      code: 2,
      err: expect.stringMatching(/stall-map\.html is there already\. Nothing was written\./),
    });
    expect(files(dir)).toEqual(['stall-map.html']);
    expect(readFileSync(join(dir, 'stall-map.html'), 'utf8')).toBe('mine');
  });
});

describe('lattice adopt', () => {
  const html = `<ul>
  <li class="fruit"><h5>Dunlight</h5><p>Sharp.</p></li>
  <li class="fruit"><h5>Saltbell</h5><p>Sweet.</p></li>
</ul>
`;
  const from = (name: string, text: string): string => {
    writeFileSync(join(folder, name), text);
    return at(name);
  };

  test.each(['text', 'builders'])(
    'writes the component as %s, asserts that the original comes back, and renders it',
    (as) => {
      const dir = at(`adopted-${as}`);
      const done = lattice(
        'adopt',
        from('list.html', html),
        '-n',
        'fruit-line',
        '-b',
        '.fruit',
        '-s',
        'h5=title',
        '--as',
        as,
        '-d',
        dir,
      );
      expect(done).toMatchObject({ code: 0, err: '' });
      expect(done.out).toContain('fruit-line, from 2 blocks: props text');
      expect(done.out).toContain('byte for byte');
      const again = lattice(
        'render',
        join(dir, 'fruit-line.sample.html'),
        '--uses',
        join(dir, 'fruit-line.ts'),
      );
      expect(again).toMatchObject({ code: 0, out: html });
    },
  );

  test('says where the spelling is another, and what was left out', () => {
    const single = lattice(
      'adopt',
      from('single.html', "<p class='a'>x<br/></p>\n"),
      '-n',
      'single-line',
      '-d',
      at('single'),
    );
    expect(single.out).toMatch(
      /in another spelling, from line 1: .*class='a'.* came back as .*class=\\"a\\"/,
    );
    const handler = lattice(
      'adopt',
      from('on.html', '<button onclick="go()">x</button>\n'),
      '-n',
      'on-line',
      '-d',
      at('on'),
    );
    expect(handler.out).toContain('onclick of <button> was left out');
    expect(handler.out).not.toContain('byte for byte');
  });

  test('tells blocks of two shapes with their place, and writes nothing', () => {
    const done = lattice(
      'adopt',
      from('two.html', '<p>a</p>\n<p>b<i>c</i></p>\n'),
      '-n',
      'two-lines',
      '-d',
      at('two'),
    );
    expect(done).toMatchObject({ code: 1, out: '' });
    expect(done.err).toMatch(/adopt-failed.*\n.*two\.html:2:5/);
    expect(files(join(folder, 'two'))).toEqual([]);
    expect(lattice('adopt', 'no/such.html', '-n', 'a-b')).toMatchObject({ code: 2 });
    expect(lattice('adopt', from('list.html', html))).toMatchObject({
      code: 2,
      err: expect.stringContaining('--name'),
    });
  });
});

describe('a site is moved over', () => {
  const page = (title: string, cards: readonly string[]): string =>
    `\uFEFF<!doctype html>\r\n<html lang="en"><head><!-- by hand --><title>${title}</title></head><body>\r\n<h1>${title}</h1>\r\n${cards
      .map(
        (card) =>
          `<div class="card" style="color: ${card}">\r\n<p id="${card}">${card} x</p><a href="#${card}">go</a></div>`,
      )
      .join('\r\n')}\r\n</body></html>\r\n`;

  test('blocks of further pages become the component’s tag, and all pages are rendered in one start', () => {
    const home = join(folder, 'site');
    mkdirSync(join(home, 'pages/more'), { recursive: true });
    const texts = {
      'index.html': page('Stalls', ['teal', 'olive']),
      'pages/fair.html': page('Fair', ['navy']),
      'pages/more/late.html': page('Late', ['teal', 'gray', 'black']),
    };
    for (const [name, text] of Object.entries(texts)) writeFileSync(join(home, name), text);
    const adopted = lattice(
      ...['adopt', join(home, 'index.html'), '-n', 'stall-card', '-b', '.card', '-d', join(home, 'parts')],
      ...['--also', join(home, 'pages/**/*.html')],
    );
    expect(adopted.err).toBe('');
    expect(adopted.out).toMatch(
      /from 6 blocks: props color, id, text[\s\S]*fair\.html {2}1 block replaced[\s\S]*late\.html {2}3 blocks replaced/,
    );
    const late = readFileSync(join(home, 'pages/more/late.html'), 'utf8');
    expect(late).toContain('\r\n<stall-card color="gray" id="gray" text="gray x"></stall-card>\r\n');
    expect(late.startsWith('\uFEFF<!doctype html>\r\n')).toBe(true);
    expect(readFileSync(join(home, 'parts/stall-card.ts'), 'utf8')).toMatch(/\r\n$/);
    expect(lattice('check', home)).toMatchObject({
      code: 0,
      out: expect.stringContaining('0 errors, 0 warnings'),
    });

    const out = join(home, 'dist');
    const uses = ['--uses', join(home, 'parts/stall-card.ts')];
    const rendered = lattice('render', join(home, 'pages/**/*.html'), '--out', out, ...uses);
    expect(rendered).toMatchObject({ code: 0, err: expect.stringMatching(/2 pages in .*dist, /) });
    for (const name of ['fair.html', 'more/late.html'])
      expect(readFileSync(join(out, name), 'utf8').replaceAll('\r\n', '\n')).toBe(
        texts[`pages/${name}` as keyof typeof texts].replaceAll('\r\n', '\n'),
      );
    const files = [join(home, 'pages/fair.html'), join(home, 'pages/more/late.html')];
    expect(lattice('render', ...files)).toMatchObject({
      code: 2,
      err: expect.stringContaining('--out <folder>'),
    });
    expect(lattice('render', ...files, '--out', join(home, 'pages/'))).toMatchObject({
      code: 2,
      err: expect.stringContaining('would be written over'),
    });
    expect(lattice('render', ...files, join(home, 'parts/stall-card.ts'), '--out', out)).toMatchObject({
      code: 2,
      err: expect.stringContaining('is no document'),
    });
  });

  test('pages whose blocks have another shape are left as they are', () => {
    const home = join(folder, 'other-shape');
    mkdirSync(home);
    const other = page('Fair', ['navy']).replace('<a href="#navy">go</a>', '<b>no link</b>');
    writeFileSync(join(home, 'a.html'), page('Stalls', ['teal', 'olive']));
    writeFileSync(join(home, 'b.html'), other);
    const done = lattice(
      'adopt',
      join(home, 'a.html'),
      '-n',
      'x-card',
      '-b',
      '.card',
      '-d',
      home,
      '--also',
      join(home, 'b.html'),
    );
    expect(done.code).toBe(1);
    expect(readFileSync(join(home, 'b.html'), 'utf8')).toBe(other);
  });
});

describe('lattice render of a document', () => {
  test('renders its components, tells what is wrong on standard error, and leaves that as it was', () => {
    const page = join(folder, 'page.html');
    writeFileSync(
      page,
      '<!doctype html>\n<html lang=en><title>x</title><body class=x>\n<price-tag cents="250"></price-tag>\n<pric-tag></pric-tag>\n',
    );
    const done = lattice('render', page, '--uses', 'examples/orchard/components/price-tag.ts');
    expect(done.code).toBe(1);
    expect(done.out).toMatch(
      /^<!doctype html>\n<html lang=en><title>x<\/title><body class=x>\n<style>.*<\/style><data value="2\.50".*\n<pric-tag><\/pric-tag>\n$/s,
    );
    expect(done.err).toMatch(/component-unknown.*\n.*page\.html:4:1[\s\S]*Did you mean <price-tag>\?/);
    expect(
      lattice('render', page, '--uses', 'examples/orchard/components/price-tag.ts', '--foreign', 'pric-tag'),
    ).toMatchObject({ code: 0, err: '' });
  });
});

test('lattice check --watch checks again when a file changes', async () => {
  const dir = join(folder, 'watched');
  mkdirSync(dir);
  writeFileSync(join(dir, 'part.html'), '<p>fine</p>\n');
  const child = spawn('node', ['packages/tools/dist/node/cli.js', 'check', dir, '--watch'], { cwd: root });
  let out = '';
  child.stdout.on('data', (data) => {
    out += data;
  });
  child.stderr.on('data', (data) => {
    out += data;
  });
  const says = async (words: string): Promise<void> => {
    const end = Date.now() + 100_000;
    while (!out.includes(words) && Date.now() < end) await new Promise((turn) => setTimeout(turn, 50));
    expect(out).toContain(words);
  };
  await says('0 errors');
  await says('Waiting for changes');
  out = '';
  writeFileSync(join(dir, 'part.html'), '<p>broken <b></p>\n');
  await says('tag-unclosed');
  child.kill('SIGINT');
  const code = await new Promise((end) => child.on('exit', end));
  expect(code).toBe(0);
});
