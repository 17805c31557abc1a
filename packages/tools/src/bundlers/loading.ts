import { mkdtemp, readFile, realpath, rm, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import { originalPositionFor, TraceMap } from '@jridgewell/trace-mapping';
import { build, type Plugin, transform } from 'esbuild';
import type { Problem } from 'zesty-lattice/internal/problem';
import { MarkedLoading } from '../ahead/marking.js';
import { isCode } from '../ahead/module.js';
import { componentPackages, isOwnModule } from '../ahead/packages.js';
import { programOf } from '../ahead/parses.js';
import { withTexts } from './with-texts.js';

/** Loads the modules of components in Node: each with what it imports of the project, put together by esbuild. */
export class BundledLoading extends MarkedLoading {
  readonly #root: string;
  readonly #loaded = new Map<string, Promise<Readonly<Record<string, unknown>>>>();
  readonly #maps = new Map<string, TraceMap>();
  #folder: Promise<string> | undefined;
  #count = 0;

  constructor(root: string) {
    super(componentPackages(root));
    this.#root = root;
  }

  async load(file: string): Promise<Readonly<Record<string, unknown>>> {
    const known = this.#loaded.get(file) ?? this.#load(file);
    this.#loaded.set(file, known);
    return known;
  }

  /** A problem with the line that was written, where its place is one in what the modules were put together to. */
  written(problem: Problem): Problem {
    const { source } = problem;
    const map = source && this.#maps.get(source.file);
    if (!map) return problem;
    const found = originalPositionFor(map, { line: source.line, column: source.column - 1 });
    if (found.source === null) return problem;
    const file = found.source.startsWith('file:') ? fileURLToPath(found.source) : found.source;
    return { ...problem, source: { file, line: found.line, column: found.column + 1 } };
  }

  /** The module of the project, or of its packages of components, behind an import. */
  async resolve(source: string, importer: string): Promise<string | undefined> {
    let found: string | undefined;
    const asking: Plugin = {
      name: 'zesty-lattice:asking',
      setup: (building) => {
        building.onStart(async () => {
          const { errors, external, path } = await building.resolve(source, {
            resolveDir: dirname(importer),
            kind: 'import-statement',
          });
          if (errors.length === 0 && !external && isOwnModule(path, this.packages)) found = path;
        });
      },
    };
    await build({ stdin: { contents: '' }, write: false, logLevel: 'silent', plugins: [asking] });
    return found;
  }

  override async close(): Promise<void> {
    if (this.#folder) await rm(await this.#folder, { recursive: true, force: true });
    await super.close();
  }

  async #load(file: string): Promise<Readonly<Record<string, unknown>>> {
    const { outputFiles } = await build({
      entryPoints: [file],
      absWorkingDir: this.#root,
      bundle: true,
      write: false,
      format: 'esm',
      platform: 'node',
      target: 'node20',
      logLevel: 'silent',
      sourcemap: 'inline',
      plugins: [this.#marking()],
    });
    // Inside the project, where its packages are found.
    this.#folder ??= mkdtemp(join(this.#root, '.lattice-'));
    const out = join(await this.#folder, `${this.#count++}.mjs`);
    const text = outputFiles[0]?.text ?? '';
    const map = /^\/\/# sourceMappingURL=data:[^,]*;base64,(.*)$/m.exec(
      text.slice(text.lastIndexOf('//# source')),
    );
    if (map?.[1])
      this.#maps.set(out, new TraceMap(Buffer.from(map[1], 'base64').toString(), pathToFileURL(out).href));
    await writeFile(out, text);
    return (await import(pathToFileURL(out).href)) as Readonly<Record<string, unknown>>;
  }

  #marking(): Plugin {
    const isOwn = (path: string): boolean => isOwnModule(path, this.packages);
    return {
      name: 'zesty-lattice:marking',
      setup: (building) => {
        const resolve = async (source: string, importer: string): Promise<string | undefined> => {
          const pluginData = 'asked';
          const found = await building.resolve(source, {
            resolveDir: dirname(importer),
            kind: 'import-statement',
            pluginData,
          });
          return found.errors.length === 0 && !found.external && isOwn(found.path) ? found.path : undefined;
        };
        building.onResolve({ filter: /^[^./]/ }, async ({ importer, kind, path, pluginData }) => {
          if (pluginData === 'asked' || kind === 'entry-point' || importer === '') return undefined;
          if (path.startsWith('data:')) return { path, external: true };
          // Other packages are Node's to load, the library among them.
          return (await resolve(path, importer)) === undefined ? { path, external: true } : undefined;
        });
        building.onLoad({ filter: /\.[cm]?[jt]sx?$/ }, async ({ path }) => {
          const file = await realpath(path);
          this.note(file);
          const plain = await plainCode(await readFile(file, 'utf8'), file);
          // With its map, so that problems are reported with the lines that were written.
          const code = plain.map ? `${plain.code}\n${inlineMap(plain.map)}\n` : plain.code;
          const tree = isCode(file) ? treeOf(code) : undefined;
          if (!tree || !isOwn(path)) return { contents: code, loader: 'js', resolveDir: dirname(path) };
          const { code: texts, files } = withTexts(code, tree, path);
          for (const one of files) this.note(one);
          const read = texts === code ? tree : treeOf(texts);
          const marked = await this.mark(texts, path, read, (source) => resolve(source, path));
          return { contents: marked?.toString() ?? texts, loader: 'js', resolveDir: dirname(path) };
        });
      },
    };
  }
}

/** A module's code without its types, and the map of what became of it. */
export async function plainCode(
  code: string,
  file: string,
): Promise<{ readonly code: string; readonly map?: string }> {
  if (!/\.(?:[cm]?ts|tsx|jsx)(?:\?|$)/.test(file)) return { code };
  const loader = /\.(?:tsx|jsx)/.test(file) ? 'tsx' : 'ts';
  return transform(code, { loader, target: 'esnext', sourcefile: file, sourcemap: 'external' });
}

function inlineMap(map: string): string {
  return `//# sourceMappingURL=data:application/json;base64,${Buffer.from(map).toString('base64')}`;
}

/** A module's syntax tree; nothing for what is no code. */
export function treeOf(code: string): unknown {
  try {
    return programOf(code);
  } catch {
    // Code that cannot be read is reported by the bundler itself.
    return undefined;
  }
}
