import { randomUUID } from 'node:crypto';
import type { Node } from 'estree-walker';
import MagicString from 'magic-string';
import { createRunnableDevEnvironment, type Plugin, type ResolvedConfig, resolveConfig } from 'vite';
import { isWorkedOut, kindPartsOf } from '../ahead/kind-parts.js';
import type { Compute, Loading, Place } from '../ahead/loading.js';
import { isCode, isOfInterest, ModuleCode } from '../ahead/module.js';
import type { Placed } from '../ahead/names.js';
import { isOwnModule } from '../ahead/packages.js';
import { type ComponentCore, componentCore } from '../component/index.js';
import { readCode } from './read-code.js';
import { textFileOf, textFiles } from './text-files.js';

/** What marked modules call, to say where their components and functions stand. */
interface Marks {
  component(file: string, at: number, made: unknown): unknown;
  closure(file: string, at: number, number: number, compute: Compute): Compute;
  fallback(file: string, at: number, prop: string, make: Compute): Compute;
}

const marksKey = Symbol.for('zesty-lattice.ahead');
/** By loading: several builds may run in one process, of several copies of the library. */
const shared = globalThis as { [marksKey]?: Map<string, Marks> };
shared[marksKey] ??= new Map();
const marks = shared[marksKey];

/** There are no elements in Node: a module that also registers its components does nothing there. */
const noElements =
  'data:text/javascript,export const register = () => {}; export const elementClass = () => class {};';

const doors = ['zesty-lattice', 'zesty-lattice/elements', 'zesty-lattice/html', 'zesty-lattice/markup'];

function isFound(find: string | RegExp, door: string): boolean {
  return typeof find === 'string' ? door === find || door.startsWith(`${find}/`) : find.test(door);
}

/** Loads the modules of components in Node, and remembers which line each component and function comes from. */
export class NodeLoading implements Loading {
  readonly #config: ResolvedConfig;
  readonly packages: readonly string[];
  readonly #id = randomUUID();
  readonly #modules = new Map<string, ModuleCode>();
  /** By module: the modules behind what it imports. */
  readonly #imported = new Map<string, ReadonlyMap<string, string>>();
  readonly #files = new Set<string>();
  readonly #components = new Map<ComponentCore, Place>();
  readonly #fallbacks = new Map<Compute, Place & { readonly prop: string }>();
  readonly #closures = new Map<Compute, Place & { readonly number: number }>();
  #environment: Promise<ReturnType<typeof createRunnableDevEnvironment>> | undefined;

