import { execFileSync } from 'node:child_process';
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { beforeAll, describe, expect, onTestFinished, test } from 'vitest';
import { isLong } from '../support/runs.js';
import { type Files, installed, Project, patience } from './project.js';
import { programOf } from './runtime.js';

beforeAll(() => void installed(), patience);

const esbuild = (options: string): Files => ({
  'build.js': `import { build } from 'esbuild';
import * as lattice from 'zesty-lattice-tools/bundlers';
const [entry, withPlugin] = process.argv.slice(2);
await build({ entryPoints: [entry], outfile: 'out/main.js', bundle: true, logLevel: 'error', ${options}, plugins: withPlugin ? [lattice.esbuild()] : [] });
`,
});
const vite = (ssr: string): Files => ({
  'build.js': `import { build } from 'vite';
import lattice from 'zesty-lattice-tools/vite';
const [entry, withPlugin] = process.argv.slice(2);
await build({ configFile: false, logLevel: 'error', ssr: ${ssr}, plugins: withPlugin ? [lattice()] : [], build: { ssr: entry, outDir: 'out', rolldownOptions: { output: { entryFileNames: 'main.js' } } } });
`,
});
const rollup = (options: string): Files => ({
  'build.js': `import commonjs from '@rollup/plugin-commonjs';
import { nodeResolve } from '@rollup/plugin-node-resolve';
import { rollup } from 'rollup';
import * as lattice from 'zesty-lattice-tools/bundlers';
const [entry, withPlugin] = process.argv.slice(2);
const made = await rollup({ input: entry, plugins: [nodeResolve(${options}), commonjs(), ...(withPlugin ? [lattice.rollup()] : [])] });
await made.write({ file: 'out/main.js', format: 'es', inlineDynamicImports: true });
`,
});

/** Ways to bundle a server: with what, and where it runs. */
const ways: Readonly<Record<string, { readonly files: Files; readonly in: 'node' | 'web' }>> = {
  'esbuild, Node': { files: esbuild(`platform: 'node', format: 'esm'`), in: 'node' },
  'esbuild, Node, CommonJS': { files: esbuild(`platform: 'node', format: 'cjs'`), in: 'node' },
  'esbuild, neutral': {
    files: esbuild(`platform: 'neutral', format: 'esm', mainFields: ['module', 'main']`),
    in: 'web',
  },
  'esbuild, worker': {
    files: esbuild(`platform: 'browser', format: 'esm', conditions: ['worker', 'module']`),
    in: 'web',
  },
  'esbuild, edge-light': {
    files: esbuild(`platform: 'browser', format: 'esm', conditions: ['edge-light', 'production']`),
    in: 'web',
  },
  'Vite, Node': { files: vite('{ noExternal: true }'), in: 'node' },
  'Vite, web worker': { files: vite(`{ noExternal: true, target: 'webworker' }`), in: 'web' },
  'Rollup, Node': { files: rollup('{ preferBuiltins: true }'), in: 'node' },
  'Rollup, worker': { files: rollup(`{ browser: true, exportConditions: ['worker'] }`), in: 'web' },
};

/** The one that a usual run tries: where a bundler can assume nothing. */

interface Outcome {
  readonly [what: string]: string;
}

/** What a bundle gives in a folder of its own, where no package is. */
function outcome(project: Project, place: 'node' | 'web', isCommon: boolean): Outcome {
  const folder = mkdtempSync(join(tmpdir(), 'lattice-bundle-'));
  onTestFinished(() => rmSync(folder, { recursive: true, force: true }));
  const file = join(folder, isCommon ? 'main.cjs' : 'main.mjs');
  cpSync(join(project.folder, 'out/main.js'), file);
  cpSync(join(project.folder, 'run.mjs'), join(folder, 'run.mjs'));
  const asked = `import(${JSON.stringify(file)}).then(async ({ all, default: made }) => process.stdout.write(JSON.stringify(await (all ?? made.all)())))`;
  return JSON.parse(
    place === 'web'
      ? project.must('node', '--no-warnings', '--experimental-vm-modules', join(folder, 'run.mjs'), file)
      : project.must('node', '-e', asked),
  );
}

describe.runIf(isLong)('a server, bundled', () => {
  test.for(Object.entries(ways))('%s', { timeout: patience }, ([name, { files, in: place }]) => {
    const project = new Project({ 'package.json': '{ "type": "module" }', ...files }, 'server');
    const expected: Outcome = JSON.parse(
      project.must(
        'node',
        '-e',
        `import('./with-file.js').then(async ({ all }) => process.stdout.write(JSON.stringify(await all())))`,
      ),
    );
    expect(Object.values(expected).join('')).toContain('&lt;fruit');
    const { file, ...others } = expected;
    project.must('node', 'build.js', 'page.js', ...(name === 'Vite, web worker' ? ['plugin'] : []));
    expect(outcome(project, place, name.endsWith('CommonJS'))).toEqual(others);
    project.must('node', 'build.js', 'with-file.js', 'plugin');
    expect(outcome(project, place, name.endsWith('CommonJS'))).toEqual(expected);
  });

  test.runIf(isLong).for([
    ['node', 'node', []],
    ['browser', 'web', ['--conditions', 'worker', '--production']],
  ] as const)('bun build, %s', { timeout: patience }, ([target, place, options]) => {
    const project = new Project({ 'package.json': '{ "type": "module" }' }, 'server');
    const built = ['build', 'page.js', '--target', target, '--outfile', 'out/main.js', ...options];
    execFileSync(programOf('Bun'), built, { cwd: project.folder, stdio: 'pipe' });
    const expected = project.must(
      'node',
      '-e',
      `import('./page.js').then(async ({ all }) => process.stdout.write(JSON.stringify(await all())))`,
    );
    expect(outcome(project, place, false)).toEqual(JSON.parse(expected));
  });
});
