import type { ComponentCore } from '../../component/index.js';
import type { PlanFill, PlanUse } from '../../tree/index.js';
import type { Bits } from './bits.js';
import type { Call, InPage } from './call.js';
import { type Around, type CountNodes, type Sketch, SketchReady, SketchSpot, SketchText } from './sketch.js';

/** One component whose template is part of a view: which frame its expressions read, and what fills its slots. */
export interface Scope {
  /** The number of its frame among the frames. */
  readonly index: number;
  readonly component: ComponentCore;
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

/** What all views of one element's shadow root share. */
export interface Common {
  /** The number of the next frame. */
  next: number;
  /** The components that are elements of their own in it, and so have to be registered with it. */
  readonly uses: Set<ComponentCore>;
  /** Components whose rules the shadow root needs besides its own. */
  readonly styled: Set<ComponentCore>;
  readonly count: CountNodes;
}

/** What a view is going to be: its nodes sketched, its places with what is done at them. */
export class Draft implements Around {
  readonly content: Sketch[] = [];
  readonly #placed: { readonly at: number; readonly work: Call | InPage }[] = [];
  readonly #steps: number[] = [];
  readonly #numbers = new Map<Around | Sketch, number>([[this, 0]]);
  readonly #parents = new Map<Sketch, Around>();
  readonly #reads = new Map<number, number>();
  readonly common: Common;

  constructor(common: Common) {
    this.common = common;
  }

  get places(): readonly { readonly at: number; readonly work: Call | InPage }[] {
    return this.#placed;
  }

  get steps(): readonly number[] {
    return this.#steps;
  }

  /** What it reads, by scope: whoever holds a block of it hands such changes on. */
  get reads(): readonly (readonly [scope: number, bits: number])[] {
    return [...this.#reads].filter(([, bits]) => bits !== 0);
  }

  /** Adds a node. */
  add<One extends Sketch>(parent: Around, one: One): One {
    parent.content.push(one);
    this.#parents.set(one, parent);
    return one;
  }

  /** Adds constant text; neighbours are one text node, as a parser makes them. */
  text(parent: Around, text: string): void {
    const last = parent.content.at(-1);
    if (last instanceof SketchText) last.text += text;
    else this.add(parent, new SketchText(text));
  }

  /** Adds a node that marks where something stands. */
  mark(parent: Around): SketchSpot {
    return this.add(parent, new SketchSpot('mark'));
  }

  /** Notes that something in it reads these bits of a scope. */
  note(scope: number, bits: number): void {
    this.#reads.set(scope, (this.#reads.get(scope) ?? 0) | bits);
  }

  /** Notes what other views in it read. */
  noteAll(...views: readonly (Draft | undefined)[]): readonly (readonly [scope: number, bits: number])[] {
    const all = new Map<number, number>();
    for (const view of views)
      for (const [scope, bits] of view?.reads ?? []) {
        all.set(scope, (all.get(scope) ?? 0) | bits);
        this.note(scope, bits);
      }
    return [...all];
  }

  /** Makes a node a place. */
  place(node: Sketch | Draft, work: Call | InPage): void {
    this.#placed.push({ at: this.#number(node), work });
  }

  #number(node: Sketch | Around): number {
    const known = this.#numbers.get(node);
    if (known !== undefined) return known;
    const parent = this.#parents.get(node as Sketch) as Around;
    const from = this.#number(parent);
    this.#steps.push(from, this.#childOf(parent, node as Sketch));
    const number = this.#steps.length / 2;
    this.#numbers.set(node, number);
    return number;
  }

  /** Which child of its parent a node is going to be. */
  #childOf({ content }: Around, node: Sketch): number {
    let child = 0;
    for (const one of content) {
      if (one === node) break;
      child += one instanceof SketchReady ? this.common.count(one.html) : 1;
    }
    return child;
  }
}

/** The fill of a slot in a scope, with the scope it is written in. */
export function fillOf(
  scope: Scope,
  slot: number,
): { readonly fill: PlanFill; readonly owner: Scope } | undefined {
  const fill = scope.use?.node.fills[slot];
  return fill && scope.use ? { fill, owner: scope.use.owner } : undefined;
}
