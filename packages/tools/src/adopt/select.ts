import { is, type Options, selectAll } from 'css-select';
import type { DefaultTreeAdapterTypes } from 'parse5';

export type ParsedNode = DefaultTreeAdapterTypes.Node;
export type ParsedElement = DefaultTreeAdapterTypes.Element;

const isTag = (node: ParsedNode): node is ParsedElement => 'tagName' in node;
const childrenOf = (node: ParsedNode): ParsedNode[] => ('childNodes' in node ? node.childNodes : []);
const parentOf = (node: ParsedNode): ParsedNode | null =>
  'parentNode' in node ? (node.parentNode ?? null) : null;
const textOf = (node: ParsedNode): string =>
  'value' in node ? node.value : childrenOf(node).map(textOf).join('');
const value = (element: ParsedElement, name: string): string | undefined =>
  element.attrs.find((one) => one.name === name)?.value;

/** How the selector engine walks what `parse5` gave. */
const adapter: NonNullable<Options<ParsedNode, ParsedElement>['adapter']> = {
  isTag,
  getAttributeValue: value,
  getChildren: childrenOf,
  getName: (element) => element.tagName,
  getParent: parentOf,
  getSiblings: (node) => {
    const parent = parentOf(node);
    return parent ? childrenOf(parent) : [node];
  },
  getText: textOf,
  hasAttrib: (element, name) => value(element, name) !== undefined,
  removeSubsets: (nodes) =>
    nodes.filter((node) => !nodes.some((other) => other !== node && contains(other, node))),
};

function contains(outer: ParsedNode, inner: ParsedNode): boolean {
  for (let node = parentOf(inner); node; node = parentOf(node)) if (node === outer) return true;
  return false;
}

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
