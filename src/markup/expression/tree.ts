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

export type BinaryOperator =
  | '??'
  | 'or'
  | 'and'
  | '=='
  | '!='
  | '<'
  | '<='
  | '>'
  | '>='
  | '+'
  | '-'
  | '*'
  | '/'
  | '%';

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
