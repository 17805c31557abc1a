import type { EnvironmentModuleNode, Plugin, ViteDevServer } from 'vite';
import { hotRuntime } from './developing.js';

/** A page that was served during development. */
interface ServedPage {
  readonly html: string;
  /** The page as it is by now; undefined while its components have errors. */
  again(): Promise<string | undefined>;
}

/** An element as it is rendered ahead: with its shadow root. */
const element = /<([a-z][\w.-]*-[\w.-]*)(?:\s[^>]*)?><template shadowrootmode/g;

/** Pages that are rendered ahead, as they were last served: each is asked for again when it comes out otherwise. */
export class ServedPages {
  readonly #pages = new Map<string, ServedPage>();

  note(name: string, page: ServedPage): void {
    this.#pages.set(name, page);
  }

  /** @param compared which part of a page is compared: elements that are in the page show their own changes */
  async differ(compared: (html: string) => string): Promise<boolean> {
    const all = await Promise.all(
      [...this.#pages.values()].map(async ({ html, again }) => {
        const now = await again().catch(() => undefined);
        return now !== undefined && compared(now) !== compared(html);
      }),
    );
    return all.includes(true);
  }
}

/** A page with a script that has it follow what it was rendered of, and looks for its elements. */
export function followed(html: string): string {
  const names = [...new Set([...html.matchAll(element)].map(([, name]) => name))];
  const script = `import { awaitElements, followPage } from ${JSON.stringify(hotRuntime)}; followPage(import.meta.hot); awaitElements(${JSON.stringify(names)});`;
  return html.replace(/<\/body>|$/i, (end) => `<script type="module">${script}</script>${end}`);
}

/** A page without what stands in shadow roots: elements show their own changes. */
function outsideOf(html: string): string {
  let depth = 0;
  return html
    .split(/(<template\b[^>]*>|<\/template>)/)
    .filter((part) => {
      const isStart = part.startsWith('<template');
      if (isStart && (depth > 0 || /\sshadowrootmode=/.test(part))) depth++;
      else if (part === '</template>' && depth > 0) return --depth < 0;
      return depth === 0;
    })
    .join('');
}

/** Has a page follow what it was rendered of, where a change shows. */
export function followingPages(pages: ServedPages): Plugin {
  let server: ViteDevServer | undefined;
  /** One after another: what is loaded while something else is invalidated may be of before. */
  let comparing = Promise.resolve(false);

  return {
    name: 'zesty-lattice:following-pages',
    apply: 'serve',
    configureServer(made) {
      server = made;
    },
    async hotUpdate({ file, modules, timestamp }) {
      const { moduleGraph, name } = this.environment;
      if (!server || name !== 'ssr' || modules.length === 0) return;
      const seen = new Set<EnvironmentModuleNode>();
      for (const module of modules) moduleGraph.invalidateModule(module, seen, timestamp, true);
      // What the page has not loaded, no element of its shows.
      const isInPage = server.environments.client.moduleGraph.getModulesByFile(file) !== undefined;
      comparing = comparing.then(() => pages.differ(isInPage ? outsideOf : (html) => html));
      if (await comparing) server.environments.client.hot.send({ type: 'custom', event: 'lattice:page' });
    },
  };
}

export function reload({ environments }: ViteDevServer): void {
  environments.client.hot.send({ type: 'full-reload', path: '*' });
}

/** Loads a module as it is now. */
export async function loadServed(file: string, server: ViteDevServer): Promise<Record<string, unknown>> {
  try {
    return await server.ssrLoadModule(file);
  } catch {
    // What failed while something else was being saved is remembered: all is read once more.
    server.environments.ssr.moduleGraph.invalidateAll();
    return await server.ssrLoadModule(file);
  }
}
