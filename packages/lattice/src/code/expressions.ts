import type { BinaryOperator, Core, Op, OpName, OpOf, OpTable } from '../template/index.js';
import { constantCode, memberCode } from './constants.js';

/** What expressions call when they are code: functions of `template/`, by name. */
export type ExpressionFunction =
  | 'compare'
  | 'isFull'
  | 'isSomething'
  | 'numberOf'
  | 'ownField'
  | 'plainText'
  | 'plus'
  | 'same';

/** Operations that are written by whoever knows where values are kept. */
type Kept =
  | 'any'
  | 'calc'
  | 'call'
  | 'data'
  | 'event'
  | 'filled'
  | 'literal'
  | 'local'
  | 'outer'
  | 'prop'
  | 'read'
  | 'shared'
  | 'state'
  | 'uid'
  | 'written';

/** How an expression's parts are written: where values are kept, and what functions are called. */
export interface ExpressionWords {
  readonly kept: Pick<OpTable<string>, Kept>;
  name(called: ExpressionFunction): string;
  code(core: Core): string;
  /** The same for a part that is not always read. */
  perhaps(core: Core): string;
}

/** The code of an operation. */
export function operationCode(op: Op, words: ExpressionWords): string {
  // The line for an operation takes just that operation; TypeScript cannot follow the two through one index.
  const line = (table as Partial<Record<OpName, (op: Op, words: ExpressionWords) => string>>)[op.op];
  return line ? line(op, words) : (words.kept[op.op as Kept] as (op: Op) => string)(op);
}

const numberCode = (of: Core, operator: string, { code, name }: ExpressionWords): string =>
  `${name('numberOf')}(${code(of)}, ${JSON.stringify(operator)})`;

const table: {
  readonly [Name in Exclude<OpName, Kept>]: (op: OpOf<Name>, words: ExpressionWords) => string;
} = {
  field: ({ of, key }, { code }) => `${code(of)}?.${memberCode(key)}`,
  member: ({ of, key }, { code, name }) => `${name('ownField')}(${code(of)}, ${code(key)})`,
  phrase({ strings, parts }, { code, name }) {
    const all = strings.flatMap((text, at) => [
      ...(text === '' ? [] : [constantCode(text)]),
      ...(parts[at] ? [`${name('plainText')}(${code(parts[at])})`] : []),
    ]);
    return all.length === 0 ? '""' : `(${all.join(' + ')})`;
  },
  list: ({ items }, { code }) => `[${items.map(code).join(', ')}]`,
  // A key in brackets is a field of any name, `__proto__` as well; the record in brackets is no block of statements.
  record: ({ items, keys }, { code }) =>
    `({ ${keys.map((key, at) => `[${constantCode(key)}]: ${code(items[at] as Core)}`).join(', ')} })`,
  unary: ({ operator, of }, words) =>
    operator === 'not' ? `!(${words.code(of)})` : `(${operator}${numberCode(of, operator, words)})`,
  binary({ operator, left, right }, words) {
    const { code, name, perhaps } = words;
    const plain = plainOperators[operator];
    if (plain) return `((${code(left)}) ${plain} (${perhaps(right)}))`;
    switch (operator) {
      case '==':
        return `${name('same')}(${code(left)}, ${code(right)})`;
      case '!=':
        return `!${name('same')}(${code(left)}, ${code(right)})`;
      case '<':
      case '<=':
      case '>':
      case '>=':
        return `${name('compare')}(${code(left)}, ${code(right)}, (order) => order ${operator} 0)`;
      case '+':
        return `${name('plus')}(${code(left)}, ${code(right)})`;
      default:
        return `(${numberCode(left, operator, words)} ${operator} ${numberCode(right, operator, words)})`;
    }
  },
  choice: ({ test, holds, otherwise }, { code, perhaps }) =>
    `((${code(test)}) ? (${perhaps(holds)}) : (${perhaps(otherwise)}))`,
  something: ({ of }, { code, name }) => `${name('isSomething')}(${code(of)})`,
  full: ({ of }, { code, name }) => `${name('isFull')}(${code(of)})`,
};

const plainOperators: Readonly<Partial<Record<BinaryOperator, string>>> = { '??': '??', or: '||', and: '&&' };
