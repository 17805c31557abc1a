import { htmlFragment } from '../../template/fragment.js';
import type { Attach, Block, Scopes } from './block.js';
import type { Instance } from './instance.js';

/** What is done at one node of each block: which of the nodes on the way to all parts it is, and what. */
export type DynamicPart = readonly [at: number, attach: Attach];

/**
 * A piece of a template made into nodes once: each block of it is a clone, and only its parts are looked up.
 */
export interface View {
  /** Its nodes, of which blocks are clones. */
  fragment(): DocumentFragment;
  /**
   * The steps to its parts, two numbers each: from which node found so far (0 is the fragment), to which of its
   * children.
   */
  readonly steps: readonly number[];
  readonly parts: readonly DynamicPart[];
}

/** A view of nodes that are made when they are first needed. */
export function view(make: () => DocumentFragment, steps: View['steps'], parts: View['parts']): View {
  let nodes: DocumentFragment | undefined;
  return {
    steps,
    parts,
    fragment: () => (nodes ??= make()),
  };
}

/** HTML as nodes. An element `t` stands for a text that is empty at first, which HTML cannot write. */
export function htmlNodes(text: string): () => DocumentFragment {
  return () => {
    const fragment = htmlFragment(text);
    for (const empty of fragment.querySelectorAll('t')) empty.replaceWith(new Text());
    return fragment;
  };
}

/** The same, for what stands in an `svg`. */
export function svgNodes(text: string): () => DocumentFragment {
  return () => {
    const fragment = new DocumentFragment();
    fragment.append(...(htmlNodes(`<svg>${text}</svg>`)().firstChild as Element).childNodes);
    return fragment;
  };
}

/** Makes a block; its nodes are in the returned fragment until they are put somewhere. */
export function create(
  from: View,
  scopes: Scopes,
  instance: Instance,
): { readonly block: Block; readonly fragment: Node } {
  const fragment = document.importNode(from.fragment(), true);
  const { firstChild, lastChild } = fragment;
  return { block: attachAll(from, firstChild, lastChild, scopes, instance, fragment, childAt), fragment };
}

/** Makes a block of nodes that are there: finds the parts, and attaches what belongs to them. */
export function attachAll(
  { steps, parts }: View,
  first: Node | null,
  last: Node | null,
  scopes: Scopes,
  instance: Instance,
  top: Node,
  find: (from: number, child: number, around: Node) => Node,
): Block {
  const nodes = [top];
  for (let at = 0; at < steps.length; at += 2) {
    const from = steps[at] as number;
    nodes.push(find(from, steps[at + 1] as number, nodes[from] as Node));
  }
  const block: Block = { scopes, first, last, updaters: [] };
  for (const [at, attach] of parts) attach(nodes[at] as Node, scopes, block, instance);
  return block;
}

export function childAt(_from: number, child: number, around: Node): Node {
  let node = around.firstChild as Node;
  for (let n = 0; n < child; n++) node = node.nextSibling as Node;
  return node;
}
