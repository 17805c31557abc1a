import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { describe, expect, onTestFinished, test } from 'vitest';
import { lattice, latticeProcess, root } from './lattice.js';

const parts = 'tests/cli/fixtures/two-parts.ts';
const folder = mkdtempSync(join(tmpdir(), 'lattice-'));

/** Line and column, from 1, of a text in the broken page. */
function placeOf(text: string): string {
  const lines = readFileSync('tests/cli/fixtures/broken-page.ts', 'utf8').split('\n');
  const line = lines.findIndex((one) => one.includes(text));
  return `${line + 1}:${(lines[line] ?? '').indexOf(text) + 1}`;
}

describe('lattice render', () => {
  test('writes a component’s HTML to standard output, with its styles before it', () => {
    const { code, out, err } = latticeProcess('render', parts, '--component', 'first-part');
    expect({ code, err }).toEqual({ code: 0, err: '' });
    expect(out).toBe(
      '<style>b:where([data-in~="first-part"]){color:teal}</style><b data-in="first-part">Dunlight</b>\n',
    );
  });

  test('prints the code that the text is written with, where asked for', () => {
    const { code, out, err } = lattice('render', parts, '--component', 'second-part', '--show-code');
    expect({ code, err }).toEqual({ code: 0, err: '' });
    expect(out).toMatch(
      /^const \{ .* \} = lattice;\n[\s\S]*return function secondPart_\(frame, out, name0\) \{\n[\s\S]*\};\n$/,
    );
  });

  test('takes props from JSON, a component by its export name, and writes a page to a file', () => {
    const [props, out] = [join(folder, 'props.json'), join(folder, 'deep/page.html')];
    writeFileSync(props, '{ "name": "Salt & bell" }');
    const done = lattice(
      'render',
      parts,
      '-c',
      'SecondPart',
      '-p',
      props,
      '--page',
      '--title',
      'A <page>',
      '--lang',
      'de',
      '-o',
      out,
    );
    expect(done).toEqual({ code: 0, out: '', err: '' });
    const html = readFileSync(out, 'utf8');
    expect(html).toMatch(/^<!doctype html>\n<html lang="de">/);
    expect(html).toContain('<title>A &lt;page&gt;</title>');
    expect(html).toContain('<i>second</i><b data-in="first-part">Salt &amp; bell</b>');
  });

  test('prints every problem with its path, hint and source line, writes nothing, and ends with 1', () => {
    const out = join(folder, 'never.html');
    const { code, err } = latticeProcess('render', 'tests/cli/fixtures/broken-page.ts', '--out', out);
    expect(code).toBe(1);
    expect(existsSync(out)).toBe(false);
    expect(err).toContain('error prop-unknown  stall-sign received "nmae"');
    expect(err).toContain('Did you mean "name"?');
    expect(err).toContain('in broken-page › stall-sign[1]');
    for (const mistake of ["loose({ nmae: 'Gate barn' })", "div('never')"]) {
      expect(err).toContain(`at tests/cli/fixtures/broken-page.ts:${placeOf(mistake)}`);
    }
    expect(err).toContain(
      'error prop-invalid  The prop "name" of stall-sign expects text, but received the number 7.',
    );
    expect(err).toContain('5 errors, 0 warnings');
    expect(err).not.toContain('\u001B[');
  });

  test.each([
    [['render'], "missing required argument 'files'"],
    [['render', 'no/such.ts'], 'There is no file no/such.ts.'],
    [['render', parts], 'exports 2 components: first-part, second-part. Say which with --component'],
    [['render', parts, '-c', 'frist-part'], 'Did you mean "first-part"?'],
    [['render', parts, '-c', 'first-part', '--props', parts], 'is no JSON'],
    [['render', parts, '--oops'], "unknown option '--oops'"],
    [['rendr'], "unknown command 'rendr'"],
    [['render', 'package.json', '-c', 'x'], 'exports no component'],
  ])('used wrongly, as in %j, says how it is meant and ends with 2', (args, words) => {
    const { code, err, out } = lattice(...args);
    expect(code).toBe(2);
    expect(err).toContain(words);
    expect(out).toBe('');
  });

  test.each([['--help'], ['render', '--help'], ['tree', '--help'], ['--version'], ['render', '--version']])(
    'answers %s %s',
    (...args) => {
      const { code, out, err } = lattice(...args.filter((arg) => arg !== undefined));
      expect({ code, err }).toEqual({ code: 0, err: '' });
      expect(out).toMatch(args.includes('--help') ? /Usage: lattice/ : /^\d+\.\d+\.\d+/);
    },
  );
});

describe('lattice tree', () => {
  const page = ['tree', 'examples/orchard/fair-page.ts', '--props', 'examples/orchard/open-day.json'];

  test('shows components, props with where they come from, and slots, within 100 columns', () => {
    const { code, out } = lattice(...page);
    expect(code).toBe(0);
    expect(Math.max(...out.split('\n').map((line) => line.length))).toBeLessThanOrEqual(100);
    expect(out).toContain('variety-card  for each of props.items (30)');
    expect(out).toMatch(/title +← variety\.name/);
    expect(out).toMatch(/label +"On this page" {2}fallback/);
    expect(out).toContain('slot actions  empty');
    expect(out).not.toContain('\u001B[');
  });

  test('gives the same tree as JSON', () => {
    const tree = JSON.parse(lattice(...page, '--json').out);
    expect(tree).toMatchObject({ version: 1, root: { component: 'fair-page' }, problems: [] });
    expect(tree.root.uses[0].component).toBe('page-shell');
    expect(tree.styles.map((one: { component: string }) => one.component)).toContain('variety-card');
  });

  test('without props leaves them open, and a broken tree ends with 1', () => {
    expect(lattice('tree', parts, '-c', 'second-part').out).toMatch(/name {2}open, accepts text/);
    const broken = lattice('tree', 'tests/cli/fixtures/broken-page.ts');
    expect(broken.code).toBe(1);
    expect(broken.out).toContain('stall-sign');
    expect(broken.err).toContain('5 errors');
  });
});

