import { randomUUID } from 'node:crypto';
import MagicString from 'magic-string';
import { type ComponentCore, componentCore } from 'zesty-lattice/internal/component';
import type { AuthoredPlace, Compute, ExportPlace, Loading } from './loading.js';
import { isOfInterest, ModuleCode } from './module.js';
import type { Placed } from './names.js';

/** What marked modules call, to say where their components and functions stand. */
interface Marks {
  component(file: string, at: number, made: unknown): unknown;
  /** A function that is told apart from the same one handed over elsewhere. */
  own(file: string, number: number, compute: Compute, captured?: readonly unknown[]): Compute;
  value(file: string, number: number, value: unknown, captured?: readonly unknown[]): unknown;
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
  readonly #authored = new Map<unknown, AuthoredPlace>();

  constructor(packages: readonly string[]) {
    this.packages = packages;
    marks.set(this.#id, {
      component: (file, at, made) => {
        const core = componentCore(made);
        if (core) this.#components.set(core, { file, at });
        return made;
      },
      own: (file, number, compute, captured = []) => {
        const own: Compute = (...values) => compute(...values);
        this.#authored.set(own, { file, number, captured });
        return own;
      },
      value: (file, number, value, captured = []) => {
        if ((typeof value === 'object' && value !== null) || typeof value === 'function')
          this.#authored.set(value, { file, number, captured });
        return value;
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

  authoredAt(value: unknown): AuthoredPlace | undefined {
    return this.#authored.get(value);
  }

  async close(): Promise<void> {
    marks.delete(this.#id);
  }

  /** Takes note of a file that was read. */
  protected note(file: string): void {
    this.#files.add(file);
  }

  /**
   * Marks the components of a module, and what its author handed to the library, with where they stand. Gives
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
    for (const [at, { node }] of module.components.entries())
      wrap(node, `${registry}.component(${name}, ${at}, `);
    for (const [number, { captured, isWorkedOut, node, property, to, uses }] of module.authored.entries()) {
      const known = captured.length > 0 && uses === undefined ? `, [${captured.join(', ')}]` : '';
      const call = to === 'calc' || isWorkedOut ? 'own' : 'value';
      const as = property === undefined ? '' : `${property}: `;
      const start = `${as}${registry}.${call}(${name}, ${number}, `;
      // What is worked out as a module runs is not to be kept as what came of it here.
      if (isWorkedOut) wrap(node, `${start}() => (`, `)${known})`);
      else wrap(node, start, `${known})`);
    }
    for (const { source } of module.imports) {
      if (source.value !== 'zesty-lattice/elements') continue;
      const { start, end } = source as Placed<typeof source>;
      marked.overwrite(start, end, JSON.stringify(noElements));
    }
    return marked;
  }
}
