import { statSync } from 'node:fs';
import { resolve } from 'node:path';
import { glob } from 'tinyglobby';

/** What kinds of file are checked. */
export type CheckedKind = 'module' | 'markup';

export interface CheckedFile {
  readonly path: string;
  readonly kind: CheckedKind;
}

/** A path that is not there. */
export class MissingPath extends Error {}

/** Whether a module names the library, so that it may make components. */
export function namesLibrary(text: string): boolean {
  return /['"]zesty-lattice['"]/.test(text);
}

const patterns = ['**/*.{ts,js,mts,mjs,cts,cjs,html}'];
/** What is installed, built or declared; a file that is named itself is read all the same. */
const never = ['**/node_modules/**', '**/{dist,out,build,coverage}/**', '**/*.d.{ts,mts,cts}', '**/.*/**'];
const tests = '**/*.{test,spec}.*';

/** The files that a pattern means which no shell has read, as in quotes. */
async function fitting(path: string): Promise<readonly string[]> {
  if (!/[*?{[]/.test(path)) throw new MissingPath(`There is no file or folder ${path}.`);
  const files = await glob([path.replaceAll('\\', '/')], { absolute: true, ignore: never });
  if (files.length === 0) throw new MissingPath(`No file fits ${path}.`);
  return files;
}

/** The files below the given paths, sorted, tests only if asked for; a file that is named itself is always among them. */
export async function filesIn(
  paths: readonly string[],
  ignore: readonly string[],
  options: { readonly tests?: boolean } = {},
): Promise<readonly CheckedFile[]> {
  const found = new Set<string>();
  const left = [...never, ...(options.tests ? [] : [tests]), ...ignore];
  for (const path of paths) {
    const full = resolve(path);
    const stat = statSync(full, { throwIfNoEntry: false });
    if (!stat) {
      for (const file of await fitting(path)) found.add(file);
      continue;
    }
    if (stat.isFile()) found.add(full);
    else
      for (const file of await glob(patterns, { cwd: full, absolute: true, ignore: left })) found.add(file);
  }
  return [...found].sort().map((path) => ({ path, kind: path.endsWith('.html') ? 'markup' : 'module' }));
}
