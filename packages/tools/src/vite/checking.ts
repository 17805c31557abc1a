import pc from 'picocolors';
import type { Plugin } from 'vite';
import type { Problem } from 'zesty-lattice/internal/problem';
import { keepLines } from 'zesty-lattice/internal/template';
import { isOfInterest, ModuleCode } from '../ahead/module.js';
import { isOwnModule } from '../ahead/packages.js';
import { readCode } from '../ahead/read-code.js';
import { moduleProblems } from '../check/components.js';
import { eachOnce, failure, problemBlocks } from '../check/report/text.js';
import type { Loadings } from './loadings.js';

/** Checks the components of a build: errors in them make it fail, all of them reported at once; warnings are reported. */
export function checking(loadings: Loadings): Plugin {
  const found = new Map<string, readonly Problem[]>();

  return {
    name: 'zesty-lattice:checking',
    apply: 'build',

    buildStart() {
      keepLines();
      found.clear();
    },

    async transform(code, id) {
      const loading = loadings.of(this.environment.name);
      if (!isOwnModule(id, loading.packages) || id.includes('/node_modules/') || !isOfInterest(code))
        return undefined;
      const tree = readCode(this, code);
      if (!tree || new ModuleCode(code, tree).components.length === 0) return undefined;
      const file = id.replace(/\?.*$/, '');
      found.set(file, await moduleProblems(() => loading.made(file)));
      return undefined;
    },

    buildEnd(error) {
      if (error) return;
      const all = eachOnce([...found.values()].flat());
      const errors = all.filter(({ severity }) => severity === 'error');
      const warnings = all.filter(({ severity }) => severity !== 'error');
      if (warnings.length > 0) this.warn(`\n${problemBlocks(warnings, pc).join('\n\n')}\n`);
      if (errors.length > 0) this.error(failure(errors));
    },
  };
}
