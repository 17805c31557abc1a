import { cpSync } from 'node:fs';
import { join } from 'node:path';
import { beforeAll, describe, expect, test } from 'vitest';
import { isLong } from '../support/runs.js';
import { installed, Project, patience } from './project.js';

beforeAll(() => void installed(), patience);

const versions = [
  ['TypeScript 7', 'typescript'],
  ['TypeScript 5.9', 'typescript-5.9'],
] as const;
const libraries = [
  ['with the DOM', 'ES2023,DOM,DOM.Iterable'],
  ['without the DOM', 'ES2023'],
] as const;

const strict = [
  ...['--strict', '--exactOptionalPropertyTypes', '--noUncheckedIndexedAccess', '--skipLibCheck', 'false'],
  ...['--target', 'ES2022', '--types', 'node', '--declaration'],
];

describe.runIf(isLong).each(versions)('%s', (_, compiler) => {
  test.each(libraries)('compiles a library of components, and a project that uses it, %s', (_lib, lib) => {
    const tsc = join('node_modules', compiler, 'bin/tsc');
    const flags = [...strict, '--lib', lib, '--module', 'NodeNext', '--moduleResolution', 'NodeNext'];
    const exports = {
      '.': { types: './dist/index.d.ts', default: './dist/index.js' },
      './stated': { types: './dist/stated.d.ts', default: './dist/stated.js' },
    };
    const manifest = { name: 'stall-parts', version: '1.0.0', type: 'module', exports };
    const library = new Project({ 'package.json': JSON.stringify(manifest) }, 'library');
    library.must(
      'node',
      tsc,
      ...flags,
      '--rootDir',
      'src',
      '--outDir',
      'dist',
      'src/index.ts',
      'src/stated.ts',
    );
    if (lib.includes('DOM')) {
      const alone = [...flags, '--isolatedDeclarations', '--noEmit', 'src/stated.ts'];
      expect(library.must('node', tsc, ...alone)).toBe('');
    }

    const user = new Project({ 'package.json': '{ "type": "module" }' }, 'library-user');
    for (const part of ['package.json', 'dist'])
      cpSync(join(library.folder, part), join(user.folder, 'node_modules/stall-parts', part), {
        recursive: true,
      });
    expect(user.must('node', tsc, ...flags, 'page.ts')).toBe('');
    const html = user.must('node', 'page.js');
    expect(html).toContain('<b>North 1</b>');
    expect(html).toContain('<label class="plain" for="grower">Grower</label>');
    expect(html).toContain('<p>0</p>');
  });
});
