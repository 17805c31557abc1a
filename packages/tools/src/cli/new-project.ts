import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { basename, dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { packageInfo } from '../check/package-info.js';

/** The project that `lattice new --project` copies: `examples/start`, which the build puts beside the command. */
const start = fileURLToPath(new URL('../start', import.meta.url));

const scripts: Readonly<Record<string, string>> = {
  dev: 'vite',
  build: 'vite build',
  serve: 'vite preview',
  test: 'vitest run',
  types: 'tsc',
  new: 'lattice new',
  render: 'lattice render index.html --uses src/components.ts --form elements',
  tree: 'lattice tree index.html --uses src/components.ts',
  check: 'lattice check . --types',
  preview: 'lattice preview src --css src/page.css',
  describe: 'lattice describe src',
  pack: 'lattice pack src/components.ts',
  batch:
    'lattice batch src/stall-page.ts --data src/stalls.json --name "{name}.html" --css src/page.css --rules linked --out out/stalls',
  adopt: 'lattice adopt',
  editor: 'lattice editor --stdio',
};

/** The files of a new project in a folder, by their paths in it. */
export function newProject(folder: string): Readonly<Record<string, string>> {
  const files: Record<string, string> = { 'package.json': packageFile(folder) };
  for (const entry of readdirSync(start, { recursive: true, withFileTypes: true })) {
    if (!entry.isFile()) continue;
    const path = join(entry.parentPath, entry.name);
    const name = path.slice(start.length + 1).replaceAll('\\', '/');
    // A package cannot hold a file of this name: what it lists would be left out of it.
    files[name === 'gitignore' ? '.gitignore' : name] = readFileSync(path, 'utf8');
  }
  return files;
}

function packageFile(folder: string): string {
  const { devDependencies = {}, name } = packageInfo();
  const tools = ['typescript', 'vite', 'vitest'].map((one) => [one, devDependencies[one] ?? '*'] as const);
  const content = {
    name: nameOf(folder),
    version: '0.1.0',
    private: true,
    type: 'module',
    scripts,
    dependencies: { 'zesty-lattice': installedAs('zesty-lattice', folder) },
    devDependencies: { ...Object.fromEntries(tools), [name]: installedAs(name, folder) },
  };
  return `${JSON.stringify(content, null, 2)}\n`;
}

/** A folder's name as the name of a package (https://docs.npmjs.com/cli/configuring-npm/package-json#name). */
function nameOf(folder: string): string {
  const name = basename(resolve(folder))
    .toLowerCase()
    .replace(/[^a-z0-9-]+/g, '-')
    .replace(/^-+|-+$/g, '');
  return name === '' ? 'fair' : name;
}

/** As a project around asks for a package, such as a tarball; else by its version. */
function installedAs(name: string, folder: string): string {
  for (let at = resolve(folder); ; at = dirname(at)) {
    const file = join(at, 'package.json');
    if (existsSync(file)) {
      const { dependencies, devDependencies } = JSON.parse(readFileSync(file, 'utf8')) as {
        readonly dependencies?: Readonly<Record<string, string>>;
        readonly devDependencies?: Readonly<Record<string, string>>;
      };
      const asked = dependencies?.[name] ?? devDependencies?.[name];
      if (asked?.startsWith('file:')) return `file:${resolve(at, asked.slice('file:'.length))}`;
      if (asked !== undefined) return asked;
    }
    if (dirname(at) === at) return `^${packageInfo().version}`;
  }
}
