import { dirname, relative } from 'node:path';
import MagicString from 'magic-string';
import type { Plugin, ResolvedConfig } from 'vite';
import { isCode, isOfInterest, ModuleCode } from '../ahead/module.js';
import { isOwnModule } from '../ahead/packages.js';
import { type Dropped, isRegistering, type Resolve, registerWritten } from '../ahead/registering.js';
import { loosen, writeBeside } from '../ahead/rewriting.js';
import { Writing } from '../ahead/writing.js';
import { type ComponentCore, componentCore } from '../component/index.js';
import { lineIn } from './line-in.js';
import type { NodeLoading } from './loading.js';
import type { Loadings } from './loadings.js';
import { plannerSize } from './planner-size.js';
import { readCode } from './read-code.js';

interface DroppedIn extends Dropped {
  readonly file: string;
  readonly line: number;
}

/**
 * Plans elements as a page is built: the module that makes a component gets its elements beside it, made ready as code,
 * and whoever registers the component takes these, with just what that code calls. What cannot be written as code is
 * told, and the page plans it itself, as it does while developing.
 */
export function planning(loadings: Loadings): Plugin {
  let config: ResolvedConfig;
  let writing: Writing;
  const dropped = new Map<string, readonly DroppedIn[]>();

  return {
    name: 'zesty-lattice:planning',
    apply: 'build',

    configResolved(resolved) {
      config = resolved;
    },

    buildStart() {
      if (this.environment.config.consumer !== 'client') return;
      writing = new Writing(loadings.of(this.environment.name));
      dropped.clear();
    },

    async generateBundle(_options, bundle) {
      const all = [...dropped.values()].flat();
      if (all.length === 0) return;
      const library = await this.resolve('zesty-lattice');
      const size = library && (await plannerSize(bundle, dirname(library.id)));
      const lines = all.map(
        ({ file, line, what, why }) => `${relative(config.root, file)}:${line} registers ${what}: ${why}.`,
      );
      this.warn(
        `The page plans some elements itself${!size ? '' : `, which takes ${size} KB (gzip) of script`}:\n  ${lines.join('\n  ')}`,
      );
    },

    async transform(code, id) {
      const loading = loadings.of(this.environment.name);
      if (this.environment.config.consumer !== 'client' || !isOwnModule(id, loading.packages))
        return undefined;
      if (!isOfInterest(code)) return undefined;
      const tree = readCode(this, code);
      if (!tree) return undefined;
      const module = new ModuleCode(code, tree);
      const changed = new MagicString(code);
      const file = id.replace(/\?.*$/, '');
      const isEntry = (one: string): boolean => this.getModuleInfo(one)?.isEntry ?? false;
      const resolve: Resolve = async (source, importer) => {
        const found = await this.resolve(source, importer);
        return found && !found.external && isOwnModule(found.id, loading.packages) ? found.id : undefined;
      };
      const isMaking = module.components.length > 0 || module.definitions.size > 0;
      let cores: ReadonlyMap<number, ComponentCore> = new Map();
      // A module that wants a page, say: whoever registers what it makes is told why.
      const isLoaded = isMaking && (await loading.load(file).then(Boolean, () => false));
      if (isLoaded) {
        cores = loading.componentsOf(file);
        writeBeside(changed, module, cores, writing, !isEntry(id));
      }
      if (isRegistering(module)) {
        const found = await registerWritten(changed, { module, file, resolve, loading, writing, isEntry });
        dropped.set(
          file,
          found.map((one) => ({ ...one, file, line: lineIn(code, one.at, this.getCombinedSourcemap()) })),
        );
      }
      const made = isLoaded ? await componentsFrom(module, file, resolve, loading) : new Set<string>();
      loosen(changed, module, (local) => made.has(local));
      // What stands in this module was drawn from others: their changes are its own.
      if (isMaking || isRegistering(module)) for (const one of loading.files) this.addWatchFile(one);
      if (!changed.hasChanged()) return undefined;
      return { code: changed.toString(), map: changed.generateMap({ hires: 'boundary' }) };
    },
  };
}

/** The local names of components that a loaded module imports. */
async function componentsFrom(
  module: ModuleCode,
  file: string,
  resolve: Resolve,
  loading: NodeLoading,
): Promise<ReadonlySet<string>> {
  const names = new Set<string>();
  for (const { source, specifiers } of module.imports) {
    const found = await resolve(String(source.value), file);
    if (found === undefined || !isCode(found)) continue;
    const exported = await loading.load(found).catch((): Readonly<Record<string, unknown>> => ({}));
    for (const { local } of specifiers)
      if (componentCore(exported[module.importOf(local.name)?.name ?? ''])) names.add(local.name);
  }
  return names;
}
