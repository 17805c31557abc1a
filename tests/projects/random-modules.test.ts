import { join } from 'node:path';
import type { Page } from 'playwright-core';
import { beforeAll, describe, expect, test } from 'vitest';
import { isLong, runsOf } from '../support/runs.js';
import { type Files, installed, Project, patience } from './project.js';
import { type RandomModules, randomModules } from './random-modules.js';
import { served, useVisits } from './visit.js';

beforeAll(() => void installed(), patience);

/** One program that builds with each of the bundlers: node build.js esbuild always|page. */
const build = `import { resolve } from 'node:path';
import commonjs from '@rollup/plugin-commonjs';
import { nodeResolve } from '@rollup/plugin-node-resolve';
import * as esbuild from 'esbuild';
import { rollup } from 'rollup';
import * as vite from 'vite';
import webpack from 'webpack';
import * as lattice from 'zesty-lattice-tools/bundlers';
import inVite from 'zesty-lattice-tools/vite';
const [bundler, planned] = process.argv.slice(2);
const options = planned === 'always' ? { planned } : { ahead: false };
const production = { 'process.env.NODE_ENV': '"production"' };
await {
  esbuild: () => esbuild.build({ entryPoints: ['main.js'], outdir: 'out', bundle: true, splitting: true, format: 'esm', target: 'es2022', logLevel: 'error', define: production, plugins: [lattice.esbuild(options)] }),
  async rollup() {
    const made = await rollup({ input: 'main.js', plugins: [nodeResolve({ browser: true, exportConditions: ['production'] }), commonjs(), lattice.rollup(options)], onLog: () => {} });
    await made.write({ dir: 'out', format: 'es' });
  },
  vite: () => vite.build({ configFile: false, logLevel: 'error', plugins: [inVite(options)], build: { outDir: 'out', target: 'es2022', rolldownOptions: { input: 'main.js', output: { entryFileNames: 'main.js', chunkFileNames: '[name]-[hash].js' } } } }),
  webpack: () => new Promise((done, fail) => webpack({ mode: 'production', target: ['web', 'es2022'], entry: resolve('main.js'), experiments: { outputModule: true }, output: { path: resolve('out'), filename: 'main.js', module: true, library: { type: 'module' } }, plugins: [lattice.webpack(options)] }, (error, stats) => (error ?? stats.hasErrors()) ? fail(error ?? new Error(stats.toString({ all: false, errors: true }))) : done())),
}[bundler]();
`;

const filesOf = (all: readonly RandomModules[]): Files => ({
  'package.json': '{ "type": "module", "dependencies": { "zesty-lattice": "*" } }',
  'build.js': build,
  ...Object.assign({}, ...all.map(({ files }) => files)),
  'main.js': all.map(({ tags }) => `import './${tags[0]?.split('-')[0]}/main.js';`).join('\n'),
});

/** What each element shows: at first, and after each of two clicks. */
async function shownIn(page: Page, tags: readonly string[]): Promise<Readonly<Record<string, string>>> {
  return page.evaluate(async (all) => {
    const turn = (): Promise<void> => new Promise((done) => setTimeout(done));
    await Promise.all(all.map((tag) => customElements.whenDefined(tag)));
    const shown: Record<string, string> = {};
    const elements = all.map((tag) => document.createElement(tag));
    document.body.append(...elements);
    await turn();
    const look = (one: HTMLElement): string => one.shadowRoot?.innerHTML.replace(/<!--.*?-->/g, '') ?? '';
    for (let click = 0; click < 3; click++) {
      for (const one of elements) shown[one.localName] = `${shown[one.localName] ?? ''}${look(one)} `;
      for (const one of elements) one.shadowRoot?.querySelector('button')?.click();
      await turn();
    }
    for (const one of elements)
      shown[one.localName] += getComputedStyle(one.shadowRoot?.querySelector('b') as Element).color;
    return shown;
  }, tags);
}

const atOnce = 50;

describe.runIf(isLong)('components over random modules', () => {
  const visit = useVisits();
  const { numRuns, seed } = runsOf('random modules', 2000);
  const all = randomModules(numRuns, seed);
  const batches = Array.from({ length: Math.ceil(all.length / atOnce) }, (_, at) =>
    all.slice(at * atOnce, (at + 1) * atOnce),
  );

  test.for(batches.map((batch, at) => [at, batch] as const))(
    'show what they show planned by the page, batch %i',
    { timeout: 4 * patience },
    async ([, batch]) => {
      const project = new Project(filesOf(batch));
      const tags = batch.flatMap((one) => one.tags);
      const shown = async (bundler: string, planned: string): Promise<Readonly<Record<string, string>>> => {
        project.must('node', 'build.js', bundler, planned);
        project.write({
          'out/index.html':
            '<!doctype html><html lang="en"><title>x</title><link rel="icon" href="data:,"><body><script type="module" src="main.js"></script></body></html>',
        });
        const { page, reported } = await visit(await served(join(project.folder, 'out')));
        const found = await shownIn(page, tags);
        expect(reported).toEqual([]);
        await page.close();
        return found;
      };
      const wanted = await shown('vite', 'page');
      expect(Object.values(wanted).join()).toContain('Crates');
      for (const bundler of ['vite', 'esbuild', 'rollup', 'webpack']) {
        const found = await shown(bundler, 'always');
        for (const tag of tags)
          expect([bundler, tag, found[tag], batch[Number(/p(\d+)/.exec(tag)?.[1]) % atOnce]?.files]).toEqual([
            bundler,
            tag,
            wanted[tag],
            batch[Number(/p(\d+)/.exec(tag)?.[1]) % atOnce]?.files,
          ]);
      }
    },
  );
});