  /** `packages` are those whose modules are looked into, as if they were the project's. */
  constructor(config: ResolvedConfig, packages: readonly string[]) {
    this.#config = config;
    this.packages = packages;
    marks.set(this.#id, {
      component: (file, at, made) => {
        const core = componentCore(made);
        if (core) this.#components.set(core, { file, at });
        return made;
      },
      closure: (file, at, number, compute) => {
        // A function of its own for each place, so that one that is given to several is told apart.
        const own: Compute = (...values) => compute(...values);
        this.#closures.set(own, { file, at, number });
        return own;
      },
      fallback: (file, at, prop, make) => {
        const own: Compute = () => make();
        this.#fallbacks.set(own, { file, at, prop });
        return own;
      },
    });
  }

  /** What a module exports; throws what it throws. */
  async load(file: string): Promise<Readonly<Record<string, unknown>>> {
    this.#environment ??= this.#start();
    const { runner } = await this.#environment;
    return (await runner.import(file)) as Readonly<Record<string, unknown>>;
  }

  /** The code of a module that was loaded. */
  module(file: string): ModuleCode | undefined {
    return this.#modules.get(file);
  }

  /** The module of the project, or of its packages of components, behind an import of a module that was loaded. */
  imported(file: string, source: string): string | undefined {
    return this.#imported.get(file)?.get(source);
  }

  /** Every file that was read for what was loaded. */
  get files(): ReadonlySet<string> {
    return this.#files;
  }

  placeOf(core: ComponentCore): Place | undefined {
    return this.#components.get(core);
  }

  /** Where the component of a name is made, which is one in a page. */
  placeNamed(name: string): Place | undefined {
    for (const [core, place] of this.#components) if (core.name === name) return place;
    return undefined;
  }

  /** The components of a module that was loaded, by their number there. */
  componentsOf(file: string): ReadonlyMap<number, ComponentCore> {
    const found = [...this.#components].filter(([, place]) => place.file === file);
    return new Map(found.map(([core, { at }]) => [at, core]));
  }

  closureOf(compute: Compute): (Place & { readonly number: number }) | undefined {
    return this.#closures.get(compute);
  }

  fallbackAt(compute: Compute): (Place & { readonly prop: string }) | undefined {
    return this.#fallbacks.get(compute);
  }

  async close(): Promise<void> {
    await (await this.#environment)?.close();
    marks.delete(this.#id);
  }

  async #start(): Promise<ReturnType<typeof createRunnableDevEnvironment>> {
    const { root, resolve } = this.#config;
    const config = await resolveConfig(
      {
        root,
        configFile: false,
        envDir: false,
        logLevel: 'silent',
        // The library itself is the one that Node has.
        resolve: { alias: resolve.alias.filter(({ find }) => !doors.some((door) => isFound(find, door))) },
        plugins: [textFiles(), this.#marking()],
        environments: {
          lattice: {
            consumer: 'server',
            dev: { moduleRunnerTransform: true },
            resolve: {
              external: true,
              noExternal: [...this.packages],
              mainFields: [],
              conditions: ['node'],
            },
          },
        },
      },
      'serve',
    );
    const environment = createRunnableDevEnvironment('lattice', config, {
      runnerOptions: { hmr: { logger: false } },
      hot: false,
    });
    await environment.init();
    return environment;
  }

  /** Marks components, and the functions given to `calc`, with where they stand. */
  #marking(): Plugin {
    const [modules, imported, files, packages] = [this.#modules, this.#imported, this.#files, this.packages];
    const registry = `globalThis[Symbol.for("zesty-lattice.ahead")].get("${this.#id}")`;
    return {
      name: 'zesty-lattice:marking',
      enforce: 'post',
      async transform(code, id) {
        if (!isOwnModule(id, packages)) return undefined;
        const file = id.replace(/\?.*$/, '');
        files.add(textFileOf(file) ?? file);
        const tree = isCode(file) ? readCode(this, code) : undefined;
        if (!tree) return undefined;
        const module = new ModuleCode(code, tree);
        modules.set(file, module);
        const found = new Map<string, string>();
        for (const source of module.sources) {
          const one = await this.resolve(source, id);
          if (one && isOwnModule(one.id, packages)) found.set(source, one.id);
        }
        imported.set(file, found);
        if (!isOfInterest(code)) return undefined;
        const marked = new MagicString(code);
        const name = JSON.stringify(file);
        const fallbacks = new Set<Node>();
        for (const [at, call] of module.components.entries()) {
          const { node, closures } = call;
          marked.appendRight(node.start, `${registry}.component(${name}, ${at}, `).prependLeft(node.end, ')');
          for (const [number, closure] of closures.entries())
            marked
              .appendRight(closure.node.start, `${registry}.closure(${name}, ${at}, ${number}, `)
              .prependLeft(closure.node.end, ')');
        }
        for (const [at, call] of module.components.entries())
          for (const [prop, { fallback }] of kindPartsOf(call, module)) {
            if (!fallback || fallbacks.has(fallback)) continue;
            fallbacks.add(fallback);
            const { end, start } = fallback as Placed;
            // What is worked out as a module runs is not to be kept as what came of it here.
            const isGiven = /Function/.test(fallback.type);
            if (!isGiven && !isWorkedOut(fallback)) continue;
            marked
              .appendRight(
                start,
                `${registry}.fallback(${name}, ${at}, ${JSON.stringify(prop)}, ${isGiven ? '' : '() => ('}`,
              )
              .prependLeft(end, isGiven ? ')' : '))');
          }
        for (const { source } of module.imports) {
          if (source.value !== 'zesty-lattice/elements') continue;
          const { start, end } = source as Placed<typeof source>;
          marked.overwrite(start, end, JSON.stringify(noElements));
        }
        return { code: marked.toString(), map: marked.generateMap({ hires: 'boundary' }) };
      },
    };
  }
}
