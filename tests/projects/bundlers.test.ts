import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { originalPositionFor, TraceMap } from '@jridgewell/trace-mapping';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { isLong } from '../support/runs.js';
import { type Files, installed, Project, patience } from './project.js';
import { served, useVisits } from './visit.js';

beforeAll(() => void installed(), patience);

const counter = `import { component, el, event, prop } from 'zesty-lattice';
import { markupFile } from 'zesty-lattice/markup';
export const CrateCounter = component('crate-counter', {
  props: { label: prop.text(), start: prop.number().fallback(0) },
  state: ({ start }) => ({ count: start }),
  events: { changed: event() },
  handlers: {
    add: ({ state, dispatch }, step) => {
      dispatch('changed', { count: state.count + step });
      return { count: state.count + step };
    },
  },
  template: ({ props, state, handlers }) =>
    el.button({ type: 'button', on: { click: handlers.add(1) } }, props.label, ': ', state.count),
});
export const StallSign = component('stall-sign', {
  props: { name: prop.text() },
  styles: markupFile(import.meta.url, './sign.css'),
  template: markupFile(import.meta.url, './sign.html'),
});
`;
const files: Files = {
  'package.json': '{ "type": "module", "dependencies": { "zesty-lattice": "*" } }',
  'counter.js': counter,
  'sign.html': '<b>Stall {{ name }}</b>\n',
  'sign.css': 'b { color: rgb(1, 2, 3) }\n',
  'main.js': `import { register } from 'zesty-lattice/elements';
import { CrateCounter, StallSign } from './counter.js';
register(CrateCounter, StallSign);
`,
  // The counter alone, for its size.
  'counter-main.js': `import { register } from 'zesty-lattice/elements';
import { CrateCounter } from './counter.js';
register(CrateCounter);
`,
};

const configs: Readonly<Record<string, Files>> = {
  esbuild: {
    'build.js': `import { build } from 'esbuild';
import * as lattice from 'zesty-lattice-tools/bundlers';
const [entry, ahead] = process.argv.slice(2);
await build({ entryPoints: [entry], outfile: 'out/main.js', bundle: true, minify: true, format: 'esm', target: 'es2022', conditions: ['production'], define: { 'process.env.NODE_ENV': '"production"' }, plugins: [lattice.esbuild({ ahead: ahead !== 'none' })] });
`,
  },
  rollup: {
    'build.js': `import commonjs from '@rollup/plugin-commonjs';
import { nodeResolve } from '@rollup/plugin-node-resolve';
import terser from '@rollup/plugin-terser';
import { rollup } from 'rollup';
import * as lattice from 'zesty-lattice-tools/bundlers';
const [entry, ahead] = process.argv.slice(2);
const made = await rollup({ input: entry, plugins: [nodeResolve({ browser: true, exportConditions: ['production'] }), commonjs(), lattice.rollup({ ahead: ahead !== 'none' })] });
await made.write({ file: 'out/main.js', format: 'es', plugins: [terser({ module: true, ecma: 2022 })] });
`,
  },
  webpack: {
    'build.js': `import { resolve } from 'node:path';
import webpack from 'webpack';
import * as lattice from 'zesty-lattice-tools/bundlers';
const [entry, ahead] = process.argv.slice(2);
webpack({ mode: 'production', target: ['web', 'es2022'], entry: resolve(entry), experiments: { outputModule: true }, output: { path: resolve('out'), filename: 'main.js', module: true, library: { type: 'module' } }, plugins: [lattice.webpack({ ahead: ahead !== 'none' })] }, (error, stats) => {
  if (error) throw error;
  if (stats.hasErrors()) { console.error(stats.toString({ all: false, errors: true })); process.exit(1); }
});
`,
  },
  vite: {
    'build.js': `import { build } from 'vite';
import lattice from 'zesty-lattice-tools/vite';
const [entry, ahead] = process.argv.slice(2);
await build({ configFile: false, logLevel: 'warn', plugins: [lattice({ ahead: ahead !== 'none' })], build: { outDir: 'out', target: 'es2022', rollupOptions: { input: entry, output: { entryFileNames: 'main.js' } } } });
`,
  },
};
const page =
  '<!doctype html><html lang="en"><title>x</title><link rel="icon" href="data:,"><body><crate-counter label="Crates" start="2"></crate-counter><stall-sign name="North"></stall-sign><script type="module" src="main.js"></script></body></html>';

