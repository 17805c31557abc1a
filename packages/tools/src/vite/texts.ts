import MagicString from 'magic-string';
import { defaultClientConditions, type Plugin } from 'vite';
import { isOfInterest, ModuleCode } from '../ahead/module.js';
import { componentPackages, isOwnModule } from '../ahead/packages.js';
import { readCode } from '../ahead/read-code.js';
import { handThrough } from '../ahead/reading.js';

const reader = 'zesty-lattice/markup';

/**
 * Brings the reader of template texts into a page: during development wherever elements are registered or HTML text is
 * rendered, in a build exactly where a template is a text that is left to read.
 */
export function texts(): Plugin {
  let packages: readonly string[] = [];
  let isBuild = false;

  return {
    name: 'zesty-lattice:texts',

    // A server that runs as a web worker does is resolved as a page is, and yet has no parser of its own.
    configEnvironment(_name, { resolve }, { isSsrTargetWebworker }) {
      if (!isSsrTargetWebworker) return undefined;
      return { resolve: { conditions: [...(resolve?.conditions ? [] : defaultClientConditions), 'worker'] } };
    },

    configResolved({ command, root }) {
      packages = componentPackages(root);
      isBuild = command === 'build';
    },

    transform(code, id) {
      if (this.environment.config.consumer !== 'client' || !isOwnModule(id, packages) || !isOfInterest(code))
        return undefined;
      const tree = readCode(this, code);
      if (!tree) return undefined;
      const module = new ModuleCode(code, tree);
      const changed = new MagicString(code);
      if (isBuild) handThrough(changed, module);
      else if (
        module.imports.some(({ source }) => /^zesty-lattice\/(?:elements|html)$/.test(String(source.value)))
      )
        changed.prepend(`import '${reader}';\n`);
      if (!changed.hasChanged()) return undefined;
      return { code: changed.toString(), map: changed.generateMap({ hires: 'boundary' }) };
    },
  };
}
