import { existsSync, readFileSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { resolve as resolvePath } from 'node:path';
import { type AnyComponent, componentsIn } from 'zesty-lattice/internal/component';
import { type Catalog, catalog } from 'zesty-lattice/internal/markup';
import { suggest } from 'zesty-lattice/internal/problem';
import { isRecord } from 'zesty-lattice/internal/template';
import { filesIn, MissingPath, namesLibrary } from '../check/files.js';
import { loadModule } from '../check/modules.js';
import { projectPaths, readSettings, type Settings, SettingsError } from '../check/settings.js';
import { UsageError } from './usage-error.js';

/** What was thrown where paths are gathered, as a wrong call where it is one. */
export function wrongCall(thrown: unknown): unknown {
  const isWrong = thrown instanceof MissingPath || thrown instanceof SettingsError;
  return isWrong ? new UsageError(thrown.message) : thrown;
}

/** The files and folders that a command is about, which `lattice.json` may say. */
export function pathsOf(given: readonly string[], fallback: readonly string[] = []): readonly string[] {
  try {
    const paths = projectPaths(given, fallback);
    if (paths.length > 0) return paths;
  } catch (thrown) {
    throw wrongCall(thrown);
  }
  throw new UsageError('Name files or folders, or set "paths" in lattice.json.');
}

/** What `lattice.json` sets where the command runs. */
export function settingsNow(): Settings {
  try {
    return readSettings('.');
  } catch (thrown) {
    throw wrongCall(thrown);
  }
}

/** Loads a TypeScript or JavaScript module and picks one of the components it exports. */
export async function loadComponent(path: string, wanted: string | undefined): Promise<AnyComponent> {
  const found = componentsIn(await loadPath(path));
  if (found.size === 0)
    throw new UsageError(`${path} exports no component. Export one: export const Name = component(…).`);
  if (wanted !== undefined) return pick(found, wanted, path);
  const main = found.get('default');
  if (main) return main;
  const all = [...new Set(found.values())];
  if (all.length === 1 && all[0]) return all[0];
  const names = all.map((one) => one.name).join(', ');
  throw new UsageError(
    `${path} exports ${all.length} components: ${names}. Say which with --component <name>.`,
  );
}

/** Every component that a module exports. */
export async function loadComponents(path: string): Promise<readonly AnyComponent[]> {
  return [...new Set(componentsIn(await loadPath(path)).values())];
}

/** What says which components may stand in a document. */
export interface DocumentArguments {
  readonly uses?: readonly string[];
  readonly foreign?: readonly string[];
}

export const isDocumentPath = (path: string): boolean => /\.html?$/i.test(path);

/** A document, with the components of the modules that are named with it. */
export async function loadDocument(
  path: string,
  { uses, foreign }: DocumentArguments,
): Promise<{ readonly text: string; readonly file: string; readonly known: Catalog }> {
  if (!existsSync(path)) throw new UsageError(`There is no file ${path}.`);
  const settings = settingsNow();
  const modules = uses ?? (await componentModules(settings));
  const components = (await Promise.all(modules.map(loadComponents))).flat();
  return {
    text: await readFile(path, 'utf8'),
    file: resolvePath(path),
    known: catalog([...new Set(components)], { foreign: foreign ?? settings.foreign }),
  };
}

/** The modules of components that `lattice.json` names for the texts of its project. */
async function componentModules({ components, ignore }: Settings): Promise<readonly string[]> {
  if (!components) return [];
  const files = await filesIn(components, ignore).catch((thrown) => {
    throw wrongCall(thrown);
  });
  return files.flatMap(({ kind, path }) =>
    kind === 'module' && namesLibrary(readFileSync(path, 'utf8')) ? [path] : [],
  );
}

async function loadPath(path: string): Promise<Readonly<Record<string, unknown>>> {
  const full = resolvePath(path);
  if (!existsSync(full)) throw new UsageError(`There is no file ${path}.`);
  return loadModule(full);
}

/** A component by the name it is exported under or by its tag name. */
function pick(found: ReadonlyMap<string, AnyComponent>, wanted: string, path: string): AnyComponent {
  const byTag = [...found.values()].find((one) => one.name === wanted);
  const component = byTag ?? found.get(wanted);
  if (component) return component;
  const names = [...new Set([...found.values()].map((one) => one.name))];
  throw new UsageError(`${path} exports no component "${wanted}". ${suggest(wanted, names, 'component')}`);
}

/** Reads props from a JSON file that holds one record, or from the record itself. */
export async function loadProps(
  path: string | undefined,
): Promise<Readonly<Record<string, unknown>> | undefined> {
  if (path === undefined) return undefined;
  if (/^\s*\{/.test(path)) return recordIn(path, 'What --props was given');
  if (!existsSync(path)) throw new UsageError(`There is no file ${path}.`);
  return recordIn(await readFile(path, 'utf8'), path);
}

function recordIn(text: string, from: string): Readonly<Record<string, unknown>> {
  let props: unknown;
  try {
    props = JSON.parse(text);
  } catch (thrown) {
    throw new UsageError(`${from} is no JSON: ${(thrown as Error).message}`);
  }
  if (isRecord(props)) return props;
  throw new UsageError(`${from} holds no record. Write { "prop": value, … }.`);
}
