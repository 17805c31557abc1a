import { compare, numberOf, ownField, plus, same } from '../../template/index.js';
import type { BinaryOperator, ExpressionTree } from './tree.js';

/** Works an expression out from the values of its names: a list of them, or where it has one name, that value alone. */
type Evaluate = (values: unknown) => unknown;

/**
 * How to work out an expression, given where each of its names is found among the values handed over; `undefined`
 * where it has one name alone.
 */
export function evaluator(
  tree: ExpressionTree,
  slotOf: (name: string) => number | undefined,
  helpers: Readonly<Record<string, (...args: never[]) => unknown>>,
): Evaluate {
  const make = (part: ExpressionTree): Evaluate => evaluator(part, slotOf, helpers);
  switch (tree.kind) {
    case 'literal': {
      const { value } = tree;
      return () => value;
    }
    case 'name': {
      const slot = slotOf(tree.name);
      return slot === undefined ? itself : (values) => (values as readonly unknown[])[slot];
    }
    case 'field': {
      const of = make(tree.of);
      if (tree.key.kind === 'literal') {
        const name = String(tree.key.value);
        return of === itself ? (value) => ownField(value, name) : (values) => ownField(of(values), name);
      }
      const key = make(tree.key);
      return (values) => ownField(of(values), key(values));
    }
    case 'call': {
      const args = tree.args.map(make);
      const helper = Object.hasOwn(helpers, tree.name) ? helpers[tree.name] : undefined;
      return (values) => helper?.(...(args.map((arg) => arg(values)) as never[]));
    }
    case 'list': {
      const items = tree.items.map(make);
      return (values) => items.map((item) => item(values));
    }
    case 'unary': {
      const of = make(tree.of);
      if (tree.operator === 'not') return (values) => !of(values);
      const sign = tree.operator === '-' ? -1 : 1;
      return (values) => sign * numberOf(of(values), tree.operator);
    }
    case 'choice': {
      const [test, holds, otherwise] = [make(tree.test), make(tree.holds), make(tree.otherwise)];
      return (values) => (test(values) ? holds(values) : otherwise(values));
    }
    case 'binary':
      return binary(tree.operator, make(tree.left), make(tree.right));
  }
}

function itself(value: unknown): unknown {
  return value;
}

function binary(operator: BinaryOperator, left: Evaluate, right: Evaluate): Evaluate {
  switch (operator) {
    case '??':
      return (values) => left(values) ?? right(values);
    case 'or':
      return (values) => left(values) || right(values);
    case 'and':
      return (values) => left(values) && right(values);
    case '==':
      return (values) => same(left(values), right(values));
    case '!=':
      return (values) => !same(left(values), right(values));
    case '<':
      return (values) => compare(left(values), right(values), (order) => order < 0);
    case '<=':
      return (values) => compare(left(values), right(values), (order) => order <= 0);
    case '>':
      return (values) => compare(left(values), right(values), (order) => order > 0);
    case '>=':
      return (values) => compare(left(values), right(values), (order) => order >= 0);
    case '+':
      return (values) => plus(left(values), right(values));
    case '-':
      return (values) => numberOf(left(values), '-') - numberOf(right(values), '-');
    case '*':
      return (values) => numberOf(left(values), '*') * numberOf(right(values), '*');
    case '/':
      return (values) => numberOf(left(values), '/') / numberOf(right(values), '/');
    case '%':
      return (values) => numberOf(left(values), '%') % numberOf(right(values), '%');
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
export function visit(tree: ExpressionTree, see: (part: ExpressionTree) => void): void {
  see(tree);
  switch (tree.kind) {
    case 'field':
      visit(tree.of, see);
      return visit(tree.key, see);
    case 'call':
      return tree.args.forEach((arg) => visit(arg, see));
    case 'list':
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
