import type { Plugin } from 'vite';
import { inspecting } from '../plan/index.js';
import { isInstalled } from './developing.js';

const door = 'zesty-lattice/inspect';

/** While developing: pages load what shows who wrote a part of them, before all modules of their own. */
export function inspectingPages(): Plugin {
  let root = '';
  return {
    name: 'zesty-lattice:inspecting',
    apply: 'serve',
    config: (config) => (isInstalled(config.root) ? { optimizeDeps: { include: [door] } } : undefined),
    configResolved(config) {
      root = config.root;
    },
    configureServer() {
      inspecting.isOn = true;
    },
    transformIndexHtml: {
      order: 'pre',
      handler: () => [
        {
          tag: 'script',
          attrs: { type: 'module', src: `/@id/${door}`, 'data-lattice-root': root },
          injectTo: 'head-prepend',
        },
      ],
    },
  };
}
