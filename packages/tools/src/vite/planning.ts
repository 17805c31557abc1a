import { dirname } from 'node:path';
import type { Plugin, ResolvedConfig } from 'vite';
import type { ComponentCore } from 'zesty-lattice/internal/component';
import type { Resolve } from '../ahead/loading.js';
import { isOfInterest } from '../ahead/module.js';
import { isOwnModule } from '../ahead/packages.js';
import { readCode } from '../ahead/read-code.js';
import { type PlannedElement, plannedTable, writtenElements } from '../ahead/table.js';
import { Writing } from '../ahead/writing.js';
import { writtenModule } from '../ahead/written-module.js';
import { lineIn } from './line-in.js';
import type { Loadings } from './loadings.js';
import type { LatticeOptions } from './options.js';
import { plannerSize } from './planner-size.js';

const planningName = 'zesty-lattice:planning';

/** What other plugins and the command ask it. */
interface Planned {
  elements(): readonly PlannedElement[];
}

/**
 * Plans elements as a page is built: the module that makes a component gets its elements beside it, made ready as code,
 * and whoever registers the component takes these, with just what that code calls. What cannot be written as code is
 * reported, and the page plans it itself, as it does during development.
 */
export function planning(loadings: Loadings, planned?: LatticeOptions['planned']): Plugin<Planned> {
  let config: ResolvedConfig;
  let writing: Writing;
  let elements: readonly PlannedElement[] = [];
  const dropped = new Map<string, readonly PlannedElement[]>();
  const written = new Map<string, ReadonlySet<ComponentCore>>();

  return {
    name: planningName,
    apply: 'build',
    api: { elements: () => elements },

    configResolved(resolved) {
      config = resolved;
    },

    buildStart() {
      if (this.environment.config.consumer !== 'client') return;
      writing = new Writing(loadings.of(this.environment.name));
      dropped.clear();
      written.clear();
    },

    async generateBundle(_options, bundle) {
      const cores = new Set([...written.values()].flatMap((all) => [...all]));
      const byPage = [...dropped.values()].flat();
      elements = [...byPage, ...(await writtenElements(cores, writing, loadings.of(this.environment.name)))];
      if (elements.length === 0) return;
      const library = byPage.length > 0 ? await this.resolve('zesty-lattice') : undefined;
      const size = library ? await plannerSize(bundle, dirname(library.id)) : undefined;
      const table = plannedTable(elements, config.root, size);
      if (byPage.length === 0) this.info(table);
      else if (planned === 'always') this.error(table);
      else this.warn(table);
    },

    async transform(code, id) {
      const loading = loadings.of(this.environment.name);
      if (this.environment.config.consumer !== 'client' || !isOwnModule(id, loading.packages))
        return undefined;
      if (!isOfInterest(code)) return undefined;
      const tree = readCode(this, code);
      if (!tree) return undefined;
      const file = id.replace(/\?.*$/, '');
      const isEntry = (one: string): boolean => this.getModuleInfo(one)?.isEntry ?? false;
      const resolve: Resolve = async (source, importer) => {
        const found = await this.resolve(source, importer);
        return found && !found.external && isOwnModule(found.id, loading.packages) ? found.id : undefined;
      };
      const made = await writtenModule({ code, tree, file, resolve, loading, writing, isEntry });
      const { changed } = made;
      const lineOf = (at: number): number => lineIn(code, at, this.getCombinedSourcemap());
      dropped.set(
        file,
        made.dropped.map(({ at, what, why }) => ({ what, why, bytes: undefined, file, line: lineOf(at) })),
      );
      written.set(file, made.planned);
      // What stands in this module was drawn from others: their changes are its own.
      if (made.isDrawn && this.meta.watchMode) for (const one of loading.files) this.addWatchFile(one);
      if (!changed.hasChanged()) return undefined;
      return { code: changed.toString(), map: changed.generateMap({ hires: 'boundary' }) };
    },
  };
}

/** What became of the elements of a build, asked of its plugins when it is through. */
export function plannedBy(plugins: readonly Plugin[]): readonly PlannedElement[] {
  const found = plugins.find(({ name }) => name === planningName) as Plugin<Planned> | undefined;
  return found?.api?.elements() ?? [];
}
