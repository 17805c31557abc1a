import { htmlFragment } from '../../template/fragment.js';
import { type Attach, attempt, type Binding, type Block, look, type Scopes } from './block.js';
import { copyOf, safe } from './dom.js';
import type { Instance } from './instance.js';

/** What is done at one node of each block: which of the nodes on the way to all parts it is, and what. */
export type DynamicPart = readonly [at: number, part: Attach | Binding];

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

/** A view of HTML, which is made nodes when they are first needed. */
export function view(html: string, steps: View['steps'], parts: View['parts'], make = htmlNodes): View {
  let nodes: DocumentFragment | undefined;
  return {
    steps,
    parts,
    fragment: () => (nodes ??= make(html)),
  };
}

/** HTML as nodes. An element `t` stands for a text that is empty at first, which HTML cannot write. */
function htmlNodes(html: string): DocumentFragment {
  const fragment = htmlFragment(html);
  for (const empty of fragment.querySelectorAll('t')) empty.replaceWith(new Text());
  return fragment;
}

/** The same, for what stands in an `svg`. */
export function svgNodes(html: string): DocumentFragment {
  const fragment = new DocumentFragment();
  fragment.append(...(htmlNodes(`<svg>${html}</svg>`).firstChild as Element).childNodes);
  return fragment;
}

/** Makes a block; its nodes are in the returned fragment until they are put somewhere. */
export function create(
  from: View,
  scopes: Scopes,
  instance: Instance,
): { readonly block: Block; readonly fragment: Node } {
  const fragment = copyOf(from.fragment());
  const { firstChild, lastChild } = fragment;
  return { block: attachAll(from, firstChild, lastChild, scopes, instance), fragment };
}

/** The nodes on the way to all parts; the first stands for what is around them. */
export function locate(steps: View['steps'], first: Node | null): (Node | null)[] {
  const nodes: (Node | null)[] = [null];
  for (let at = 0; at < steps.length; at += 2) {
    const around = nodes[steps[at] as number];
    let node = around ? safe(around).firstChild : first;
    for (let child = steps[at + 1] as number; child; child--) node = safe(node as Node).nextSibling;
    nodes.push(node);
  }
  return nodes;
}

/** Makes a block of nodes that are there: finds its parts, and attaches what belongs to them. */
export function attachAll(
  { parts, steps }: View,
  first: Node | null,
  last: Node | null,
  scopes: Scopes,
  instance: Instance,
  found: readonly (Node | null)[] = locate(steps, first),
): Block {
  const nodes = parts.map(([at]) => safe(found[at] as Node));
  // No place has shown anything: in place of its value stands what no value is.
  const block: Block = { scopes, first, last, parts, nodes, values: [...parts], instance };
  parts.forEach(([, part], at) => {
    if (typeof part === 'function') part(nodes[at] as Node, scopes, block, instance);
    else attempt(instance, look, block, at);
  });
  return block;
}
