import { posix, resolve } from 'node:path';
import pc from 'picocolors';
import { type Plugin, type ResolvedConfig, runnerImport, type ViteDevServer } from 'vite';
import { type AnyComponent, componentCore, componentsIn } from 'zesty-lattice/internal/component';
import { catalog, type RenderedDocument, renderDocument } from 'zesty-lattice/internal/markup';
import { isInteractive } from 'zesty-lattice/internal/plan';
import type { Problem } from 'zesty-lattice/internal/problem';
import type { InspectedUse } from 'zesty-lattice/internal/tree';
import { linkedRules } from '../batch/linked-rules.js';
import { failure, problemBlocks } from '../check/report/text.js';
import type { Developed } from './developing.js';
import type { LatticeOptions } from './options.js';
import { followed, loadServed, type ServedPages } from './served-pages.js';

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
  { components = [], foreign = [], inspect, rules, sheets }: LatticeOptions,
  developed: Developed,
  pages: ServedPages,
): Plugin {
  let config: ResolvedConfig;
  let server: ViteDevServer | undefined;
  /** How often each page was asked for. */
  const turns = new Map<string, number>();
  /** Whether each component was an element when it was last loaded. */
  const elements = new Map<string, boolean>();
  /** What was part of the page, and is an element from now on, is apart from the page in ways that nobody sees coming. */
  const sayTurned = (component: AnyComponent): void => {
    const core = componentCore(component);
    if (!server || !core) return;
    const isElement = isInteractive(core);
    if (isElement && elements.get(core.name) === false)
      config.logger.warn(
        `<${core.name}> has become an element: register it in the page. Ids in it, links to them and the rules of the page stop at its shadow root.`,
      );
    elements.set(core.name, isElement);
  };

  const load = async (): Promise<readonly AnyComponent[]> => {
    const found = new Set<AnyComponent>();
    for (const path of components) {
      const file = resolve(config.root, path);
      const module = server
        ? await loadServed(file, server)
        : (await runnerImport<Record<string, unknown>>(file, { configFile: false, logLevel: 'error' }))
            .module;
      for (const component of componentsIn(module).values()) {
        found.add(component);
        sayTurned(component);
      }
    }
    return [...found];
  };

  const rendered = async (html: string, file: string, uses?: InspectedUse[]): Promise<RenderedDocument> =>
    renderDocument(html, catalog(await load(), { foreign }), {
      file,
      form: 'elements',
      // Vite puts its `base` before their addresses, as before all that a page links.
      ...(sheets && { sheets }),
      ...(rules === 'linked' && { styleAttributes: 'as-rules' as const }),
      ...(uses && { inspected: uses }),
    });

  /** A page as it is by now; none while its components have errors. */
  const again = async (html: string, file: string): Promise<string | undefined> => {
    const page = await rendered(html, file);
    return page.problems.some(({ severity }) => severity === 'error') ? undefined : page.html;
  };

  return {
    name: 'zesty-lattice:prerendering',
    configResolved(resolved) {
      config = resolved;
    },
    configureServer(made) {
      server = made;
    },
    generateBundle: {
      order: 'post',
      handler(_options, bundle) {
        if (rules !== 'linked') return;
        const { assetsDir } = config.build;
        for (const [path, page] of Object.entries(bundle)) {
          if (page.type !== 'asset' || !path.endsWith('.html')) continue;
          const folder = posix.dirname(path);
          const isRelative = config.base === '' || config.base === './';
          const base = isRelative ? posix.join(posix.relative(folder, '.'), './') : config.base;
          const linked = linkedRules(
            String(page.source),
            (name) => base + posix.join(assetsDir, name),
            posix.join(posix.relative(assetsDir, folder), './'),
          );
          page.source = linked.html;
          for (const [name, source] of linked.files) {
            const fileName = posix.join(assetsDir, name);
            if (!bundle[fileName]) this.emitFile({ type: 'asset', fileName, source });
          }
        }
      },
    },
    transformIndexHtml: {
      order: 'pre',
      async handler(html, { filename }) {
        const inspected: InspectedUse[] | undefined = server && inspect ? [] : undefined;
        const turn = (turns.get(filename) ?? 0) + 1;
        turns.set(filename, turn);
        const page = await rendered(html, filename, inspected);
        // Asked for twice, the page is what it was when it was asked for last, whichever is through first.
        const isLast = turns.get(filename) === turn;
        if (server && isLast)
          pages.note(filename, {
            html: inspected ? ((await again(html, filename)) ?? '') : page.html,
            again: () => again(html, filename),
          });
        const errors = page.problems.filter(({ severity }) => severity === 'error');
        if (!server && errors.length > 0) throw new Error(failure(errors));
        // What is wrong in a component itself is reported where it is made.
        const inPage = async (): Promise<readonly Problem[]> =>
          (await rendered(html, filename)).problems.filter(({ source }) => source?.file === filename);
        if (developed.reporter) {
          if (isLast) developed.reporter.page(filename, inPage);
        } else if (page.problems.length > 0)
          config.logger.warn(`\n${problemBlocks(page.problems, pc).join('\n\n')}\n`);
        if (!inspected) return server ? followed(page.html) : page.html;
        const uses = inspected.map((use) => (server ? withLine(use, server) : use));
        return followed(page.html.replace(/<\/body>|$/i, (end) => `${usesBlock(uses)}${end}`));
      },
    },
  };
}
