import { existsSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

interface Manifest {
  readonly dependencies?: Readonly<Record<string, string>>;
  readonly devDependencies?: Readonly<Record<string, string>>;
  readonly peerDependencies?: Readonly<Record<string, string>>;
}

const library = 'zesty-lattice';
/** Where the library itself is: linked into a project it stands in no `node_modules`. */
const ownFolder = fileURLToPath(new URL('..', import.meta.url)).replaceAll('\\', '/');

/** The packages of a project that are made with the library themselves: their components are looked into, too. */
export function componentPackages(root: string): readonly string[] {
  const manifest = manifestAbove(root);
  const names = Object.keys({ ...manifest?.dependencies, ...manifest?.devDependencies });
  return names.filter((name) => {
    const folder = name === library ? undefined : folderOf(name, root);
    const own = folder && read(join(folder, 'package.json'));
    return own && library in { ...own.dependencies, ...own.peerDependencies };
  });
}

/** Whether a module is one of the project, or of its packages of components. */
export function isOwnModule(id: string, packages: readonly string[]): boolean {
  const inside = id.split('/node_modules/').at(-1);
  if (id.startsWith(ownFolder)) return false;
  return !id.includes('/node_modules/') || packages.some((name) => inside?.startsWith(`${name}/`));
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
