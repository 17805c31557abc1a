import { type Core, ExprCore, inputsOf } from '../template/index.js';
import type { PlanKind, PlanNode, PlanOf, PlanUse } from './plan.js';

/** Whether content comes to anything: known, or an expression of it, read in the scope where the content is written. */
export type Filled = boolean | Core;

/** What a kind of node says of itself. */
export interface NodeFacts<Node> {
  /** The expressions that it reads itself. */
  reads(node: Node): readonly Core[];
  /** The content that it holds, each piece with the locals that it sets for it. */
  blocks(node: Node): readonly Inner[];
  filled(node: Node): Filled;
}

export interface Inner {
  readonly block: Block;
  readonly locals: readonly number[];
}

/** A line for each kind of node. */
export type FactsTable = { readonly [Kind in PlanKind]: NodeFacts<PlanOf<Kind>> };

/** Content that is shown as one, and what is known of it. */
export class Block {
  readonly nodes: readonly PlanNode[];
  private readonly table: FactsTable;
  private knownFilled: Filled | undefined;
  private knownReads: readonly Core[] | undefined;
  private knownUses: readonly PlanUse[] | undefined;

  constructor(nodes: readonly PlanNode[], table: FactsTable) {
    this.nodes = nodes;
    this.table = table;
    this.knownFilled = undefined;
    this.knownReads = undefined;
    this.knownUses = undefined;
  }

  /** Whether it comes to anything: text, elements and uses always do, conditions and rows by what they give. */
  get filled(): Filled {
    if (this.knownFilled === undefined) {
      let filled: Filled = false;
      for (const node of this.nodes) filled = either(filled, this.factsOf(node).filled(node));
      this.knownFilled = filled;
    }
    return this.knownFilled;
  }

  /** Every expression that is read in it, in the scope where it is written. */
  get reads(): readonly Core[] {
    this.knownReads ??= this.nodes.flatMap((node) => [
      ...this.factsOf(node).reads(node),
      ...this.factsOf(node)
        .blocks(node)
        .flatMap(({ block }) => block.reads),
    ]);
    return this.knownReads;
  }

  /** Every use in it, those in the content of others too. */
  get uses(): readonly PlanUse[] {
    this.knownUses ??= this.all('use');
    return this.knownUses;
  }

  private knownCount: number | undefined;

  /** How many nodes stand in it, at any depth. */
  get count(): number {
    this.knownCount ??= this.nodes.reduce(
      (sum, node) =>
        sum +
        1 +
        this.factsOf(node)
          .blocks(node)
          .reduce((inner, { block }) => inner + block.count, 0),
      0,
    );
    return this.knownCount;
  }

  /** Whether a slot of the component stands in it. */
  get placesSlots(): boolean {
    return this.some((node) => node.kind === 'slot');
  }

  /** Whether something in it asks if a slot is filled: by name, or by what is made of the answer. */
  get asksForSlots(): boolean {
    return (
      this.reads.some((core) => readsOp(core, 'filled')) ||
      this.uses.some(({ fills }) => fills.some((fill) => fill?.block.placesSlots))
    );
  }

  /** Every node of a kind in it, at any depth. */
  all<Kind extends PlanKind>(kind: Kind): readonly PlanOf<Kind>[] {
    return this.nodes.flatMap((node) => [
      ...(node.kind === kind ? [node as PlanOf<Kind>] : []),
      ...this.factsOf(node)
        .blocks(node)
        .flatMap(({ block }) => block.all(kind)),
    ]);
  }

  /** Whether a node in it, at any depth, is of some kind. */
  some(test: (node: PlanNode) => boolean): boolean {
    return this.nodes.some(
      (node) =>
        test(node) ||
        this.factsOf(node)
          .blocks(node)
          .some(({ block }) => block.some(test)),
    );
  }

  /** Other nodes as a block of their own. */
  of(nodes: readonly PlanNode[]): Block {
    return new Block(nodes, this.table);
  }

  factsOf(node: PlanNode): NodeFacts<PlanNode> {
    return factsIn(this.table, node);
  }
}

function factsIn(table: FactsTable, node: PlanNode): NodeFacts<PlanNode> {
  // The facts of a kind are of just that kind; TypeScript cannot follow the two through one index.
  return table[node.kind] as NodeFacts<PlanNode>;
}

/** Whether an expression, or one that it is made from, is of some kind. */
export function readsOp(core: Core, op: Core['op']['op']): boolean {
  return core.op.op === op || inputsOf(core).some((input) => readsOp(input, op));
}

/** Whether one of two comes to anything. */
export function either(a: Filled, b: Filled): Filled {
  if (a === true || b === true) return true;
  if (a === false) return b;
  return b === false ? a : new ExprCore({ op: 'binary', operator: 'or', left: a, right: b });
}

/** Whether content comes to anything, as an expression. */
export function filledCore(filled: Filled): Core {
  return typeof filled === 'boolean' ? new ExprCore({ op: 'literal', value: filled }) : filled;
}

/** Whether both of two come to something. */
export function both(a: Filled, b: Filled): Filled {
  if (a === false || b === false) return false;
  if (a === true) return b;
  return b === true ? a : new ExprCore({ op: 'binary', operator: 'and', left: a, right: b });
}

/** Whether something renders nothing. */
export function isNot(filled: Filled): Filled {
  return typeof filled === 'boolean' ? !filled : new ExprCore({ op: 'unary', operator: 'not', of: filled });
}
