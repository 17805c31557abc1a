import type { Plugin } from 'vite';
import { wrongPair } from '../check/package-info.js';
import { checking } from './checking.js';
import { type Developed, developing } from './developing.js';
import { inspectingPages } from './inspecting.js';
import { Loadings, loadingModules } from './loadings.js';
import type { LatticeOptions, RowPages } from './options.js';
import { planning } from './planning.js';
import { prerendering } from './prerendering.js';
import { rowPages } from './row-pages.js';
import { followingPages, ServedPages } from './served-pages.js';
import { serverCode } from './server-code.js';
import { textFiles } from './text-files.js';
import { texts } from './texts.js';

export type { LatticeOptions, RowPages };

/**
 * The Vite plugin. Files named with `markupFile` become modules; a change to a component, its template or its rules is
 * shown in the page at once, its state kept; problems are reported in the terminal and over the page; pages are rendered
 * ahead where asked for.
 *
 * @throws Error where the library that is installed is of another version
 * @example
 * // vite.config.ts
 * export default defineConfig({ plugins: [lattice({ components: ['./components.ts'], prerender: true })] });
 */
export function lattice(options: LatticeOptions = {}): Plugin[] {
  const wrong = wrongPair();
  if (wrong) throw new Error(wrong);
  const loadings = new Loadings();
  const developed: Developed = {};
  const pages = new ServedPages();
  return [
    loadingModules(loadings),
    checking(loadings),
    textFiles(),
    texts(),
    developing(developed),
    ...(options.inspect ? [inspectingPages()] : []),
    ...(options.ahead === false ? [] : [planning(loadings, options.planned), serverCode(loadings)]),
    ...(options.prerender ? [prerendering(options, developed, pages)] : []),
    ...(options.rowPages ? [rowPages(options.rowPages, pages)] : []),
    followingPages(pages),
  ];
}

export default lattice;