test('a module that imports a package which is not installed is reported in a line', () => {
  const folder = mkdtempSync(join(tmpdir(), 'lattice-alone-'));
  onTestFinished(() => rmSync(folder, { recursive: true }));
  writeFileSync(join(folder, 'note.ts'), "import { note } from 'grove-parts';\nexport const Note = note;\n");
  for (const args of [['render'], ['tree']]) {
    const { code, err } = latticeProcess(...args, join(folder, 'note.ts'));
    expect(err).toMatch(
      /^lattice: .*note\.ts imports the package grove-parts, which is not installed there\. npm install grove-parts\n$/,
    );
    expect(code).toBe(2);
  }
});

describe('lattice render', () => {
  const tag = 'examples/orchard/components/price-tag.ts';

  test('takes props as they are typed, and says how where a needed one is missing', () => {
    const { code, out } = lattice('render', tag, '--props', '{ "cents": 250 }');
    expect(code).toBe(0);
    expect(out).toContain('€ 2.50');
    const missing = lattice('render', tag);
    expect(missing.code).toBe(1);
    expect(missing.err).toContain(`lattice render ${tag} --props '{ "cents": … }'`);
    const wrong = lattice('render', tag, '--props', '{ cents: 250 }');
    expect(wrong).toMatchObject({
      code: 2,
      err: expect.stringContaining('What --props was given is no JSON'),
    });
  });

  test('says what does nothing as plain HTML, and keeps the elements where asked to', () => {
    const counter = 'examples/open-day/components/crate-counter.ts';
    const plain = lattice('render', counter, '--props', '{ "label": "Dunlight" }');
    expect(plain.err).toBe(
      '<crate-counter> is live: as plain HTML nothing happens in it. --form elements keeps the elements, for a page that registers them.\n',
    );
    expect(plain.out).not.toContain('<crate-counter');
    const kept = lattice('render', counter, '--props', '{ "label": "Dunlight" }', '--form', 'elements');
    expect(kept).toMatchObject({ code: 0, err: '' });
    expect(kept.out).toContain('<crate-counter label="Dunlight"><template shadowrootmode="open">');
    const linked = lattice(
      'render',
      counter,
      '--props',
      '{ "label": "D" }',
      '--form',
      'elements',
      '--sheets',
      '/a.css',
    );
    expect(linked.out).toContain('shadowrootmode="open"><link rel="stylesheet" href="/a.css" data-sheet>');
    expect(lattice('render', counter, '--props', '{ "label": "D" }', '--sheets', '/a.css')).toMatchObject({
      code: 2,
      err: expect.stringContaining('--sheets is for shadow roots'),
    });
    expect(lattice('render', tag, '--props', '{ "cents": 250 }').err).toBe('');
  });

  test('reads a module that registers its elements, as check does', () => {
    const path = join(mkdtempSync(join(root, 'tests/cli/shots-')), 'own.ts');
    writeFileSync(
      path,
      "import { component, el } from 'zesty-lattice';\nimport { register } from 'zesty-lattice/elements';\nexport const OwnSign = component('own-sign', { template: () => el.p('x') });\nregister(OwnSign);\n",
    );
    expect(lattice('render', path)).toMatchObject({ code: 0, out: '<p>x</p>\n' });
    expect(lattice('check', path).code).toBe(0);
    rmSync(dirname(path), { recursive: true });
  });

  test('keeps the elements of a document, too, and says what does nothing', () => {
    const page = ['examples/start/index.html', '--uses', 'examples/start/src/components.ts'];
    const plain = lattice('render', ...page);
    expect(plain.out).not.toContain('<crate-taker');
    expect(plain.err).toContain('<crate-taker> is live: as plain HTML nothing happens in it.');
    const kept = lattice('render', ...page, '--form', 'elements', '--sheets', '/a.css');
    expect(
      kept.out.match(/<crate-taker [^>]*><template shadowrootmode="open"><link [^>]*data-sheet>/g),
    ).toHaveLength(3);
    expect(kept.err).toBe('');
  });

  test.each([
    ['--props', ['examples/start/index.html', '--props', '{}'], 'is for a component'],
    ['--css', ['examples/start/index.html', '--css', 'examples/start/src/page.css'], 'is for a component'],
    ['--uses', ['examples/start/src/stall-page.ts', '--uses', 'x.ts'], 'is for a document'],
  ])('says that %s says nothing there', (option, args, words) => {
    const { code, err } = lattice('render', ...args);
    expect(err).toContain(`${option} ${words}`);
    expect(code).toBe(2);
  });

  test('finds in a document what is wrong with the page as a whole, as check does', () => {
    const path = join(mkdtempSync(join(root, 'tests/cli/shots-')), 'page.html');
    writeFileSync(
      path,
      '<!doctype html><html lang="en"><head><title>Twice</title></head><body><h1 id="top">One</h1><p id="top">two</p><price-tag cents="250"></price-tag></body></html>',
    );
    const { code, err, out } = lattice('render', path, '--uses', tag);
    expect(out).toContain('€ 2.50');
    expect(err).toContain('id-doubled');
    expect(code).toBe(1);
    rmSync(dirname(path), { recursive: true });
  });
});
