import MagicString from 'magic-string';
import type { Plugin } from 'vite';
import { componentCore, componentsIn } from 'zesty-lattice/internal/component';
import { codeAhead } from 'zesty-lattice/internal/html';
import { isOfInterest } from '../ahead/module.js';
import { isOwnModule } from '../ahead/packages.js';
import { parseFault } from '../ahead/parses.js';
import type { Loadings } from './loadings.js';

/**
 * Writes the code of HTML text as a server is built, for runtimes that may make none themselves. It stands in the
 * modules of the components; where a component comes out otherwise when it runs, it is written by the interpreter.
 */
export function serverCode(loadings: Loadings): Plugin {
  return {
    name: 'zesty-lattice:server-code',
    apply: 'build',

    async transform(code, id) {
      if (this.environment.config.consumer !== 'server' || !isOfInterest(code)) return undefined;
      const loading = loadings.of(this.environment.name);
      if (!isOwnModule(id, loading.packages)) return undefined;
      let exported: Readonly<Record<string, unknown>>;
      try {
        exported = await loading.load(id.replace(/\?.*$/, ''));
      } catch {
        // A module that does not run here is reported by whatever else loads it; it is written by the interpreter.
        return undefined;
      }
      const cores = [...componentsIn(exported).values()]
        .map(componentCore)
        .filter((one) => one !== undefined);
      const entries = codeAhead(cores);
      if (entries.length === 0) return undefined;
      if (this.meta.watchMode) for (const one of loading.files) this.addWatchFile(one);
      const changed = new MagicString(code);
      changed.prepend("import { provideCode as $lattice_provideCode } from 'zesty-lattice/internal/html';\n");
      changed.append(`\n$lattice_provideCode({\n${entries.join(',\n')}\n});\n`);
      const fault = await parseFault(changed.toString());
      if (fault) {
        this.warn(fault);
        return undefined;
      }
      return { code: changed.toString(), map: changed.generateMap({ hires: 'boundary' }) };
    },
  };
}
