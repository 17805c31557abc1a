import { execFileSync, spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import { Ajv } from 'ajv';
import { type Browser, chromium } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { browserOptions } from '../../scripts/browser.mjs';
import { lattice, root } from '../cli/lattice.js';

const folder = mkdtempSync(join(root, 'tests/pack/out-'));
const file = (name: string): string => join(folder, name);
let browser: Browser;
let printed = '';
beforeAll(async () => {
  browser = await chromium.launch(browserOptions);
  writeFileSync(
    file('three.ts'),
    "export { CrateCounter, NotePanel, WeightField } from '../../../examples/open-day/components/index.js';\n",
  );
  const { code, err, out } = lattice(
    'pack',
    file('three.ts'),
    '--out',
    file('orchard.js'),
    '--picture',
    file('sizes.svg'),
  );
  expect(err).toBe('');
  expect(code).toBe(0);
  printed = out;
}, 60_000);
afterAll(async () => {
  await browser.close();
  rmSync(folder, { recursive: true });
});

/** What a plain page says that loads a module. */
async function loaded(name: string, html: string): Promise<{ text: string; reported: string[] }> {
  const page = await browser.newPage();
  const reported: string[] = [];
  page.on('console', (message) => reported.push(`${message.type()}: ${message.text()}`));
  page.on('pageerror', ({ message }) => reported.push(message));
  await page.setContent(`<!doctype html><title>Plain</title><body>${html}</body>`);
  await page.addScriptTag({ content: readFileSync(file(name), 'utf8'), type: 'module' });
  await page.waitForFunction("customElements.get('crate-counter')");
  await page.locator('crate-counter button').last().click();
  const text = await page.locator('crate-counter output').innerText();
  await page.close();
  return { text, reported };
}

const counter = '<crate-counter label="Dunlight" start="2"></crate-counter>';

describe('lattice pack', () => {
  test('makes one module that makes the elements of a plain page interactive', async () => {
    expect(await loaded('orchard.js', counter)).toEqual({ text: '3', reported: [] });
    expect(readFileSync(file('orchard.js'), 'utf8')).not.toMatch(/^import |development build/m);
  });

  test('says what each component weighs, what they share, and all of it, and draws it', () => {
    const sizes = new Map(
      printed
        .split('\n')
        .slice(1, -1)
        .map((line) => {
          const [, name = '', numbers = ''] = /^(\S.*?)\s{2,}([\d,\s]+?)\s+█+$/.exec(line) ?? [];
          return [
            name,
            numbers
              .trim()
              .split(/\s+/)
              .map((one) => Number(one.replaceAll(',', ''))),
          ] as const;
        }),
    );
    expect([...sizes.keys()]).toEqual([
      'crate-counter',
      'note-panel',
      'weight-field',
      'what they share',
      'orchard.js',
    ]);
    const all = sizes.get('orchard.js') ?? [];
    expect(all[1]).toBe(readFileSync(file('orchard.js')).length);
    for (const [plain = 0, minified = 0, gzip = 0, brotli = 0] of sizes.values()) {
      expect(plain).toBeGreaterThan(minified);
      expect(minified).toBeGreaterThan(gzip);
      expect(gzip).toBeGreaterThan(brotli);
    }
    const alone = [...sizes].slice(0, 3).reduce((sum, [, [, , gzip = 0]]) => sum + gzip, 0);
    expect(alone - 2 * (sizes.get('what they share')?.[2] ?? 0)).toBeCloseTo(all[2] ?? 0, -1);
    const svg = readFileSync(file('sizes.svg'), 'utf8');
    expect(svg).toMatch(/^<svg xmlns="http:\/\/www\.w3\.org\/2000\/svg"/);
    expect(svg).toContain('weight-field');
  });

  test('writes types and a manifest beside it', () => {
    const schema = JSON.parse(
      readFileSync(createRequire(import.meta.url).resolve('custom-elements-manifest/schema.json'), 'utf8'),
    );
    const validate = new Ajv({ strict: false }).compile(schema);
    expect(
      validate(JSON.parse(readFileSync(file('orchard.custom-elements.json'), 'utf8'))),
      JSON.stringify(validate.errors),
    ).toBe(true);
    writeFileSync(
      file('use.ts'),
      "import './orchard.js';\nconst counter = document.querySelector('crate-counter');\nif (counter) {\n  counter.start = 2;\n  counter.addEventListener('changed', ({ detail }) => console.log(detail));\n}\n",
    );
    writeFileSync(
      file('tsconfig.json'),
      JSON.stringify({
        extends: '../../../tsconfig.json',
        include: ['use.ts'],
        compilerOptions: { paths: {}, rootDir: '.' },
      }),
    );
    expect(
      execFileSync('npx', ['tsc', '--noEmit', '-p', folder], { cwd: root, encoding: 'utf8', stdio: 'pipe' }),
    ).toBe('');
  }, 60_000);

  test('fails where more is to be loaded than is allowed', () => {
    const small = ['pack', 'examples/open-day/components/crate-counter.ts', '--out', file('counter.js')];
    expect(lattice(...small, '--limit', '6kB')).toMatchObject({ code: 0, err: '' });
    const { code, err } = lattice(...small, '--limit', '3kB');
    expect(code).toBe(1);
    expect(err).toMatch(/counter\.js is \d+ bytes \(gzip\), and 3000 are the limit: \d+ too many\./);
  });

  test('marks a development build, which says so once on the page', async () => {
    const { out } = lattice(
      'pack',
      'examples/open-day/components/crate-counter.ts',
      '--out',
      file('dev.js'),
      '--dev',
    );
    expect(out).toContain('dev.js (development build)');
    const { text, reported } = await loaded(
      'dev.js',
      '<crate-counter label="Dunlight" start="x"></crate-counter>',
    );
    expect(text).toBe('1');
    expect(reported.filter((one) => one.includes('a development build'))).toHaveLength(1);
    expect(reported.join()).toContain('prop-invalid');
  });

  test('takes a module that registers its elements itself, and tells what is wrong in components', async () => {
    writeFileSync(
      file('own.ts'),
      "import { register } from 'zesty-lattice/elements';\nimport { CrateCounter } from '../../../examples/open-day/components/crate-counter.js';\nregister(CrateCounter);\n",
    );
    expect(lattice('pack', file('own.ts'), '--out', file('own.js')).code).toBe(0);
    expect((await loaded('own.js', counter)).text).toBe('3');
    writeFileSync(
      file('wrong.ts'),
      "import { component, el } from 'zesty-lattice';\nexport const CrateSign = component('crate-sign', { template: () => el.p(el.div('x')) });\n",
    );
    const { code, err } = lattice('pack', file('wrong.ts'), '--out', file('wrong.js'));
    expect(code).toBe(1);
    expect(err).toContain('content-not-allowed');
    expect(err).not.toMatch(/^ +at .*rolldown/m);
    expect(lattice('pack', file('none.ts'))).toMatchObject({
      code: 2,
      err: expect.stringMatching(/There is no file/),
    });
    expect(lattice('pack', 'examples/orchard/types.ts')).toMatchObject({
      code: 2,
      err: expect.stringMatching(/exports no component/),
    });
  });
});

describe('several modules', () => {
  const parts = '../../../examples/open-day/components/index.js';
  beforeAll(() => {
    // As in a project that does not say "type": "module".
    writeFileSync(file('package.json'), '{}');
    writeFileSync(file('counting.ts'), `export { CrateCounter } from '${parts}';\n`);
    writeFileSync(file('noting.ts'), `export { NotePanel } from '${parts}';\n`);
  });

  test('share one runtime, which a page loads once', async () => {
    // Vite asks the package of the working folder.
    const command = [join(root, 'packages/tools/dist/node/cli.js'), 'pack', 'counting.ts', 'noting.ts'];
    const done = spawnSync('node', [...command, '--out', 'many'], { cwd: folder, encoding: 'utf8' });
    const { status: code, stderr: err, stdout: out } = done;
    expect({ code, err }).toEqual({ code: 0, err: '' });
    const names = readdirSync(file('many')).sort();
    const modules = names.filter((name) => name.endsWith('.js'));
    expect(modules).toEqual(expect.arrayContaining(['counting.js', 'noting.js']));
    expect(modules).toHaveLength(3);
    // Nothing of another ending, which some servers do not know.
    expect(names.filter((name) => /\.[cm]js$/.test(name))).toEqual([]);
    expect(names).toEqual(expect.arrayContaining(['counting.d.ts', 'noting.custom-elements.json']));
    for (const name of [...modules, 'all of it']) expect(out).toContain(name);
    const size = (name: string): number => readFileSync(join(file('many'), name)).length;
    const [shared = ''] = modules.filter((name) => !/^(?:counting|noting)/.test(name));
    expect(size('counting.js')).toBeLessThan(size(shared));
    // As from a server: the two modules, and the third that they import.
    const page = await browser.newPage();
    await page.route('http://plain.test/**', (route) => {
      const path = new URL(route.request().url()).pathname.slice(1);
      return path === ''
        ? route.fulfill({
            contentType: 'text/html',
            body: `<!doctype html>${counter}<note-panel title="Fog"></note-panel><script type="module" src="counting.js"></script><script type="module" src="noting.js"></script>`,
          })
        : route.fulfill({ contentType: 'text/javascript', body: readFileSync(join(file('many'), path)) });
    });
    await page.goto('http://plain.test/');
    await page.waitForFunction("customElements.get('crate-counter') && customElements.get('note-panel')");
    await page.locator('crate-counter button').last().click();
    expect(await page.locator('crate-counter output').innerText()).toBe('3');
    await page.close();
  });

  test('with source maps that lead to what was written', () => {
    for (const [more, source] of [
      // Components that are compiled ahead stand in the module that registers them, as the code that they became.
      [[], 'counting.ts.pack.js'],
      [['--dev'], 'crate-counter.ts'],
    ] as const) {
      const done = lattice('pack', file('counting.ts'), '--out', file('mapped.js'), '--sourcemap', ...more);
      expect({ code: done.code, err: done.err }).toEqual({ code: 0, err: '' });
      expect(readFileSync(file('mapped.js'), 'utf8')).toMatch(/\/\/# sourceMappingURL=mapped\.js\.map\n$/);
      const map = JSON.parse(readFileSync(file('mapped.js.map'), 'utf8'));
      expect(map.version).toBe(3);
      expect(map.sources.map((one: string) => one.split('/').at(-1))).toContain(source);
      expect(map.mappings.length).toBeGreaterThan(1000);
    }
  });

  test('without packages that the page brings itself', () => {
    writeFileSync(
      file('outside.ts'),
      `import { join } from 'grove-words/join.js';
import { component, prop } from 'zesty-lattice';
export const Said = component('said-note', {
  props: { word: prop.text() },
  state: () => ({ n: 0 }),
  handlers: { say: () => ({ n: join('a', 'b').length }) },
  template: \`<button type="button" handles="click: say">{{ word }} {{ n }}</button>\`,
});
`,
    );
    mkdirSync(file('node_modules/grove-words'), { recursive: true });
    writeFileSync(file('node_modules/grove-words/package.json'), '{ "type": "module" }');
    writeFileSync(
      file('node_modules/grove-words/join.js'),
      'export const join = (...words) => `grove ${words}`;\n',
    );
    const { code, err } = lattice(
      'pack',
      file('outside.ts'),
      '--out',
      file('outside.js'),
      '--external',
      'grove-words',
    );
    expect({ code, err }).toEqual({ code: 0, err: '' });
    const made = readFileSync(file('outside.js'), 'utf8');
    expect(made).toContain('from"grove-words/join.js"');
    expect(made).not.toContain('grove ${');
  });

  test('called wrongly, say how it is meant', () => {
    const two = [file('counting.ts'), file('noting.ts')];
    expect(lattice('pack', ...two, '--out', file('x.js'))).toMatchObject({
      code: 2,
      err: expect.stringContaining('--out <folder>'),
    });
    expect(lattice('pack', ...two, '--picture', file('x.svg'))).toMatchObject({ code: 2 });
    expect(lattice('pack', ...two, '--out', file('many'), '--limit', '1kB').code).toBe(1);
  });
});
