import type { Plugin } from 'vite';
import { inspecting } from 'zesty-lattice/internal/plan';
import { openLine } from '../inspect/open-line.js';
import { isInstalled } from './developing.js';
import { isFromHere } from './from-here.js';

const door = 'zesty-lattice-tools/inspect';

/** During development: pages load what shows who wrote a part of them, before all modules of their own. */
export function inspectingPages(): Plugin {
  let root = '';
  return {
    name: 'zesty-lattice:inspecting',
    apply: 'serve',
    config: (config) => (isInstalled(config.root) ? { optimizeDeps: { include: [door] } } : undefined),
    configResolved(config) {
      root = config.root;
    },
    configureServer({ middlewares }) {
      inspecting.isOn = true;
      middlewares.use((request, response, next) => {
        const url = new URL(request.url ?? '/', 'http://page');
        // Vite's own address answers a GET of any page (https://vite.dev): it is reached through the one below.
        if (!url.pathname.endsWith('/__open-in-editor') && url.pathname !== openLine) return next();
        const isAsked = url.pathname !== openLine || request.method === 'POST';
        if (!isAsked || !isFromHere(request)) {
          response.statusCode = 403;
          return response.end('Only a page of this server opens files, by POST.');
        }
        if (url.pathname === openLine) request.url = `/__open-in-editor${url.search}`;
        next();
      });
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
