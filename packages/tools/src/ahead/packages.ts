import { existsSync, readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { isOfInterest } from './module.js';

interface Manifest {
  readonly dependencies?: Readonly<Record<string, string>>;
  readonly devDependencies?: Readonly<Record<string, string>>;
  readonly peerDependencies?: Readonly<Record<string, string>>;
  readonly exports?: unknown;
  readonly module?: string;
  readonly main?: string;
}

const library = 'zesty-lattice';
const tools = 'zesty-lattice-tools';
/** Where both packages are: linked into a project they stand in no `node_modules`. */
const ownFolders = [library, tools].map((name) =>
  `${dirname(createRequire(import.meta.url).resolve(`${name}/package.json`))}/`.replaceAll('\\', '/'),
);

/**
 * The packages of a project that are made with the library themselves, and those that they are made of: their components
 * are looked into, too.
 */
export function componentPackages(root: string): readonly string[] {
  const found = new Set<string>();
  const seen = new Set<string>();
  const follow = (names: readonly string[], from: string): void => {
    for (const name of names) {
      const folder = name === library || name === tools ? undefined : folderOf(name, from);
      if (!folder || seen.has(folder)) continue;
      seen.add(folder);
      const manifest = read(join(folder, 'package.json'));
      if (!manifest) continue;
      const theirs = Object.keys({ ...manifest.dependencies, ...manifest.peerDependencies });
      if (!theirs.includes(library) && !importsLibrary(folder, manifest)) continue;
      found.add(name);
      follow(theirs, folder);
    }
  };
  const manifest = manifestAbove(root);
  follow(Object.keys({ ...manifest?.dependencies, ...manifest?.devDependencies }), root);
  return [...found];
}

/** Whether the module that a package is imported by speaks of the library: not all say what they are made with. */
function importsLibrary(folder: string, { exports, main, module }: Manifest): boolean {
  return [...pathsIn(exports), module, main, 'index.js'].some((path) => {
    const file = path === undefined ? undefined : join(folder, path);
    return (
      file !== undefined &&
      /\.[cm]?js$/.test(file) &&
      existsSync(file) &&
      isOfInterest(readFileSync(file, 'utf8'))
    );
  });
}

/** The files of a package's entry point, under whichever condition (https://nodejs.org/api/packages.html#exports). */
function pathsIn(exports: unknown): readonly string[] {
  if (typeof exports === 'string') return [exports];
  if (typeof exports !== 'object' || exports === null) return [];
  const all = Object.entries(exports);
  const own = all.filter(([key]) => key === '.' || !key.startsWith('.'));
  return own.flatMap(([, inner]) => pathsIn(inner));
}

/** Whether a module is one of the project, or of its packages of components. */
export function isOwnModule(id: string, packages: readonly string[]): boolean {
  const inside = id.split('/node_modules/').at(-1);
  if (ownFolders.some((folder) => id.startsWith(folder))) return false;
  return !id.includes('/node_modules/') || packages.some((name) => inside?.startsWith(`${name}/`));
}

/** Whether a module is one of the library's own. */
export function isLibraryModule(id: string): boolean {
  return id.replaceAll('\\', '/').startsWith(ownFolders[0] as string);
}

function manifestAbove(folder: string): Manifest | undefined {
  for (let at = folder; ; at = dirname(at)) {
    const found = read(join(at, 'package.json'));
    if (found || dirname(at) === at) return found;
  }
}

function folderOf(name: string, root: string): string | undefined {
  for (let at = root; ; at = dirname(at)) {
    const folder = join(at, 'node_modules', name);
    if (existsSync(folder)) return folder;
    if (dirname(at) === at) return undefined;
  }
}

function read(path: string): Manifest | undefined {
  return existsSync(path) ? (JSON.parse(readFileSync(path, 'utf8')) as Manifest) : undefined;
}
