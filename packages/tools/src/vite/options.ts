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
