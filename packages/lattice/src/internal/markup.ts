// Reading of HTML texts and documents, for `zesty-lattice-tools` of the same version. No part of the public interface: it changes without notice.

export { documentFindings } from '../markup/document/document-findings.js';
export { documentTrees } from '../markup/document/document-trees.js';
export { renderDocument } from '../markup/document/render-document.js';
export { elementsIn, type ParsedElement, usesIn } from '../markup/document/uses-in.js';
export { type Word, wordsOf } from '../markup/expression/words.js';
export * from '../markup/index.js';
export { type Hole, pieces } from '../markup/syntax/holes.js';
export type { MarkupAttribute, MarkupNode } from '../markup/syntax/nodes.js';
export { Places } from '../markup/syntax/place.js';
export { isDocument, readDocument, readFragment, readMarkup } from '../markup/syntax/read-node.js';
export { checkTags } from '../markup/syntax/tags.js';
