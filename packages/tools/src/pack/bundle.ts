import { readFileSync } from 'node:fs';
import { basename, resolve } from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import remapping from '@jridgewell/remapping';
import { transform } from 'esbuild';
import type { Plugin } from 'vite';
import {
  type AnyComponent,
  type ComponentCore,
  componentCore,
  componentsIn,
} from 'zesty-lattice/internal/component';
import { propertyKey, quoted } from '../adopt/write.js';
import { loadModule } from '../check/modules.js';
import { loadVite } from '../vite/load.js';
import { plannedBy } from '../vite/planning.js';

/** How much there is to load, in bytes. */
export interface Sizes {
  readonly plain: number;
  readonly minified: number;
  readonly gzip: number;
  readonly brotli: number;
}

export interface Packed {
  /** One module that registers the elements. */
  readonly code: string;
  readonly sizes: Sizes;
  /** Those that the page has to plan itself, each with its reason. */
  readonly byPage: readonly { readonly what: string; readonly why?: string }[];
  /** The modules as they were bundled, by their ids: parts of them are measured without planning anything again. */
  readonly modules: ReadonlyMap<string, string>;
  /** The id of the module that registers them. */
  readonly entry: string;
}

/** A component that a module exports, under one of its names. */
export interface Entry {
  readonly core: ComponentCore;
  readonly exportName: string;
  readonly component: AnyComponent;
}

/** The components that a module exports, each once. */
export async function entriesOf(file: string): Promise<readonly Entry[]> {
  const found = new Map<ComponentCore, Entry>();
  for (const [exportName, component] of componentsIn(await loadModule(resolve(file)))) {
    const core = componentCore(component);
    if (core && !found.has(core)) found.set(core, { component, core, exportName });
  }
  return [...found.values()];
}

