import type { Plugin, ResolvedConfig } from 'vite';
import { componentPackages } from '../ahead/packages.js';
import { NodeLoading } from './loading.js';

/** The modules of components that a build loads in Node, for each of its environments. */
export class Loadings {
  readonly #byName = new Map<string, NodeLoading>();

  start(config: ResolvedConfig, environment: string): void {
    this.#byName.set(environment, new NodeLoading(config, componentPackages(config.root)));
  }

  of(environment: string): NodeLoading {
    const found = this.#byName.get(environment);
    if (!found) throw new Error(`Nothing is built for ${environment}.`);
    return found;
  }

  async close(environment: string): Promise<void> {
    await this.#byName.get(environment)?.close();
    this.#byName.delete(environment);
  }
}

/** Starts and ends them with each build. */
export function loadingModules(loadings: Loadings): Plugin {
  let config: ResolvedConfig;
  return {
    name: 'zesty-lattice:loading',
    apply: 'build',
    configResolved(resolved) {
      config = resolved;
    },
    buildStart() {
      loadings.start(config, this.environment.name);
    },
    async closeBundle() {
      await loadings.close(this.environment.name);
    },
  };
}
