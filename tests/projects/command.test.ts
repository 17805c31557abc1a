import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { beforeAll, expect, test } from 'vitest';
import { isLong } from '../support/runs.js';
import { type Files, installed, Project, patience } from './project.js';

beforeAll(() => void installed(), patience);

const imported = `import { component, el, prop } from 'zesty-lattice';
export const VarietyCard = component('variety-card', {
  props: { title: prop.text() },
  template: ({ props }) => el.h3(props.title),
});
`;
const required = imported
  .replace('import { component, el, prop } from', 'const { component, el, prop } = require(')
  .replace("'zesty-lattice';", "'zesty-lattice');")
  .replace('export const VarietyCard =', 'exports.VarietyCard =');
/** As TypeScript may be written where it is compiled to CommonJS. */
const compiled = `${imported}import path = require('node:path');
export const name: string = path.basename(__filename);
`;

const modules: Files = {
  'imported.ts': imported,
  'imported.mts': imported,
  'imported.js': imported,
  'imported.mjs': imported,
  'imported.cts': compiled,
  'compiled.ts': compiled,
  'required.cjs': required,
  'required.cts': required.replace('({ props })', '({ props }: { props: { title: never } })'),
  'both.ts': `import { component, el } from 'zesty-lattice';
import { VarietyCard, name } from './imported.cjs';
export const BothCards = component('both-cards', { template: () => el.div(VarietyCard({ title: name })) });
`,
  'page.html':
    '<!doctype html>\n<html lang="en"><body><variety-card title="Dunlight"></variety-card></body></html>\n',
};

const kinds = [
  ['as "npm init" writes it today', { type: 'commonjs' }],
  ['without a "type"', {}],
  ['of ES modules', { type: 'module' }],
] as const;

test.runIf(isLong).each(kinds)('the command loads every kind of module in a project %s', (_, kind) => {
  const isOfModules = 'type' in kind && kind.type === 'module';
  const project = new Project({
    ...modules,
    ...(!isOfModules && { 'required.js': required, 'required.ts': required }),
    'package.json': JSON.stringify({ name: 'stalls', ...kind }),
    'props.json': '{ "title": "Dunlight" }',
  });
  for (const file of ['imported.ts', 'imported.js', 'required.cjs', ...(isOfModules ? [] : ['required.ts'])])
    expect(project.must('lattice', 'render', file, '--props', 'props.json'), file).toBe(
      '<h3>Dunlight</h3>\n',
    );
  expect(project.must('lattice', 'render', 'both.ts')).toBe('<div><h3>imported.cts</h3></div>\n');

  // All files of the folder, whose components have one name.
  const { components, problems } = JSON.parse(project.run('lattice', 'check', '.', '--format', 'json').out);
  expect(problems.filter((one: { code: string }) => one.code === 'module-failed')).toEqual([]);
  expect(components).toBe(isOfModules ? 9 : 11);
});

test.runIf(isLong)('the command shows the trees of a document', () => {
  const project = new Project({ ...modules, 'package.json': '{}' });
  const page = ['tree', 'page.html', '--uses', 'imported.ts'];
  expect(project.must('lattice', ...page)).toBe(
    'variety-card\n    title  "Dunlight"\n\n1 component, 1 use, 1 level deep\n',
  );
  const { trees } = JSON.parse(project.must('lattice', ...page, '--json'));
  expect(trees).toMatchObject([{ version: 1, root: { component: 'variety-card' } }]);

  const unknown = project.run('lattice', 'tree', 'page.html');
  expect(unknown.code).toBe(1);
  expect(unknown.err).toContain('Nothing defines a component "variety-card"');
  expect(unknown.err).toContain('--uses <module>');
});

test('a module that cannot be read is reported with its place', () => {
  const project = new Project({ 'package.json': '{}', 'broken.ts': 'export const a = {{;\n' });
  const { code, err } = project.run('lattice', 'render', 'broken.ts');
  expect(code).toBe(1);
  expect(err).toMatch(/broken\.ts:1:18/);
});

test('the command runs where no other package is installed, and says which one a part of it needs', () => {
  const project = new Project({ ...modules, 'package.json': '{}' });
  for (const name of ['vite', 'vitest', 'rollup', 'typescript', 'webpack', 'rolldown'])
    rmSync(join(project.folder, 'node_modules', name), { recursive: true, force: true });
  expect(project.must('lattice', '--help')).toContain('lattice');
  expect(project.must('lattice', 'render', 'page.html', '--uses', 'imported.ts')).toContain('Dunlight');
  for (const [command, file] of [
    ['preview', '.'],
    ['pack', 'imported.ts'],
  ] as const) {
    const { code, err } = project.run('lattice', command, file);
    expect(err).toContain('needs the package vite: npm install --save-dev vite');
    expect(code).toBe(2);
  }
});
