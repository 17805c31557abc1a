import { existsSync, readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';

interface Manifest {
  readonly dependencies?: Readonly<Record<string, string>>;
  readonly devDependencies?: Readonly<Record<string, string>>;
  readonly peerDependencies?: Readonly<Record<string, string>>;
}

const library = 'zesty-lattice';
const tools = 'zesty-lattice-tools';
/** Where both packages are: linked into a project they stand in no `node_modules`. */
const ownFolders = [library, tools].map((name) =>
  `${dirname(createRequire(import.meta.url).resolve(`${name}/package.json`))}/`.replaceAll('\\', '/'),
);

/** The packages of a project that are made with the library themselves: their components are looked into, too. */
export function componentPackages(root: string): readonly string[] {
  const manifest = manifestAbove(root);
  const names = Object.keys({ ...manifest?.dependencies, ...manifest?.devDependencies });
  return names.filter((name) => {
    const folder = name === library || name === tools ? undefined : folderOf(name, root);
    const own = folder && read(join(folder, 'package.json'));
    return own && library in { ...own.dependencies, ...own.peerDependencies };
  });
}

/** Whether a module is one of the project, or of its packages of components. */
export function isOwnModule(id: string, packages: readonly string[]): boolean {
  const inside = id.split('/node_modules/').at(-1);
  if (ownFolders.some((folder) => id.startsWith(folder))) return false;
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