const zipped = (project: Project): number =>
  gzipSync(
    readdirSync(join(project.folder, 'out'))
      .filter((name) => name.endsWith('.js'))
      .map((name) => readFileSync(join(project.folder, 'out', name), 'utf8'))
      .join(''),
    { level: 9 },
  ).length;

const sizes: string[] = [];
afterAll(() => console.log(`A counter, minified and zipped:\n  ${sizes.join('\n  ')}`));

/** In a usual run one of them, and what is written ahead; in `npm run test:projects` all. */
describe.runIf(isLong).each(Object.keys(configs))('%s', (name) => {
  const visit = useVisits();

  test('builds a page that counts, written ahead and planned in the page', async () => {
    const project = new Project({ ...files, ...configs[name] });
    const shown: string[] = [];
    for (const ahead of ['written', 'none']) {
      project.must('node', 'build.js', 'main.js', ahead);
      project.write({ 'out/index.html': page });
      const { page: built, reported } = await visit(await served(join(project.folder, 'out')));
      await built.locator('crate-counter button').click();
      await built.waitForFunction(
        "document.querySelector('crate-counter').shadowRoot.textContent === 'Crates: 3'",
      );
      shown.push(
        await built.evaluate<string>(
          "document.querySelector('stall-sign').shadowRoot.innerHTML + getComputedStyle(document.querySelector('stall-sign').shadowRoot.querySelector('b')).color",
        ),
      );
      expect(reported).toEqual([]);
      project.must('node', 'build.js', 'counter-main.js', ahead);
      const size = zipped(project);
      sizes.push(
        `${name.padEnd(8)} ${ahead === 'written' ? 'written ahead' : 'planned in the page'}: ${size} bytes`,
      );
      if (ahead === 'written') expect(size).toBeLessThan(3_500);
    }
    expect(new Set(shown)).toEqual(new Set(['<b>Stall North</b>rgb(1, 2, 3)']));
  });

  test('fails for errors in components, with their lines', () => {
    const project = new Project({
      ...files,
      ...configs[name],
      'counter.js': counter
        .replace("el.button({ type: 'button',", "el.p(el.div('x')), el.button({ type: 'button',")
        .replace('=>\n    el.p', '=> [\n    el.p')
        .replace('state.count),\n', 'state.count)],\n'),
      'sign.html': '<b>Stall {{ nmae }}</b>\n',
    });
    const { code, err, out } = project.run('node', 'build.js', 'main.js');
    expect(code).not.toBe(0);
    expect(out + err).toMatch(/content-not-allowed.*counter\.js:14:/s);
    expect(out + err).toMatch(/nmae.*sign\.html:1:13/s);
  });
});

test.runIf(isLong)('maps lead from what was built to what was written', () => {
  const typed = counter.replace(
    'add: ({ state, dispatch }, step) =>',
    'add: ({ state, dispatch }, step: number) =>',
  );
  const project = new Project({
    ...files,
    'counter.ts': `interface Unused {\n  readonly a: number;\n}\n${typed}console.log('kept as it is');\n`,
    'main.js': (files['main.js'] ?? '').replace('./counter.js', './counter.ts'),
    'build.js': (configs.esbuild?.['build.js'] ?? '').replace(
      'minify: true',
      "minify: false, sourcemap: 'linked'",
    ),
  });
  project.must('node', 'build.js', 'main.js');
  const lines = project.read('out/main.js').split('\n');
  const line = lines.findIndex((one) => one.includes('kept as it is'));
  const found = originalPositionFor(new TraceMap(project.read('out/main.js.map')), {
    line: line + 1,
    column: lines[line]?.indexOf('console') ?? 0,
  });
  expect(found.source).toContain('counter.ts');
  const written = project.read('counter.ts').split('\n');
  expect(found.line).toBe(written.findIndex((one) => one.includes('kept as it is')) + 1);
});
