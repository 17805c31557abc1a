import { htmlFragment } from '../../template/fragment.js';
import type { Scope } from '../../template/scope.js';
import type { Block, Scopes } from './block.js';
import { copyOf, safe } from './dom.js';
import type { Instance } from './instance.js';
import { type Paired, pairOf } from './paired.js';

/** A piece of a template, made into nodes when it is first needed: each block of it is a copy, and only its parts are looked up. */
export type View = () => MadeView;

export interface MadeView {
  /** What blocks are copies of: its only element, or all of its nodes in a fragment. */
  readonly source: Node;
  /** The first of its nodes. */
  readonly first: Node;
  readonly Made: BlockClass;
  /** A block whose nodes are the view's own. */
  readonly shape: Block;
}

export interface BlockClass {
  new (first: Node | null, last: Node | null, scopes: Scopes, instance: Instance): Block;
  /** The attributes that parts have, by what a block calls the node. */
  readonly own?: Readonly<Record<string, readonly string[]>>;
}

/** A view of HTML. */
export function view(html: string, Made: BlockClass, make = htmlNodes): View {
  let made: MadeView | undefined;
  return () => {
    if (!made) {
      const fragment = make(html);
      const first = fragment.firstChild as Node;
      const shape = new (Made as unknown as new () => Block)();
      shape.find(first);
      for (const [name, part] of Object.entries(shape.parts ?? shape))
        if (part instanceof Node) {
          for (let one: Paired | null = part; one; one = safe(one as Node).parentNode) one[pairOf] ??= {};
          if (Made.own?.[name]) (part as Paired)[pairOf] = { own: Made.own[name] };
        }
      // One of a single node is copied without a fragment around it, which costs as much again.
      made = { source: first === fragment.lastChild ? first : fragment, first, Made, shape };
    }
    return made;
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

/** HTML as nodes whose styles are set by the style object, since a page's policy may refuse style attributes. */
export function styledNodes(html: string, make = htmlNodes): DocumentFragment {
  return styledIn(make(html));
}

function styledIn(fragment: DocumentFragment): DocumentFragment {
  for (const one of fragment.querySelectorAll<HTMLElement>('template,[data-lattice-style]')) {
    const { latticeStyle } = one.dataset;
    if (latticeStyle) one.style.cssText = latticeStyle;
    one.removeAttribute('data-lattice-style');
    if (one instanceof HTMLTemplateElement) styledIn(one.content);
  }
  return fragment;
}

export function styledSvgNodes(html: string): DocumentFragment {
  return styledNodes(html, svgNodes);
}

/** Makes a block; its nodes stand by themselves until they are put somewhere. */
export function create(view: View, scopes: Scopes, instance: Instance): Block {
  const { first: theirs, Made, source } = view();
  const copy = copyOf(source);
  const isMany = source !== theirs;
  const first = (isMany ? copy.firstChild : copy) as Node;
  const block = new Made(first, isMany ? copy.lastChild : copy, scopes, instance);
  block.find(first);
  block.put(-1, 0, scopes[0] as Scope, instance);
  return block;
}

/** The nodes of a new block as one: the fragment that they are in, or the only one of them. */
export function nodesOf({ first }: Block): Node {
  return safe(first as Node).parentNode ?? (first as Node);
}
