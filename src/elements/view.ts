import type { ComponentCore } from '../component/index.js';
import type { PlanFill, PlanUse } from '../tree/index.js';
import { type Adoption, MarkupDiffers, nameOf } from './adoption.js';
import type { Bits } from './bits.js';
import { type Attach, Block, type Frames } from './block.js';
import type { Instance } from './instance.js';

/** One component whose template is part of a view: which frame its expressions read, and what fills its slots. */
export interface Scope {
  /** The number of its frame among the frames. */
  readonly index: number;
  readonly bits: Bits;
  /** The use that it is, in the scope of its owner; the element's own component has none. */
  readonly use: { readonly node: PlanUse; readonly owner: Scope; readonly depth: number } | undefined;
  /** Its name, where its elements carry a mark for its styles. */
  readonly mark: string | undefined;
}

/** Where in a view something is built. */
export interface Spot {
  readonly scope: Scope;
  /** How many row and slot functions enclose it, in its own template. */
  readonly depth: number;
  readonly isSvg: boolean;
  readonly isOutermost: boolean;
}

/** Hands out numbers for the frames of one element's shadow root. */
export interface Numbers {
  next: number;
  readonly uses: Set<ComponentCore>;
  /** Components whose rules the shadow root needs besides its own. */
  readonly styled: Set<ComponentCore>;
}

interface Place {
  /** Where its node stands among the nodes on the way to all places. */
  readonly at: number;
  readonly attach: Attach;
}

/** One step from a node on the way to a place to the next: the parent's number, and which child. */
interface Step {
  readonly from: number;
  readonly child: number;
}

/**
 * A piece of a template made into nodes once: each block of it is a clone, and only its places are looked up.
 */
export class View {
  readonly #fragment = document.createDocumentFragment();
  readonly #places: Place[] = [];
  readonly #steps: Step[] = [];
  readonly #numberOf = new Map<Node, number>([[this.#fragment, 0]]);
  /** What it reads, by scope: whoever holds a block of it hands such changes on. */
  readonly reads = new Map<number, number>();
  /** Frames of components in it, to be made from those around them before anything is attached. */
  readonly makers: ((frames: Frames) => void)[] = [];
  readonly numbers: Numbers;

  constructor(numbers: Numbers) {
    this.numbers = numbers;
  }

  /** The components that are elements of their own in it, and so have to be registered with it. */
  get uses(): Set<ComponentCore> {
    return this.numbers.uses;
  }

  get top(): DocumentFragment {
    return this.#fragment;
  }

  /** Adds constant text; neighbours are one text node, as a parser makes them. */
  text(parent: Node, text: string): void {
    const { lastChild } = parent;
    if (lastChild instanceof Text && !this.#numberOf.has(lastChild)) lastChild.data += text;
    else parent.appendChild(document.createTextNode(text));
  }

  /** Notes that something in it reads these bits of a scope. */
  note(scope: Scope, bits: number): void {
    this.reads.set(scope.index, (this.reads.get(scope.index) ?? 0) | bits);
  }

  /** Makes a node of the fragment a place. */
  place(node: Node, attach: Attach): void {
    this.#places.push({ at: this.#number(node), attach });
  }

  #number(node: Node): number {
    const known = this.#numberOf.get(node);
    if (known !== undefined) return known;
    const parent = node.parentNode as Node;
    const from = this.#number(parent);
    const child = Array.prototype.indexOf.call(parent.childNodes, node);
    this.#steps.push({ from, child });
    const number = this.#steps.length;
    this.#numberOf.set(node, number);
    return number;
  }

  /** Shows a block before the node that marks its place: what a server wrote there, or a new one. */
  mount(mark: Node, frames: Frames, instance: Instance): Block {
    if (instance.adoption) {
      const { block, next } = this.adopt(instance.adoption.inside(mark), mark.parentNode, frames, instance);
      if (next !== mark) throw new MarkupDiffers(`${nameOf(mark.parentNode)} has more in it`);
      return block;
    }
    const { block, fragment } = this.create(frames, instance);
    (mark.parentNode as Node).insertBefore(fragment, mark);
    return block;
  }

  /** Makes a block of nodes that a server wrote, from the first on; gives the node that follows them. */
  adopt(
    first: Node | null,
    parent: Node | null,
    frames: Frames,
    instance: Instance,
  ): { readonly block: Block; readonly next: Node | null } {
    const adoption = instance.adoption as Adoption;
    const tops = adoption.siblings(first, this.#fragment.childNodes.length, parent);
    const nodes: Node[] = [this.#fragment];
    const templates: Node[] = [this.#fragment];
    for (const { from, child } of this.#steps) {
      const [around, template] = [nodes[from] as Node, templates[from] as Node];
      const found = from === 0 ? tops[child] : adoption.siblings(around.firstChild, child + 1, around)[child];
      const wanted = template.childNodes[child] as Node;
      nodes.push(adopted(found as Node, wanted));
      templates.push(wanted);
    }
    const block = new Block(frames);
    block.first = first;
    block.last = tops.at(-1) ?? null;
    for (const make of this.makers) make(frames);
    for (const { at, attach } of this.#places) attach(nodes[at] as Node, frames, block, instance);
    return { block, next: block.last?.nextSibling ?? null };
  }

  /** Makes a block; its nodes are in the returned fragment until they are put somewhere. */
  create(frames: Frames, instance: Instance): { readonly block: Block; readonly fragment: DocumentFragment } {
    const fragment = document.importNode(this.#fragment, true);
    const nodes: Node[] = [fragment];
    for (const { from, child } of this.#steps) {
      let node = (nodes[from] as Node).firstChild as Node;
      for (let n = 0; n < child; n++) node = node.nextSibling as Node;
      nodes.push(node);
    }
    const block = new Block(frames);
    block.first = fragment.firstChild;
    block.last = fragment.lastChild;
    for (const make of this.makers) make(frames);
    for (const { at, attach } of this.#places) attach(nodes[at] as Node, frames, block, instance);
    return { block, fragment };
  }
}

/** The node that stands for one of the view: the text in a place, or the very node, which has to be of its kind. */
function adopted(found: Node, wanted: Node): Node {
  if (wanted instanceof Text && found instanceof Comment) {
    const { previousSibling } = found;
    // A place with no text in it has no text node yet.
    return previousSibling instanceof Text
      ? previousSibling
      : (found.parentNode as Node).insertBefore(document.createTextNode(''), found);
  }
  const isSame = found.nodeType === wanted.nodeType && found.nodeName === wanted.nodeName;
  if (!isSame)
    throw new MarkupDiffers(
      `${nameOf(found.parentNode)} has ${found.nodeName} where ${wanted.nodeName} belongs`,
    );
  return found;
}

/** Lets a block that holds others hand on the changes that those read. */
export function forward(
  block: Block,
  reads: ReadonlyMap<number, number>,
  run: (scope: number, bits: number) => void,
): void {
  for (const [scope, bits] of reads) if (bits !== 0) block.updaters.push({ scope, bits, run });
}

/** The fill of a slot in a scope, with the scope it is written in. */
export function fillOf(
  scope: Scope,
  slot: number,
): { readonly fill: PlanFill; readonly owner: Scope } | undefined {
  const fill = scope.use?.node.fills[slot];
  return fill && scope.use ? { fill, owner: scope.use.owner } : undefined;
}
