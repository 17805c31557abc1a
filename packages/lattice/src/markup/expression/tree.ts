import type { BinaryOperator } from '../../template/index.js';

export type { BinaryOperator } from '../../template/index.js';

/** What a template text's expressions are made of. Positions count characters from the expression's start. */
export type ExpressionTree =
  | { readonly kind: 'literal'; readonly value: string | number | boolean | null; readonly at: number }
  | { readonly kind: 'name'; readonly name: string; readonly at: number }
  | { readonly kind: 'field'; readonly of: ExpressionTree; readonly key: ExpressionTree; readonly at: number }
  | {
      readonly kind: 'call';
      readonly name: string;
      readonly args: readonly ExpressionTree[];
      readonly at: number;
    }
  | { readonly kind: 'list'; readonly items: readonly ExpressionTree[]; readonly at: number }
  | {
      readonly kind: 'record';
      readonly keys: readonly string[];
      readonly items: readonly ExpressionTree[];
      readonly at: number;
    }
  | {
      readonly kind: 'unary';
      readonly operator: 'not' | '-' | '+';
      readonly of: ExpressionTree;
      readonly at: number;
    }
  | {
      readonly kind: 'binary';
      readonly operator: BinaryOperator;
      readonly left: ExpressionTree;
      readonly right: ExpressionTree;
      readonly at: number;
    }
  | {
      readonly kind: 'choice';
      readonly test: ExpressionTree;
      readonly holds: ExpressionTree;
      readonly otherwise: ExpressionTree;
      readonly at: number;
    };

/** What is wrong with an expression, and where in it. */
export class ExpressionFault extends Error {
  readonly at: number;
  readonly hint: string;

  constructor(message: string, at: number, hint: string) {
    super(message);
    this.at = at;
    this.hint = hint;
  }
}

/** Every name an expression reads, each once, in the order it was written; helpers are called, not read. */
export function namesIn(tree: ExpressionTree): readonly { readonly name: string; readonly at: number }[] {
  const found = new Map<string, number>();
  visit(tree, (part) => {
    if (part.kind === 'name' && !found.has(part.name)) found.set(part.name, part.at);
  });
  return [...found].map(([name, at]) => ({ name, at }));
}

/** Calls `see` for a tree and all its parts, outermost first. */
function visit(tree: ExpressionTree, see: (part: ExpressionTree) => void): void {
  see(tree);
  switch (tree.kind) {
    case 'field':
      visit(tree.of, see);
      return visit(tree.key, see);
    case 'call':
      return tree.args.forEach((arg) => visit(arg, see));
    case 'list':
    case 'record':
      return tree.items.forEach((item) => visit(item, see));
    case 'unary':
      return visit(tree.of, see);
    case 'binary':
      visit(tree.left, see);
      return visit(tree.right, see);
    case 'choice':
      visit(tree.test, see);
      visit(tree.holds, see);
      return visit(tree.otherwise, see);
  }
}
