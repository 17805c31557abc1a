import type { Plugin } from 'vite';
import { developing } from './developing.js';
import { planning } from './planning.js';
import { prerendering } from './prerendering.js';
import { textFiles } from './text-files.js';

export interface LatticeOptions {
  /** Modules whose components may stand in HTML pages by their tags, from the project's root. */
  readonly components?: readonly string[];
  /** Tags of custom elements from elsewhere. */
  readonly foreign?: readonly (string | RegExp)[];
  /**
   * Whether HTML pages are rendered as they are built and served: components dissolve, and interactive ones get
   * shadow roots that show before any script has run. Off unless `true`.
   */
  readonly prerender?: boolean;
  /**
   * Whether elements are planned as a page is built, so that it loads just what their templates need. On unless
   * `false`.
   */
  readonly ahead?: boolean;
}

/**
 * The Vite plugin. Files named with `markupFile` become modules; a change to a component, its template or its rules is
 * shown in the page at once, its state kept; problems are told in the terminal and over the page; pages are rendered
 * ahead where asked for.
 *
 * @example
 * // vite.config.ts
 * export default defineConfig({ plugins: [lattice({ components: ['./components.ts'], prerender: true })] });
 */
export function lattice(options: LatticeOptions = {}): Plugin[] {
  return [
    textFiles(),
    developing(),
    ...(options.ahead === false ? [] : [planning()]),
    ...(options.prerender ? [prerendering(options)] : []),
  ];
}

export default lattice;
