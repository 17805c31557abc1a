import { existsSync, readFileSync } from 'node:fs';
import { dirname, join, normalize } from 'node:path';
import { globSync } from 'tinyglobby';
import { expect, test } from 'vitest';
import { ofSources, rooms } from '../../vitest.config.js';
import { root } from '../cli/lattice.js';

/** Modules that a module takes values of, by relative paths. */
function takenBy(file: string): readonly string[] {
  const text = readFileSync(join(root, file), 'utf8');
  const imports = text.matchAll(/^(?:import|export)(?!\s+type\b)[^;]*?from\s+'(\.[^']+)'/gm);
  return [...imports].map(([, path = '']) => normalize(join(dirname(file), path)).replace(/\.js$/, '.ts'));
}

function reachesInside(file: string, seen = new Set<string>()): boolean {
  // What makes a page's code has its own copy in that page.
  if (seen.has(file) || file === 'tests/support/bundle.ts') return false;
  seen.add(file);
  return takenBy(file).some(
    (path) =>
      path.startsWith('packages/') ||
      (existsSync(join(root, path)) && path.endsWith('.ts') && reachesInside(path, seen)),
  );
}

test('what looks inside the library has one copy of it: the sources', () => {
  const fromSources = new Set(globSync([...ofSources, ...rooms], { cwd: root }));
  const inside = globSync('tests/**/*.test.ts', { cwd: root }).filter((file) => reachesInside(file));
  expect(inside.length).toBeGreaterThan(9);
  expect(inside.filter((file) => !fromSources.has(file))).toEqual([]);
});
