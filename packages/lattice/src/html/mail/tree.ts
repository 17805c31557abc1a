/** A node of a parsed document, as `parse5` gives it. */
export interface HtmlNode {
  readonly nodeName: string;
  tagName?: string;
  value?: string;
  data?: string;
  attrs?: { name: string; value: string }[];
  childNodes?: HtmlNode[];
  content?: HtmlNode;
  parentNode?: HtmlNode | null;
  readonly namespaceURI?: string;
}

export interface HtmlElement extends HtmlNode {
  tagName: string;
  attrs: { name: string; value: string }[];
  childNodes: HtmlNode[];
}

export const isElement = (node: HtmlNode): node is HtmlElement => node.tagName !== undefined;

export const attributeIn = (element: HtmlElement, name: string): string | undefined =>
  element.attrs.find((one) => one.name === name)?.value;

/** Sets an attribute; one without a value goes. */
export function setAttribute(element: HtmlElement, name: string, value: string | undefined): void {
  const at = element.attrs.findIndex((one) => one.name === name);
  if (value === undefined) element.attrs.splice(at, at < 0 ? 0 : 1);
  else if (at < 0) element.attrs.push({ name, value });
  else element.attrs[at] = { name, value };
}

const childrenOf = (node: HtmlNode): HtmlNode[] => node.childNodes ?? [];

const textOf = (node: HtmlNode): string => node.value ?? childrenOf(node).map(textOf).join('');

/** How the package `css-select` walks such a document. */
export const selectAdapter = {
  isTag: isElement,
  getAttributeValue: attributeIn,
  getChildren: childrenOf,
  getName: (element: HtmlElement): string => element.tagName,
  getParent: (node: HtmlNode): HtmlNode | null => node.parentNode ?? null,
  getSiblings: (node: HtmlNode): HtmlNode[] => (node.parentNode ? childrenOf(node.parentNode) : [node]),
  getText: textOf,
  hasAttrib: (element: HtmlElement, name: string): boolean => attributeIn(element, name) !== undefined,
  removeSubsets: (nodes: HtmlNode[]): HtmlNode[] =>
    nodes.filter((node) => !nodes.some((other) => other !== node && contains(other, node))),
};

function contains(outer: HtmlNode, inner: HtmlNode): boolean {
  for (let node = inner.parentNode; node; node = node.parentNode) if (node === outer) return true;
  return false;
}
