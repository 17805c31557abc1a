import { execFileSync, spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { Project, patience } from '../projects/project.js';
import { isLong } from '../support/runs.js';

const root = fileURLToPath(new URL('../..', import.meta.url));
const outside = mkdtempSync(join(tmpdir(), 'lattice-packed-'));
const quiet = ['--no-audit', '--no-fund', '--loglevel=error', '--prefer-offline', '--no-save'];

interface Packed {
  readonly name: string;
  readonly filename: string;
}
let tarballs: Readonly<Record<string, string>> = {};

beforeAll(() => {
  const args = ['pack', '--json', '--workspaces', '--pack-destination', outside];
  const packed: readonly Packed[] = JSON.parse(execFileSync('npm', args, { cwd: root, encoding: 'utf8' }));
  tarballs = Object.fromEntries(packed.map(({ name, filename }) => [name, join(outside, filename)]));
});
afterAll(() => rmSync(outside, { recursive: true, force: true }));

const tool = (name: string, ...args: readonly string[]): { code: number | null; out: string } => {
  const done = spawnSync(join(root, 'node_modules/.bin', name), args, { cwd: root, encoding: 'utf8' });
  return { code: done.status, out: done.stdout + done.stderr };
};
const filesOf = (tarball: string): readonly string[] =>
  execFileSync('tar', ['-tzf', tarball], { encoding: 'utf8' })
    .split('\n')
    .map((one) => one.replace(/^package\//, ''));

describe.each(['zesty-lattice', 'zesty-lattice-tools'])('the packed %s', (name) => {
  const tarball = (): string => tarballs[name] ?? '';

  test.runIf(isLong)('has its types where TypeScript looks for them', () => {
    // It is ESM alone, by intent; from CommonJS it is reached with import().
    const { code, out } = tool('attw', tarball(), '--profile', 'esm-only', '--format', 'ascii', '--no-color');
    expect(out.match(/bundler: 🟢/g)?.length).toBeGreaterThan(1);
    expect(code).toBe(0);
  });

  test('has nothing for publint to find', () => {
    const { code, out } = tool('publint', 'run', tarball(), '--strict');
    expect(out).toContain('All good');
    expect(code).toBe(0);
  });

  test('has whatever its README leads to, and no pictures', () => {
    const files = filesOf(tarball());
    const readme = execFileSync('tar', ['-xzOf', tarball(), 'package/README.md'], { encoding: 'utf8' });
    const links = [...readme.matchAll(/\]\((?!https?:)([^)#]+)/g)].map(([, path = '']) => path);
    expect(links.filter((path) => !files.includes(path))).toEqual([]);
    expect(files.filter((file) => /\.(png|jpe?g|gif)$/.test(file))).toEqual([]);
    expect(files.length).toBeGreaterThan(20);
  });
});

/** How many packages are installed in a folder, and their bytes. */
function weightOf(folder: string): { readonly packages: readonly string[]; readonly bytes: number } {
  const modules = join(folder, 'node_modules');
  const files = readdirSync(modules, { recursive: true, encoding: 'utf8' });
  const packages = files.flatMap((file) => {
    const [, name] = /(?:^|.*\/node_modules\/)((?:@[^/]+\/)?[^/@][^/]*)\/package\.json$/.exec(file) ?? [];
    return name === undefined || file.includes('/.') || file.startsWith('.') ? [] : [name];
  });
  const bytes = files.reduce((sum, file) => {
    const found = statSync(join(modules, file));
    return found.isFile() ? sum + found.size : sum;
  }, 0);
  return { packages, bytes };
}

function installed(name: string, ...files: readonly string[]): string {
  const folder = join(outside, name);
  mkdirSync(folder);
  writeFileSync(join(folder, 'package.json'), '{ "type": "module" }');
  execFileSync('npm', ['install', ...quiet, ...files], {
    cwd: folder,
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  return folder;
}

test.runIf(isLong)(
  'the library alone is light, and renders, streams and reads texts',
  () => {
    const folder = installed('alone', tarballs['zesty-lattice'] ?? '');
    const { packages, bytes } = weightOf(folder);
    console.log(`zesty-lattice: ${packages.length} packages, ${(bytes / 1e6).toFixed(1)} MB installed`);
    const { dependencies } = JSON.parse(
      readFileSync(join(folder, 'node_modules/zesty-lattice/package.json'), 'utf8'),
    ) as { readonly dependencies: object };
    expect(Object.keys(dependencies).length).toBeLessThanOrEqual(4);
    // Itself among them.
    expect(packages.length).toBeLessThanOrEqual(10);
    expect(packages.filter((one) => /esbuild|rollup|vite|tsx|chokidar|typescript/.test(one))).toEqual([]);
    const all = readdirSync(join(folder, 'node_modules'), { recursive: true, encoding: 'utf8' });
    expect(all.filter((file) => /\.(node|wasm)$/.test(file))).toEqual([]);
    writeFileSync(
      join(folder, 'page.mjs'),
      `import { component, el, prop, slot, whenLoaded } from 'zesty-lattice';
import { renderHtml, renderPage, streamHtml } from 'zesty-lattice/html';
import { catalog, renderDocument } from 'zesty-lattice/markup';
const Row = component('stall-row', { props: { name: prop.text() }, styles: 'p { margin: 0 }', template: '<p>{{ name }}</p>' });
const List = component('stall-list', { load: async () => ['a', 'b'], template: ({ data }) => whenLoaded(data, { loaded: (all) => el.p(all[0]) }) });
console.log(renderHtml(Row({ name: 'Dunlight' }), { form: 'elements' }));
console.log(renderPage(Row({ name: 'x' }), { title: 'x' }).includes('<p data-in="stall-row">x</p>'));
console.log(renderDocument('<stall-row name="y"></stall-row>', catalog([Row])).html.trim());
console.log(await new Response(streamHtml(List())).text());
`,
    );
    const out = execFileSync('node', ['page.mjs'], { cwd: folder, encoding: 'utf8' });
    expect(out.split('\n').slice(0, 2)).toEqual(['<p data-in="stall-row">Dunlight</p>', 'true']);
    expect(out).toContain('<p data-in="stall-row">y</p>');
    expect(out).toContain('<p>a</p>');
    // What a build wrote for a server needs nothing else, and makes no code.
    const project = new Project({
      'package.json': '{ "type": "module" }',
      'parts.js': `import { component, eachOf, el, prop } from 'zesty-lattice';
export const Stalls = component('stall-list', { props: { all: prop.list(prop.text()) }, template: ({ props }) => el.ul(eachOf(props.all, (one) => el.li(one))) });
`,
      'server.js': `import { renderHtml } from 'zesty-lattice/html';
import { Stalls } from './parts.js';
for (let n = 0; n < 6; n++) renderHtml(Stalls, { all: ['a'] });
console.log(renderHtml(Stalls, { all: ['Gate & barn'] }));
`,
      'vite.config.js': `import lattice from 'zesty-lattice-tools/vite';
export default { plugins: [lattice()], build: { ssr: 'server.js', outDir: 'out', minify: false } };
`,
    });
    project.must('vite', 'build');
    expect(project.read('out/server.js')).toContain('zesty-lattice/internal/html');
    writeFileSync(join(folder, 'server.mjs'), project.read('out/server.js'));
    const flags = ['--disallow-code-generation-from-strings', 'server.mjs'];
    expect(execFileSync('node', flags, { cwd: folder, encoding: 'utf8' })).toBe(
      '<ul><li>Gate &amp; barn</li></ul>\n',
    );
    // The command says where it is.
    const { status, stderr } = spawnSync('npx', ['--no-install', 'lattice', 'check'], {
      cwd: folder,
      encoding: 'utf8',
    });
    expect(stderr).toContain('npm install -D zesty-lattice-tools');
    expect(status).toBe(1);
  },
  patience,
);

test(
  'both together: their weight, the command, and a wrong pair in one sentence',
  () => {
    const folder = installed('both', tarballs['zesty-lattice'] ?? '', tarballs['zesty-lattice-tools'] ?? '');
    const { packages, bytes } = weightOf(folder);
    console.log(
      `with zesty-lattice-tools: ${packages.length} packages, ${(bytes / 1e6).toFixed(1)} MB installed`,
    );
    const run = (): string => {
      const { stdout, stderr } = spawnSync(join(folder, 'node_modules/.bin/lattice'), ['--version'], {
        cwd: folder,
        encoding: 'utf8',
      });
      return stdout + stderr;
    };
    expect(run()).toMatch(/^\d+\.\d+\.\d+\n$/);
    const manifest = join(folder, 'node_modules/zesty-lattice/package.json');
    writeFileSync(
      manifest,
      readFileSync(manifest, 'utf8').replace(/"version": "[^"]+"/, '"version": "0.99.0"'),
    );
    expect(run()).toMatch(/zesty-lattice-tools 0\.1\.0 needs zesty-lattice 0\.1, and found 0\.99\.0\./);
  },
  patience,
);

test.runIf(isLong)('compiles in a project outside, strict and with all libraries checked', () => {
  const project = new Project({
    'package.json': '{ "type": "module" }',
    'page.ts': readFileSync(join(root, 'tests/project/fixtures/page.ts'), 'utf8'),
  });
  const strict = ['--strict', '--exactOptionalPropertyTypes', '--noUncheckedIndexedAccess', '--skipLibCheck'];
  const flags = [...strict, 'false', '--target', 'ES2022', '--lib', 'ES2023,DOM,DOM.Iterable', '--types', ''];
  for (const [module, resolution] of [
    ['NodeNext', 'NodeNext'],
    ['ESNext', 'Bundler'],
  ] as const)
    expect(
      project.must('tsc', ...flags, '--module', module, '--moduleResolution', resolution, 'page.ts'),
    ).toBe('');
  expect(project.must('node', 'page.js')).toBe(
    '<section><h2>Varieties</h2><ul><li><b>Dunlight</b></li></ul></section>\n',
  );
});
