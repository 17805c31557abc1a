/** Options of the Vite plugin. */
export interface LatticeOptions {
  /** Modules, relative to the project's root, whose components can be used by their tags in HTML pages. */
  readonly components?: readonly string[];
  /** Tags of other custom elements. */
  readonly foreign?: readonly (string | RegExp)[];
  /**
   * Renders HTML pages at build time and on the development server: components are flattened, and interactive ones get
   * shadow roots that a browser shows before any script runs (default: `false`).
   */
  readonly prerender?: boolean;
  /** With `prerender`: URLs of style sheets that each shadow root links. Pass the same to `register`. */
  readonly sheets?: readonly string[];
  /**
   * `linked`: a build writes the rules of prerendered components into files that the page links, and no style attributes, for
   * a policy such as `default-src 'self'` (default: `inline`).
   */
  readonly rules?: 'inline' | 'linked';
  /** During development: serves the pages that `lattice batch` writes from rows, by the names of their files. */
  readonly rowPages?: readonly RowPages[];
  /**
   * Plans elements at build time, so that a page loads only the functions that their templates need (default: `true`).
   */
  readonly ahead?: boolean;
  /**
   * `'always'`: a build fails where the browser would have to plan an element itself, and names the reason (default: it is
   * reported).
   */
  readonly planned?: 'always';
  /**
   * Adds the inspector during development: it shows which component wrote a part of the page, where, and with which props. A
   * build contains nothing of it (default: `false`).
   */
  readonly inspect?: boolean;
}

/**
 * The pages of some rows, with the options of `lattice batch`. Paths are relative to the project's root.
 *
 * @example { page: './tool-page.ts', data: './tools.csv', name: 'tools/{id}.html' }
 */
export interface RowPages {
  /** The module of the page's component. */
  readonly page: string;
  /** The component's tag, where the module has several. */
  readonly component?: string;
  /** The rows: JSON, NDJSON or CSV. */
  readonly data: string;
  /** Name of the file of a row, for example `tools/{id}.html`; `{n}` is the number of the row. */
  readonly name: string;
  /** The title, which may contain fields of the row (default: the prop `title`, or the description). */
  readonly title?: string;
  /** Language of the document, which may be a field of the row: `{lang}` (default: `en`). */
  readonly lang?: string;
  /** `ltr`, `rtl` or `auto`, which may be a field of the row. */
  readonly dir?: string;
  /** HTML file for the head: scripts, style sheets, meta elements. */
  readonly head?: string;
  /** CSS file for the whole page. */
  readonly css?: string;
  /** As the option of `renderHtml` (default: `elements`). */
  readonly form?: 'markup' | 'elements';
}
