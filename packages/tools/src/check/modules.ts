import { existsSync, readFileSync } from 'node:fs';
import Module, { createRequire } from 'node:module';
import { fileURLToPath, pathToFileURL } from 'node:url';
import { type ComponentCore, type Noticed, noticing } from 'zesty-lattice/internal/component';

/** For what is read where it cannot be waited for. */
const require = createRequire(import.meta.url);

let ready: Promise<void> | undefined;

/** Every component that the modules loaded here have made, those that they do not export as well. */
export const madeComponents = new Set<ComponentCore>();

/**
 * Loads a module: TypeScript or JavaScript, an ES module or CommonJS, in a project with or without a "type".
 *
 * @param path the whole path of a file
 */
export async function loadModule(path: string): Promise<Readonly<Record<string, unknown>>> {
  await prepareLoading();
  return (await import(pathToFileURL(path).href)) as Record<string, unknown>;
}

/** Makes ready what it takes to load modules, before there is one to load. */
export function prepareLoading(): Promise<void> {
  ready ??= prepare();
  return ready;
}

/** Hooks of Node's run in the order they were added, the last one first: they are added once, and stay. */
async function prepare(): Promise<void> {
  const shared = globalThis as Noticed;
  shared[noticing] = (core) => madeComponents.add(core);
  // A runtime that has no such hooks reads TypeScript by itself.
  if (!(Module as Partial<typeof Module>).register) return;
  const { register } = await import('tsx/esm/api');
  register();
  const hooks = new URL('./module-hooks.js', import.meta.url);
  // A test runner that runs the sources has its own way of loading TypeScript.
  if (!existsSync(fileURLToPath(hooks))) return;
  Module.register(hooks);
  for (const extension of ['.ts', '.cts']) extensions[extension] ??= compileCommonjs;
}

interface LoadingModule {
  _compile(code: string, file: string): unknown;
}

/** Node's table of how `require` reads a file, by its ending (nodejs.org/api/modules.html#requireextensions). */
const { _extensions: extensions } = Module as unknown as {
  readonly _extensions: Record<string, (module: LoadingModule, file: string) => void>;
};

function compileCommonjs(module: LoadingModule, file: string): void {
  // Few projects have such a file: what compiles it is read with the first one.
  const { transformSync } = require('esbuild') as typeof import('esbuild');
  const { code } = transformSync(readFileSync(file, 'utf8'), {
    loader: 'ts',
    format: 'cjs',
    target: 'node20',
    sourcefile: file,
    sourcemap: 'inline',
  });
  module._compile(code, file);
}
