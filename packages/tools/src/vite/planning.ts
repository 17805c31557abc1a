import { dirname, relative } from 'node:path';
import type { Plugin, ResolvedConfig } from 'vite';
import { isOfInterest } from '../ahead/module.js';
import { isOwnModule } from '../ahead/packages.js';
import { readCode } from '../ahead/read-code.js';
import type { Dropped, Resolve } from '../ahead/registering.js';
import { Writing } from '../ahead/writing.js';
import { writtenModule } from '../ahead/written-module.js';
import { lineIn } from './line-in.js';
import type { Loadings } from './loadings.js';
import { plannerSize } from './planner-size.js';

interface DroppedIn extends Dropped {
  readonly file: string;
  readonly line: number;
}

/**
 * Plans elements as a page is built: the module that makes a component gets its elements beside it, made ready as code,
 * and whoever registers the component takes these, with just what that code calls. What cannot be written as code is
 * reported, and the page plans it itself, as it does during development.
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
        made.dropped.map((one) => ({ ...one, file, line: lineOf(one.at) })),
      );
      // What stands in this module was drawn from others: their changes are its own.
      if (made.isDrawn) for (const one of loading.files) this.addWatchFile(one);
      if (!changed.hasChanged()) return undefined;
      return { code: changed.toString(), map: changed.generateMap({ hires: 'boundary' }) };
    },
  };
}
