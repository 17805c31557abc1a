import type { Problem } from '../../problem/index.js';
import { type ComponentTree, resolve } from '../../tree/index.js';
import { Places } from '../syntax/place.js';
import { readDocument } from '../syntax/read-node.js';
import type { Catalog } from './catalog.js';
import { usesIn } from './uses-in.js';

/** The component trees in a document. */
export interface DocumentTrees {
  /** A tree for each component's tag that stands in no other component's, in the order of the document. */
  readonly trees: readonly ComponentTree[];
  /** What is wrong with the document and in its trees. */
  readonly problems: readonly Problem[];
}

/**
 * Resolves the components whose tags stand in a document, without rendering them.
 *
 * @param html a whole document, or a part of one
 * @example
 * const { trees } = documentTrees('<stall-sign name="North"></stall-sign>', catalog([StallSign]));
 */
export function documentTrees(
  html: string,
  catalog: Catalog,
  options: { readonly file?: string } = {},
): DocumentTrees {
  const problems: Problem[] = [];
  const trees: ComponentTree[] = [];
  const places = new Places(html, options.file ?? 'document');
  for (const { use } of usesIn(html, readDocument(html), places, catalog, (one) => problems.push(one))) {
    const tree = resolve(use);
    trees.push(tree);
    problems.push(...tree.problems);
  }
  return { trees, problems };
}
