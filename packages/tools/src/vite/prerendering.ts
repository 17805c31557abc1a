import { resolve } from 'node:path';
import pc from 'picocolors';
import { type Plugin, type ResolvedConfig, runnerImport, type ViteDevServer } from 'vite';
import { type AnyComponent, componentsIn } from 'zesty-lattice/internal/component';
import { catalog, type RenderedDocument, renderDocument } from 'zesty-lattice/internal/markup';
import type { Problem } from 'zesty-lattice/internal/problem';
import type { InspectedUse } from 'zesty-lattice/internal/tree';
import { failure, problemBlocks } from '../check/report/text.js';
import type { Developed } from './developing.js';
import type { LatticeOptions } from './options.js';

/** A use with the line that somebody wrote: the server runs modules as it has transformed them. */
function withLine(use: InspectedUse, server: ViteDevServer): InspectedUse {
  if (!use.source) return use;
  const { column = 1, file, line } = use.source;
  const written = server.ssrRewriteStacktrace(`    at use (${file}:${line}:${column})`);
  const found = /\((.*):(\d+):(\d+)\)/.exec(written);
  return found
    ? { ...use, source: { ...use.source, line: Number(found[2]), column: Number(found[3]) } }
    : use;
}

/** What a page that is inspected reads about the uses in its own HTML. */
function usesBlock(uses: readonly InspectedUse[]): string {
  return `<script type="application/json" id="lattice-inspected">${JSON.stringify(uses).replaceAll('<', '\\u003c')}</script>`;
}

/** Renders the components that stand in HTML pages, as the pages are built and served. */
export function prerendering(
  { components = [], foreign = [], inspect, sheets }: LatticeOptions,
  developed: Developed,
): Plugin {
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
        const render = async (uses?: InspectedUse[]): Promise<RenderedDocument> =>
          renderDocument(html, catalog(await load(), { foreign }), {
            file: filename,
            form: 'elements',
            ...(sheets && { sheets }),
            ...(uses && { inspected: uses }),
          });
        const inspected: InspectedUse[] | undefined = server && inspect ? [] : undefined;
        const rendered = await render(inspected);
        const errors = rendered.problems.filter(({ severity }) => severity === 'error');
        if (!server && errors.length > 0) throw new Error(failure(errors));
        // What is wrong in a component itself is reported where it is made.
        const inPage = async (): Promise<readonly Problem[]> =>
          (await render()).problems.filter(({ source }) => source?.file === filename);
        if (developed.reporter) developed.reporter.page(filename, inPage);
        else if (rendered.problems.length > 0)
          config.logger.warn(`\n${problemBlocks(rendered.problems, pc).join('\n\n')}\n`);
        if (!inspected) return rendered.html;
        const uses = inspected.map((use) => (server ? withLine(use, server) : use));
        return rendered.html.replace(/<\/body>|$/i, (end) => `${usesBlock(uses)}${end}`);
      },
    },
  };
}
