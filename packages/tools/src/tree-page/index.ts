import { renderPage } from 'zesty-lattice/internal/html';
import type { Problem } from 'zesty-lattice/internal/problem';
import { el, trusted } from 'zesty-lattice/internal/template';
import type { ComponentTree } from 'zesty-lattice/internal/tree';
import { TreePage } from './components.js';
import { documentRules } from './rules.js';
import { pageScript } from './script.js';
import { treeView } from './view.js';

export { mermaid } from './mermaid.js';

/** What a tree's page receives besides the trees. */
export interface TreePageOptions {
  /** What the page is of: a component's name, or a document's path. */
  readonly name: string;
  readonly problems: readonly Problem[];
  /** A file as a reader knows it, such as from the folder where the command runs. */
  readonly near?: (file: string) => string;
}

/**
 * Trees as one page of HTML that needs nothing else: it folds, is searched, and filters by component.
 *
 * @example writeFileSync('tree.html', treePage([resolve(FairPage)], { name: 'fair-page', problems: [] }));
 */
export function treePage(trees: readonly ComponentTree[], options: TreePageOptions): string {
  const view = treeView(trees, options.problems, options.near ?? ((file) => file));
  return renderPage(
    TreePage({ name: options.name, view }, el.script({ type: 'module' }, trusted(pageScript))),
    { title: `${options.name}: tree of components`, lang: 'en', styles: documentRules },
  );
}
