import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { beforeAll, describe, expect, test } from 'vitest';
import { isLong } from '../support/runs.js';
import { type Files, installed, Project, patience } from './project.js';
import { served, useVisits } from './visit.js';

// The elements of examples/kit as a package of their own, in the hands of others.

const visit = useVisits();
const kit = fileURLToPath(new URL('../../examples/kit/', import.meta.url));
const read = (name: string): readonly [string, string] => [
  `src/${name}`,
  readFileSync(join(kit, name), 'utf8'),
];
const parts = readdirSync(join(kit, 'parts'));
const sources: Files = Object.fromEntries([
  ...parts.map((name) => read(`parts/${name}`)),
  read('open-day.ts'),
  read('day-planner.ts'),
  [
    'src/index.ts',
    [...parts.map((name) => `parts/${name}`), 'day-planner.ts', 'open-day.ts']
      .map((path) => `export * from './${path.replace(/ts$/, 'js')}';\n`)
      .join(''),
  ],
]);
const manifest = {
  name: 'orchard-kit',
  version: '1.0.0',
  type: 'module',
  peerDependencies: { 'zesty-lattice': '*' },
  exports: { '.': { types: './dist/index.d.ts', default: './dist/index.js' } },
};
const strict = ['--strict', '--exactOptionalPropertyTypes', '--skipLibCheck', 'false', '--target', 'ES2022'];
const nodeNext = [
  '--module',
  'NodeNext',
  '--moduleResolution',
  'NodeNext',
  '--lib',
  'ES2023,DOM,DOM.Iterable',
];

let built: Files = {};
beforeAll(() => void (isLong && installed()), patience);

/** A project that has the kit among its packages. */
function withKit(files: Files): Project {
  const project = new Project(files);
  if (Object.keys(built).length === 0) {
    const library = new Project({ ...sources, 'package.json': JSON.stringify(manifest) });
    const flags = [...strict, ...nodeNext, '--declaration', '--rootDir', 'src', '--outDir', 'dist'];
    library.must('node', join('node_modules/typescript/bin/tsc'), ...flags, 'src/index.ts');
    const dist = readdirSync(join(library.folder, 'dist'), { recursive: true, encoding: 'utf8' });
    built = Object.fromEntries(
      [
        'package.json',
        ...dist.filter((name) => /\.(js|d\.ts)$/.test(name)).map((name) => `dist/${name}`),
      ].map((path) => [`node_modules/orchard-kit/${path}`, library.read(path)]),
    );
  }
  project.write(built);
  return project;
}

describe.runIf(isLong)('a kit of elements, as a package', () => {
  test('is built into a page by Vite, with none of it planned there, and used', async () => {
    const project = withKit({
      'package.json': '{ "type": "module", "dependencies": { "orchard-kit": "1.0.0" } }',
      'vite.config.ts': `import lattice from 'zesty-lattice-tools/vite';
export default { plugins: [lattice({ planned: 'always' })], build: { modulePreload: false } };
`,
      'index.html':
        '<!doctype html><html lang="en"><head><title>Plan</title><link rel="icon" href="data:,"></head><body><day-planner></day-planner><script type="module" src="/main.ts"></script></body></html>',
      'main.ts': `import { type ElementOf, register } from 'zesty-lattice/elements';
import { DayPlanner, type ToastStack } from 'orchard-kit';
register(DayPlanner);
export type Toasts = ElementOf<typeof ToastStack>;
`,
    });
    const flags = [...strict, ...nodeNext, '--noEmit', 'main.ts'];
    expect(project.must('node', join('node_modules/typescript/bin/tsc'), ...flags)).toBe('');
    project.must('vite', 'build');
    const { page, reported } = await visit(await served(join(project.folder, 'dist')));
    await page.getByRole('tab', { name: 'Harvest' }).click();
    await page.getByRole('checkbox', { name: 'Choose all rows' }).click();
    expect(await page.locator('data-table strong').first().innerText()).toMatch(/^\d+ kg$/);
    expect(reported).toEqual([]);
  });

  test('is rendered by a CommonJS server as by one of modules, in both forms, each time the same', () => {
    const project = withKit({
      'package.json': '{}',
      'server.cjs': `const { renderHtml } = require('zesty-lattice/html');
const { DayPlanner } = require('orchard-kit');
const all = new Set();
for (const form of ['markup', 'elements'])
  for (let n = 0; n < 7; n++) all.add(renderHtml(DayPlanner({ rows: 20 }), { form, styles: true }));
console.log(JSON.stringify([...all]));
`,
      'server.mjs': `import { renderHtml } from 'zesty-lattice/html';
import { DayPlanner } from 'orchard-kit';
console.log(JSON.stringify(['markup', 'elements'].map((form) => renderHtml(DayPlanner({ rows: 20 }), { form, styles: true }))));
`,
    });
    const all = JSON.parse(project.must('node', 'server.cjs')) as readonly string[];
    expect(all).toHaveLength(2);
    expect(all[0]).toContain('role="tablist"');
    expect(all[1]).toContain('<template shadowrootmode="open">');
    expect(JSON.parse(project.must('node', 'server.mjs'))).toEqual(all);
  });

  test('is one module for a plain page, which sets properties and fills slots itself', async () => {
    const project = withKit({
      'package.json': '{ "type": "module" }',
      'all.js': `export { ActionMenu, DayRange, GroveTree, SuggestBox, TabSet, ToastStack } from 'orchard-kit';\n`,
      'index.html': `<!doctype html><html lang="en"><head><title>Plain</title><link rel="icon" href="data:,"></head><body>
<tab-set label="Day"><template slot="panel" as="tab" given="tab.id === 'groves'"><p>All of {{ tab.label }}</p></template>
<template slot="panel" as="tab" given="tab.id === 'shifts'"><p>Who helps</p></template></tab-set>
<toast-stack></toast-stack>
<script type="module" src="kit.js"></script>
<script type="module">
const tabs = document.querySelector('tab-set');
tabs.tabs = [{ id: 'groves', label: 'Groves' }, { id: 'shifts', label: 'Shifts' }];
tabs.addEventListener('changed', ({ detail }) => document.querySelector('toast-stack').show('Now ' + detail.id));
</script></body></html>`,
    });
    project.must('lattice', 'pack', 'all.js', '--out', 'kit.js');
    const { page, reported } = await visit(await served(project.folder));
    await expect.poll(() => page.getByRole('tabpanel').allInnerTexts()).toEqual(['All of Groves']);
    await page.getByRole('tab', { name: 'Shifts' }).click();
    await expect.poll(() => page.getByRole('tabpanel').allInnerTexts()).toEqual(['Who helps']);
    await page.getByText('Now shifts').waitFor();
    expect(reported).toEqual([]);
  });
});
