import type { Call, CompiledBinding, InPage } from './call.js';
import type { Reads } from './dependencies.js';
import type { Common, Level } from './level.js';
import { Anchor, type Around, StaticElement, StaticHtml, type StaticNode, StaticText } from './static.js';

/** What is done at one node of a view. */
export interface DynamicPart {
  /** Which of the nodes on the way to all parts it is. */
  readonly at: number;
  readonly work: Call | CompiledBinding | InPage;
}

/** What a view is going to be: its static nodes, and its dynamic parts with what is done at them. */
export class CompiledView implements Around {
  readonly content: StaticNode[] = [];
  readonly parts: DynamicPart[] = [];
  /**
   * The steps to its parts, two numbers each: from which node found so far (0 is the view), to which of its children.
   */
  readonly steps: number[] = [];
  /** The attributes that parts have, by the number of the node. */
  readonly attributes = new Map<number, string[]>();
  readonly common: Common;
  readonly #numbers = new Map<Around | StaticNode, number>([[this, 0]]);
  readonly #parents = new Map<StaticNode, Around>();
  readonly #reads = new Map<number, number>();

  constructor(common: Common) {
    this.common = common;
  }

  /** What it reads: whoever holds a block of it hands such changes on. */
  get reads(): Reads {
    return [...this.#reads].filter(([, mask]) => mask !== 0);
  }

  /** Adds a node. */
  add<One extends StaticNode>(parent: Around, one: One): One {
    parent.content.push(one);
    this.#parents.set(one, parent);
    return one;
  }

  /** Adds constant text; neighbours are one text node, as a parser makes them. */
  text(parent: Around, text: string): void {
    const last = parent.content.at(-1);
    if (last instanceof StaticText) last.text += text;
    else this.add(parent, new StaticText(text));
  }

  /** Adds a node that marks where something ends. */
  mark(parent: Around): Anchor {
    return this.add(parent, new Anchor('mark'));
  }

  /** Notes that something in it reads something. */
  note(reads: Reads): void {
    for (const [level, mask] of reads) this.#reads.set(level, (this.#reads.get(level) ?? 0) | mask);
  }

  /** Notes what other views in it read. */
  noteViews(...views: readonly (CompiledView | undefined)[]): Reads {
    const all = new Map<number, number>();
    for (const view of views)
      for (const [level, mask] of view?.reads ?? []) all.set(level, (all.get(level) ?? 0) | mask);
    const reads = [...all];
    this.note(reads);
    return reads;
  }

  /** Makes a node a dynamic part, which may have one of its attributes. */
  part(node: StaticNode | CompiledView, work: DynamicPart['work'], attribute?: string): void {
    if (attribute !== undefined) {
      const at = this.#number(node);
      this.attributes.set(at, [...(this.attributes.get(at) ?? []), attribute]);
    }
    this.parts.push({ at: this.#number(node), work });
  }

  /** Whether one of the nodes on the way to its parts is a form, whose controls' names hide its members. */
  isForm(at: number): boolean {
    for (const [node, number] of this.#numbers)
      if (number === at) return node instanceof StaticElement && node.tag === 'form';
    return false;
  }

  /** The same of a child of one of those nodes. */
  isFormAt(parent: number, child: number): boolean {
    for (const [node, number] of this.#numbers) {
      if (number !== parent) continue;
      const found = (node as Around).content.find((one) => this.#childOf(node as Around, one) === child);
      return found instanceof StaticElement && found.tag === 'form';
    }
    return false;
  }

  #number(node: StaticNode | Around): number {
    const known = this.#numbers.get(node);
    if (known !== undefined) return known;
    const parent = this.#parents.get(node as StaticNode) as Around;
    const from = this.#number(parent);
    this.steps.push(from, this.#childOf(parent, node as StaticNode));
    const number = this.steps.length / 2;
    this.#numbers.set(node, number);
    return number;
  }

  /** Which child of its parent a node is going to be. */
  #childOf({ content }: Around, node: StaticNode): number {
    let child = 0;
    for (const one of content) {
      if (one === node) break;
      child += one instanceof StaticHtml ? this.common.count(one.html) : 1;
    }
    return child;
  }
}

/** A mask of a level's scope, as what something reads. */
export function own(level: Level, mask: number): Reads {
  return [[level.index, mask]];
}
