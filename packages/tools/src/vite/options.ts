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
  /** With `prerender`: addresses of style sheets that each shadow root links, as `register` is given them. */
  readonly sheets?: readonly string[];
  /**
   * Whether elements are planned as a page is built, so that it loads just what their templates need. On unless
   * `false`.
   */
  readonly ahead?: boolean;
  /**
   * Whether pages that are developed can be inspected: what a part of them is, which component wrote it and where, what
   * it was given. Nothing of it is in a build. Off unless `true`.
   */
  readonly inspect?: boolean;
  /**
   * Whether a built page holds all of the HTML that a server wrote for an element against what the component writes, as
   * pages do while developing: a changed address, a listener or an element that was put in are told and put right. It
   * takes 0.7 KB (gzip). Off unless `true`: then what changes is looked at, and what it stands in.
   */
  readonly compareFixed?: boolean;
}
