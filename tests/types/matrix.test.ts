import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { beforeAll, describe, expect, test } from 'vitest';
import { root } from '../cli/lattice.js';
import { samplesOf } from '../docs/samples.js';
import { type Files, installed, Project, patience } from '../projects/project.js';
import { isLong } from '../support/runs.js';

beforeAll(() => void installed(), patience);

const here = join(root, 'tests/types');
const checks: Files = Object.fromEntries(
  readdirSync(here)
    .filter((name) => name.endsWith('.ts') && !name.endsWith('.test.ts'))
    .map((name) => [`types/${name}`, readFileSync(join(here, name), 'utf8')]),
);

/** Guides whose samples need nothing but the library. */
const guides: Files = Object.fromEntries(
  ['props', 'slots', 'compose', 'data', 'elements', 'forms', 'styles'].flatMap((guide) =>
    (['ts', 'ts browser'] as const).flatMap((label) => {
      const code = samplesOf(guide, label);
      return code.trim() === ''
        ? []
        : [[`guides/${guide}-${label === 'ts' ? 'node' : 'page'}.ts`, `${code}\nexport {};\n`]];
    }),
  ),
);

const compilers = ['typescript', 'typescript-5.9', 'typescript-5.4'] as const;
const settings = {
  strict: [],
  'strict and exactOptionalPropertyTypes': ['--exactOptionalPropertyTypes'],
  'strict, exactOptionalPropertyTypes, noUncheckedIndexedAccess and verbatimModuleSyntax': [
    '--exactOptionalPropertyTypes',
    '--noUncheckedIndexedAccess',
    '--verbatimModuleSyntax',
  ],
} as const;
const resolutions = { bundler: 'ESNext', nodenext: 'NodeNext' } as const;

/** A usual run has the newest compiler with plain `strict`: all other flags are this project's own. */
const cases = compilers.flatMap((compiler) =>
  Object.entries(settings).flatMap(([name, flags]) =>
    Object.entries(resolutions)
      .filter(([how]) => isLong || (name === 'strict' && how === 'bundler' && compiler === 'typescript'))
      .map(([how, module]) => [compiler, name, how, module, flags] as const),
  ),
);

describe('the packed declarations', () => {
  test.each(cases)('compile with %s: %s, %s', (compiler, _name, how, module, flags) => {
    const project = new Project({ 'package.json': '{ "type": "module" }', ...checks, ...guides });
    const files = [...Object.keys(checks), ...Object.keys(guides)];
    const { out } = project.run(
      'node',
      join('node_modules', compiler, 'bin/tsc'),
      ...['--strict', '--noEmit', '--skipLibCheck', 'false', '--target', 'ES2022'],
      ...[
        '--lib',
        'ES2023,DOM,DOM.Iterable',
        '--types',
        'node',
        '--module',
        module,
        '--moduleResolution',
        how,
      ],
      ...flags,
      ...files,
    );
    // Node's own declarations of today are not for a compiler of that age.
    const own = out
      .split('\n')
      .filter((line) => /^\S/.test(line) && !line.startsWith('node_modules/@types/'));
    expect(own).toEqual([]);
  });
});
