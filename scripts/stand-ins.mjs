// Which files stand for the library's `#…` imports: `imports` of its package.json says so, by conditions.
import { readFileSync } from 'node:fs';

const manifest = new URL('../packages/lattice/package.json', import.meta.url);
const { imports } = JSON.parse(readFileSync(manifest, 'utf8'));

/** The names that files stand in for. */
export const standIns = Object.keys(imports);

/** The module that stands for a name where some conditions hold: `problem/dev` for `#dev`. */
export function standIn(name, ...conditions) {
  const [, path] = Object.entries(imports[name]).find(
    ([condition]) => condition === 'default' || conditions.includes(condition),
  );
  return path.replace(/^\.\/dist\/|\.js$/g, '');
}
