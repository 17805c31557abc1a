import { resolve } from 'node:path';
import pc from 'picocolors';
import { type Plugin, type ResolvedConfig, runnerImport, type ViteDevServer } from 'vite';
import { problemBlock } from '../check/report/text.js';
import { type AnyComponent, componentsIn } from '../component/index.js';
import { catalog, renderDocument } from '../markup/index.js';
import { failure } from './checking.js';
import type { LatticeOptions } from './options.js';
import { written } from './written.js';

/** Renders the components that stand in HTML pages, as the pages are built and served. */
export function prerendering({ components = [], foreign = [] }: LatticeOptions): Plugin {
  let config: ResolvedConfig;
  let server: ViteDevServer | undefined;

  const load = async (): Promise<readonly AnyComponent[]> => {
    const found = new Set<AnyComponent>();
    for (const path of components) {
      const file = resolve(config.root, path);
      const module = server
        ? await server.ssrLoadModule(file)
        : (await runnerImport<Record<string, unknown>>(file, { configFile: false, logLevel: 'error' }))
            .module;
      for (const component of componentsIn(module).values()) found.add(component);
    }
    return [...found];
  };

  return {
    name: 'zesty-lattice:prerendering',
    configResolved(resolved) {
      config = resolved;
    },
    configureServer(made) {
      server = made;
    },
    transformIndexHtml: {
      order: 'pre',
      async handler(html, { filename }) {
        const rendered = renderDocument(html, catalog(await load(), { foreign }), {
          file: filename,
          form: 'elements',
        });
        const errors = rendered.problems.filter(({ severity }) => severity === 'error');
        if (!server && errors.length > 0) throw new Error(failure(errors));
        for (const problem of rendered.problems) {
          const level = problem.severity === 'error' ? 'error' : 'warn';
          config.logger[level](`\n${problemBlock(server ? written(problem, server) : problem, pc)}\n`);
        }
        return rendered.html;
      },
    },
  };
}