/** Whether a module registers its elements itself. */
export function registersItself(file: string): boolean {
  const text = readFileSync(file, 'utf8');
  return /\bregister\s*\(/.test(text) && text.includes('zesty-lattice/elements');
}

/**
 * Elements as one ES module: planned ahead, with all they load.
 *
 * @param entries those that the module registers; none where the file registers its own
 * @param isDev with the words of all problems, as during development, and a line that says so
 * @throws PackageMissing without Vite; an error with all problems of the components
 */
export async function bundle(file: string, entries: readonly Entry[], isDev = false): Promise<Packed> {
  const { lattice, vite } = await loadVite('Packing');
  const path = resolve(file);
  // Beside the module, so that what it imports is found from there.
  const entryPath = `${path}.pack.js`;
  const entry = registering(path, entries);
  const plugins = lattice({ ahead: !isDev });
  const modules = new Map<string, string>();
  const first = entries.length === 0 ? path : entryPath;
  const pack: Plugin = {
    name: 'zesty-lattice:pack',
    enforce: 'pre',
    resolveId: (id) => (id === entryPath ? id : undefined),
    load: (id) => (id === entryPath ? entry : undefined),
  };
  const keep: Plugin = {
    name: 'zesty-lattice:kept',
    enforce: 'post',
    transform(code, id) {
      if (/\.[cm]?[jt]sx?$/.test(id)) modules.set(id, code);
    },
  };
  const { minified, plain } = await built(vite, first, [pack, ...plugins, keep], isDev);
  const elements = isDev ? [] : plannedBy(plugins);
  return {
    code: isDev ? developing(plain, file) : minified,
    sizes: sizesOf(plain, minified),
    byPage: elements.filter(({ bytes }) => bytes === undefined),
    modules,
    entry: first,
  };
}

/** What one of the elements of a packed module weighs by itself; undefined where that takes a build of its own. */
export async function sizesAlone({ entry, modules }: Packed, at: number): Promise<Sizes | undefined> {
  const code = modules.get(entry) ?? '';
  const [whole, define, all = ''] = /^([\w$]+)\(([\w$, ]+)\);?$/m.exec(code) ?? [];
  const name = all.split(', ')[at];
  if (whole === undefined || name === undefined) return undefined;
  const { vite } = await loadVite('Packing');
  const alone: Plugin = {
    name: 'zesty-lattice:alone',
    enforce: 'pre',
    resolveId: (id) => (modules.has(id) ? id : undefined),
    load: (id) => (id === entry ? code.replace(whole, () => `${define}(${name});`) : modules.get(id)),
  };
  const { minified, plain } = await built(vite, entry, [alone], false);
  return sizesOf(plain, minified);
}

/** A file that was made of several modules: one of them, or what they share. */
export interface PackedFile {
  readonly name: string;
  readonly code: string;
  /** Its source map (https://tc39.es/ecma426/), where one was asked for. */
  readonly map: string | undefined;
  readonly sizes: Sizes;
  readonly isShared: boolean;
}

/** How modules are packed. */
export interface PackOptions {
  /** Packages that the page brings itself, with all that lies in them. */
  readonly external?: readonly string[];
  readonly sourceMaps?: boolean;
  readonly isDev?: boolean;
}

/** A module to pack, and what it registers; nothing where it registers its own. */
export interface PackEntry {
  readonly file: string;
  readonly entries: readonly Entry[];
}

/**
 * Elements of several modules as an ES module each; what they have in common, such as the runtime, is in modules of its own that
 * a page loads once.
 *
 * @throws PackageMissing without Vite; an error with all problems of the components
 */
export async function bundleAll(
  modules: readonly PackEntry[],
  { external = [], isDev = false, sourceMaps = false }: PackOptions = {},
): Promise<readonly PackedFile[]> {
  const { lattice, vite } = await loadVite('Packing');
  const virtual = new Map<string, string>();
  const input: Record<string, string> = {};
  for (const { entries, file } of modules) {
    const path = resolve(file);
    const name = stemOf(path);
    if (Object.hasOwn(input, name)) throw new Error(`Two modules are called ${name}: pack them one by one.`);
    input[name] = entries.length === 0 ? path : `${path}.pack.js`;
    if (entries.length > 0) virtual.set(`${path}.pack.js`, registering(path, entries));
  }
  const pack: Plugin = {
    name: 'zesty-lattice:pack',
    enforce: 'pre',
    resolveId: (id) => (virtual.has(id) ? id : undefined),
    load: (id) => virtual.get(id),
  };
  const isExternal = (id: string): boolean => external.some((one) => id === one || id.startsWith(`${one}/`));
  const plugins = [pack, ...lattice({ ahead: !isDev })];
  const chunks = await chunksOf(vite, input, plugins, isDev, { isExternal, sourceMaps });
  return Promise.all(
    chunks.map(async ({ code, fileName, isEntry, map }) => {
      const small = await transform(code, {
        ...minifying,
        minify: !isDev,
        ...(sourceMaps && { sourcemap: 'external', sourcefile: fileName }),
      });
      // What Vite made is the one source of what was minified; its own sources are the author's.
      const under = (_source: string, { depth }: { readonly depth: number }): never =>
        (depth === 1 ? map : null) as never;
      const whole = sourceMaps && map ? remapping(small.map, under).toString() : undefined;
      const end = whole === undefined ? '' : `//# sourceMappingURL=${fileName}.map\n`;
      return {
        name: fileName,
        code: small.code + end,
        map: whole,
        sizes: sizesOf(code, small.code),
        isShared: !isEntry,
      };
    }),
  );
}

/** What a module is called without its folder and ending. */
export const stemOf = (file: string): string => basename(file).replace(/\.[cm]?[jt]sx?$/, '');

/** A module that registers what another one exports. */
function registering(path: string, entries: readonly Entry[]): string {
  const names = entries.map(({ exportName }, index) => `${propertyKey(exportName)} as C${index}`);
  return `import { ${names.join(', ')} } from ${quoted(path)};
import { register } from 'zesty-lattice/elements';
register(${entries.map((_, index) => `C${index}`).join(', ')});
`;
}

const minifying = { minify: true, format: 'esm', target: 'es2022', legalComments: 'none' } as const;

/** One module of an entry, as it comes and minified. */
async function built(
  vite: typeof import('vite'),
  entry: string,
  plugins: readonly Plugin[],
  isDev: boolean,
): Promise<{ readonly plain: string; readonly minified: string }> {
  const [output] = await chunksOf(vite, { packed: entry }, plugins, isDev);
  const plain = output?.code ?? '';
  return { plain, minified: (await transform(plain, minifying)).code };
}

interface Chunk {
  readonly fileName: string;
  readonly code: string;
  readonly isEntry: boolean;
  readonly map: { toString(): string } | null;
}

/** What Vite makes of entries by their names, those first. */
async function chunksOf(
  vite: typeof import('vite'),
  entry: Readonly<Record<string, string>>,
  plugins: readonly Plugin[],
  isDev: boolean,
  {
    isExternal,
    sourceMaps = false,
  }: { readonly isExternal?: (id: string) => boolean; readonly sourceMaps?: boolean } = {},
): Promise<readonly Chunk[]> {
  const before = process.env.NODE_ENV;
  const mode = isDev ? 'development' : 'production';
  process.env.NODE_ENV = mode;
  try {
    const made = await vite.build({
      configFile: false,
      logLevel: 'silent',
      mode,
      publicDir: false,
      define: { 'process.env.NODE_ENV': JSON.stringify(mode) },
      plugins: [...plugins],
      build: {
        write: false,
        minify: false,
        target: 'es2022',
        sourcemap: sourceMaps,
        lib: { entry, formats: ['es'], fileName: (_format, name) => `${name}.js` },
        cssCodeSplit: false,
        rollupOptions: {
          // By the ending of the others: of a package that is no module Vite would give them another one.
          output: { chunkFileNames: '[name]-[hash].js' },
          ...(isExternal && { external: isExternal }),
        },
      },
    });
    const all = (Array.isArray(made) ? made : [made]).flatMap((one) => ('output' in one ? one.output : []));
    const chunks = all.flatMap((one) => ('code' in one ? [one as unknown as Chunk] : []));
    return [...chunks.filter((one) => one.isEntry), ...chunks.filter((one) => !one.isEntry)];
  } finally {
    if (before === undefined) delete process.env.NODE_ENV;
    else process.env.NODE_ENV = before;
  }
}

/** Marks a build that is not for readers: at its top, and once on the console of the page that loads it. */
function developing(code: string, file: string): string {
  const words = `${file}: a development build, larger and slower than what readers are to load. lattice pack without --dev makes that.`;
  return `// ${words.replace(/[\r\n]/g, ' ')}\nconsole.info(${quoted(words)});\n${code}`;
}

export function sizesOf(plain: string, minified: string): Sizes {
  return {
    plain: Buffer.byteLength(plain),
    minified: Buffer.byteLength(minified),
    gzip: gzipSync(minified, { level: 9 }).length,
    brotli: brotliCompressSync(minified, { params: { [constants.BROTLI_PARAM_QUALITY]: 11 } }).length,
  };
}
