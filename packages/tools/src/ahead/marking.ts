import { randomUUID } from 'node:crypto';
import type { Node } from 'estree-walker';
import MagicString from 'magic-string';
import { type ComponentCore, componentCore } from 'zesty-lattice/internal/component';
import { isWorkedOut, kindPartsOf } from './kind-parts.js';
import type { Compute, ExportPlace, Loading } from './loading.js';
import { isOfInterest, ModuleCode } from './module.js';
import type { Placed } from './names.js';

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

/** Loads the modules of components in Node, and remembers which line each component and function comes from. */
export abstract class MarkedLoading implements Loading {
  /** Packages whose modules are looked into, as if they were the project's. */
  readonly packages: readonly string[];
  readonly #id = randomUUID();
  readonly #modules = new Map<string, ModuleCode>();
  /** By module: the modules behind what it imports. */
  readonly #imported = new Map<string, ReadonlyMap<string, string>>();
  readonly #files = new Set<string>();
  readonly #components = new Map<ComponentCore, ExportPlace>();
  readonly #fallbacks = new Map<Compute, ExportPlace & { readonly prop: string }>();
  readonly #closures = new Map<Compute, ExportPlace & { readonly number: number }>();

  constructor(packages: readonly string[]) {
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

  abstract load(file: string): Promise<Readonly<Record<string, unknown>>>;

  module(file: string): ModuleCode | undefined {
    return this.#modules.get(file);
  }

  imported(file: string, source: string): string | undefined {
    return this.#imported.get(file)?.get(source);
  }

  /** Every file that was read for what was loaded. */
  get files(): ReadonlySet<string> {
    return this.#files;
  }

  placeOf(core: ComponentCore): ExportPlace | undefined {
    return this.#components.get(core);
  }

  placeNamed(name: string): ExportPlace | undefined {
    for (const [core, place] of this.#components) if (core.name === name) return place;
    return undefined;
  }

  componentsOf(file: string): ReadonlyMap<number, ComponentCore> {
    const found = [...this.#components].filter(([, place]) => place.file === file);
    return new Map(found.map(([core, { at }]) => [at, core]));
  }

  /** The components that a module makes; throws what loading it throws. */
  async made(file: string): Promise<Iterable<ComponentCore>> {
    await this.load(file);
    return this.componentsOf(file).values();
  }

  closureOf(compute: Compute): (ExportPlace & { readonly number: number }) | undefined {
    return this.#closures.get(compute);
  }

  fallbackAt(compute: Compute): (ExportPlace & { readonly prop: string }) | undefined {
    return this.#fallbacks.get(compute);
  }

  async close(): Promise<void> {
    marks.delete(this.#id);
  }

  /** Takes note of a file that was read. */
  protected note(file: string): void {
    this.#files.add(file);
  }

  /**
   * Marks the components of a module, and the functions given to `calc` and to fallbacks, with where they stand. Gives
   * what the module is to be run as; nothing where it has no part in it.
   *
   * @param resolve the module of the project, or of its packages of components, behind an import
   */
  protected async mark(
    code: string,
    file: string,
    tree: unknown,
    resolve: (source: string) => Promise<string | undefined>,
  ): Promise<MagicString | undefined> {
    const module = new ModuleCode(code, tree);
    this.#modules.set(file, module);
    const imported = new Map<string, string>();
    for (const source of module.sources) {
      const found = await resolve(source);
      if (found !== undefined) imported.set(source, found);
    }
    this.#imported.set(file, imported);
    if (!isOfInterest(code)) return undefined;
    const registry = `globalThis[Symbol.for("zesty-lattice.ahead")].get("${this.#id}")`;
    const marked = new MagicString(code);
    const name = JSON.stringify(file);
    const wrap = ({ end, start }: Placed, before: string, after = ')'): void => {
      marked.appendRight(start, before).prependLeft(end, after);
    };
    const fallbacks = new Set<Node>();
    for (const [at, call] of module.components.entries()) {
      wrap(call.node, `${registry}.component(${name}, ${at}, `);
      for (const [number, { node }] of call.closures.entries())
        wrap(node, `${registry}.closure(${name}, ${at}, ${number}, `);
      for (const [prop, { fallback }] of kindPartsOf(call.definition, module)) {
        if (!fallback || fallbacks.has(fallback)) continue;
        fallbacks.add(fallback);
        const start = `${registry}.fallback(${name}, ${at}, ${JSON.stringify(prop)}, `;
        if (/Function/.test(fallback.type)) wrap(fallback as Placed, start);
        // What is worked out as a module runs is not to be kept as what came of it here.
        else if (isWorkedOut(fallback)) wrap(fallback as Placed, `${start}() => (`, '))');
      }
    }
    for (const { source } of module.imports) {
      if (source.value !== 'zesty-lattice/elements') continue;
      const { start, end } = source as Placed<typeof source>;
      marked.overwrite(start, end, JSON.stringify(noElements));
    }
    return marked;
  }
}
