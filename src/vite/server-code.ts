import MagicString from 'magic-string';
import type { Plugin, ResolvedConfig } from 'vite';
import { isOfInterest } from '../ahead/module.js';
import { componentPackages, isOwnModule } from '../ahead/packages.js';
import { componentCore, componentsIn } from '../component/index.js';
import { codeAhead } from '../html/code/ahead.js';
import { NodeLoading } from './loading.js';

/**
 * Writes the code of HTML text as a server is built, for runtimes that may make none themselves. It stands in the
 * modules of the components; where a component comes out otherwise when it runs, it is written by instructions.
 */
export function serverCode(): Plugin {
  let config: ResolvedConfig;
  let loading: NodeLoading | undefined;
  let packages: readonly string[] = [];

  return {
    name: 'zesty-lattice:server-code',
    apply: 'build',

    configResolved(resolved) {
      config = resolved;
    },

    buildStart() {
      if (this.environment.config.consumer !== 'server') return;
      packages = componentPackages(config.root);
      loading = new NodeLoading(config, packages);
    },

    async closeBundle() {
      await loading?.close();
    },

    async transform(code, id) {
      if (this.environment.config.consumer !== 'server' || !loading) return undefined;
      if (!isOwnModule(id, packages) || !isOfInterest(code)) return undefined;
      let exported: Readonly<Record<string, unknown>>;
      try {
        exported = await loading.load(id.replace(/\?.*$/, ''));
      } catch {
        // A module that does not run here is told of by whatever else loads it; it is written by instructions.
        return undefined;
      }
      const cores = [...componentsIn(exported).values()]
        .map(componentCore)
        .filter((one) => one !== undefined);
      const entries = [...codeAhead(cores)].map(
        ([key, written]) => `${JSON.stringify(key)}: (lattice, values) => {\n${written}\n}`,
      );
      if (entries.length === 0) return undefined;
      for (const one of loading.files) this.addWatchFile(one);
      const changed = new MagicString(code);
      changed.prepend("import { provideCode as $lattice_provideCode } from 'zesty-lattice/html';\n");
      changed.append(`\n$lattice_provideCode({\n${entries.join(',\n')}\n});\n`);
      return { code: changed.toString(), map: changed.generateMap({ hires: 'boundary' }) };
    },
  };
}
