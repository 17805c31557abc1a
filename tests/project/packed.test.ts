import { execFileSync, spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { isLong } from '../support/runs.js';

const root = fileURLToPath(new URL('../..', import.meta.url));
const outside = mkdtempSync(join(tmpdir(), 'lattice-packed-'));
let tarball = '';

beforeAll(() => {
  const [packed] = JSON.parse(
    execFileSync('npm', ['pack', '--json', '--pack-destination', outside], { cwd: root, encoding: 'utf8' }),
  );
  tarball = join(outside, packed.filename);
});
afterAll(() => rmSync(outside, { recursive: true, force: true }));

const tool = (name: string, ...args: readonly string[]): { code: number | null; out: string } => {
  const done = spawnSync(join(root, 'node_modules/.bin', name), args, { cwd: root, encoding: 'utf8' });
  return { code: done.status, out: done.stdout + done.stderr };
};

describe('the packed package', () => {
  test.runIf(isLong)('has its types where TypeScript looks for them', () => {
    // It is ESM alone, by intent; from CommonJS it is reached with import().
    const { code, out } = tool('attw', tarball, '--profile', 'esm-only', '--format', 'ascii', '--no-color');
    expect(out.match(/bundler: 🟢/g)?.length).toBeGreaterThan(1);
    expect(code).toBe(0);
  });

  test('has whatever its README leads to', () => {
    const files = new Set(
      execFileSync('tar', ['-tzf', tarball], { encoding: 'utf8' })
        .split('\n')
        .map((one) => one.replace(/^package\//, '')),
    );
    const links = [...readFileSync(join(root, 'README.md'), 'utf8').matchAll(/\]\((?!https?:)([^)#]+)/g)].map(
      ([, path = '']) => path,
    );
    expect(links.length).toBeGreaterThan(30);
    expect(links.filter((path) => !files.has(path))).toEqual([]);
  });

  test('has nothing for publint to find', () => {
    const { code, out } = tool('publint', 'run', tarball, '--strict');
    expect(out).toContain('All good');
    expect(code).toBe(0);
  });

  test('compiles in a project outside, strict and with all libraries checked', () => {
    const project = join(outside, 'project');
    const home = join(project, 'node_modules/zesty-lattice');
    mkdirSync(home, { recursive: true });
    execFileSync('tar', ['-xzf', tarball, '-C', home, '--strip-components=1']);
    const listed = execFileSync('npm', ['ls', '--omit=dev', '--all', '--parseable'], {
      cwd: root,
      encoding: 'utf8',
    });
    for (const path of listed.split('\n')) {
      const name = path.split('/node_modules/').slice(1).join('/node_modules/');
      if (name === '' || name.includes('/node_modules/')) continue;
      const link = join(project, 'node_modules', name);
      mkdirSync(dirname(link), { recursive: true });
      symlinkSync(path, link);
    }
    writeFileSync(join(project, 'package.json'), '{ "type": "module" }');
    writeFileSync(
      join(project, 'page.ts'),
      readFileSync(join(root, 'tests/project/fixtures/page.ts'), 'utf8'),
    );
    for (const [module, resolution] of [
      ['NodeNext', 'NodeNext'],
      ['ESNext', 'Bundler'],
    ] as const) {
      const flags = [
        '--strict',
        '--exactOptionalPropertyTypes',
        '--noUncheckedIndexedAccess',
        '--skipLibCheck',
        'false',
        '--target',
        'ES2022',
        '--lib',
        'ES2023,DOM,DOM.Iterable',
        '--types',
        '',
      ];
      const done = spawnSync(
        join(root, 'node_modules/.bin/tsc'),
        [...flags, '--module', module, '--moduleResolution', resolution, 'page.ts'],
        { cwd: project, encoding: 'utf8' },
      );
      expect(done.stdout).toBe('');
      expect(done.status).toBe(0);
    }
    expect(execFileSync('node', ['page.js'], { cwd: project, encoding: 'utf8' })).toBe(
      '<section><h2>Varieties</h2><ul><li><b>Dunlight</b></li></ul></section>\n',
    );
  });
});
