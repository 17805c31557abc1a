import { is, type Options, selectAll } from 'css-select';
import type { DefaultTreeAdapterTypes } from 'parse5';
import { selectAdapter } from 'zesty-lattice/internal/html';

export type ParsedNode = DefaultTreeAdapterTypes.Node;
export type ParsedElement = DefaultTreeAdapterTypes.Element;

/** The library says of such a tree what it needs of it alone, which is less than the parser's own types say. */
const adapter = selectAdapter as unknown as NonNullable<Options<ParsedNode, ParsedElement>['adapter']>;

/**
 * The elements below a node that a CSS selector picks, in document order.
 *
 * @throws Error when the selector cannot be read
 */
export function select(selector: string, below: ParsedNode): ParsedElement[] {
  return selectAll<ParsedNode, ParsedElement>(selector, below, { adapter });
}

export function fitsSelector(element: ParsedElement, selector: string): boolean {
  return is<ParsedNode, ParsedElement>(element, selector, { adapter });
}
