import type { LiveName } from '../elements/draft/call.js';
import type { BinaryOperator, ExpressionTree } from '../markup/expression/tree.js';
import type { ReadText } from '../template/index.js';

/** What an expression's code calls: functions of a page's part, and the component's own helpers. */
export interface Callable {
  name(name: LiveName): string;
  helper(name: string): string;
}

/** The code of a template text's expression: a function of the values of its names. */
export function expressionCode({ names, tree }: ReadText, to: Callable): string {
  const params = names.map((_name, index) => `v${index}`);
  return `(${params.join(', ')}) => ${codeOf(tree as ExpressionTree, names, to)}`;
}

function codeOf(tree: ExpressionTree, names: readonly string[], to: Callable): string {
  const again = (part: ExpressionTree): string => codeOf(part, names, to);
  switch (tree.kind) {
    case 'literal':
      return JSON.stringify(tree.value);
    case 'name':
      return `v${names.indexOf(tree.name)}`;
    case 'field':
      return `${to.name('ownField')}(${again(tree.of)}, ${
        tree.key.kind === 'literal' ? JSON.stringify(String(tree.key.value)) : again(tree.key)
      })`;
    case 'call':
      return `${to.helper(tree.name)}(${tree.args.map(again).join(', ')})`;
    case 'list':
      return `[${tree.items.map(again).join(', ')}]`;
    case 'unary':
      return tree.operator === 'not'
        ? `!(${again(tree.of)})`
        : `(${tree.operator}${numberCode(again(tree.of), tree.operator, to)})`;
    case 'choice':
      return `((${again(tree.test)}) ? (${again(tree.holds)}) : (${again(tree.otherwise)}))`;
    case 'binary':
      return binaryCode(tree.operator, again(tree.left), again(tree.right), to);
  }
}

function numberCode(code: string, operator: string, to: Callable): string {
  return `${to.name('numberOf')}(${code}, ${JSON.stringify(operator)})`;
}

const plainOperators: Readonly<Partial<Record<BinaryOperator, string>>> = { '??': '??', or: '||', and: '&&' };

function binaryCode(operator: BinaryOperator, left: string, right: string, to: Callable): string {
  const plain = plainOperators[operator];
  if (plain) return `((${left}) ${plain} (${right}))`;
  switch (operator) {
    case '==':
      return `${to.name('same')}(${left}, ${right})`;
    case '!=':
      return `!${to.name('same')}(${left}, ${right})`;
    case '<':
    case '<=':
    case '>':
    case '>=':
      return `${to.name('compare')}(${left}, ${right}, (order) => order ${operator} 0)`;
    case '+':
      return `${to.name('plus')}(${left}, ${right})`;
    default:
      return `(${numberCode(left, operator, to)} ${operator} ${numberCode(right, operator, to)})`;
  }
}
