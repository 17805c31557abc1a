import type { AnyKind } from '../../component/index.js';
import {
  type BinaryOperator,
  byOp,
  type Core,
  describe,
  inputsOf,
  type OpTable,
} from '../../template/index.js';
import { RuleOf } from '../compile/props.js';
import { constantCode, isIdentifier, memberCode, NotWritten } from './constants.js';
import type { Writer } from './writer.js';

/** The code of an expression's value, of a scope `s`. */
export function coreCode({ op }: Pick<Core, 'op'>, to: Writer, scope = 's'): string {
  return byOp(tableFor(to, scope), op);
}

function tableFor(to: Writer, scope: string): OpTable<string> {
  const code = (core: Core): string => coreCode(core, to, scope);
  return {
    prop: ({ index }) => `${scope}.props[${index}]`,
    state: ({ name }) => `${scope}.state${isIdentifier(name) ? '.' : ''}${memberCode(name)}`,
    local: ({ local }) => `${scope}.locals[${local}]`,
    event: () => 'e',
    shared: ({ name }) => `${scope}.shared?.get(${JSON.stringify(name)})`,
    filled: ({ index }) => `${to.name('isFilled')}(${scope}, ${index})`,
    uid: ({ label, depth }) => `(${JSON.stringify(label)} + (${scope}.at?.[${depth}] ?? ""))`,
    literal: ({ value }) => constantCode(value),
    field: ({ of, key }) => `${code(of)}?.${memberCode(key)}`,
    member: ({ of, key }) => `${to.name('ownField')}(${code(of)}, ${code(key)})`,
    calc(op) {
      const compute = to.sources.closure(op.compute);
      const text = describe({ op });
      if (compute instanceof NotWritten) throw new NotWritten(`${text}: its function ${compute.message}`);
      const inputs = op.inputs.map((input) => `(s) => ${coreCode(input, to)}`);
      const name = to.line(
        to.call('calculated', `[${inputs.join(', ')}]`, compute, `() => ${JSON.stringify(text)}`),
      );
      return `${name}(${scope})`;
    },
    call({ name, args, component, compute }) {
      const helper = to.sources.helper(component, name, compute);
      if (helper === undefined)
        throw new NotWritten(`the helpers of ${component} are not written out where it is made`);
      return `${to.line(helper)}(${args.map(code).join(', ')})`;
    },
    phrase({ strings, parts }) {
      const all = strings.flatMap((text, at) => [
        ...(text === '' ? [] : [JSON.stringify(text)]),
        ...(parts[at] ? [`${to.name('plainText')}(${code(parts[at])})`] : []),
      ]);
      return all.length === 0 ? '""' : `(${all.join(' + ')})`;
    },
    list: ({ items }) => `[${items.map(code).join(', ')}]`,
    unary: ({ operator, of }) =>
      operator === 'not' ? `!(${code(of)})` : `(${operator}${numberCode(code(of), operator, to)})`,
    binary: ({ operator, left, right }) => binaryCode(operator, code(left), code(right), to),
    choice: ({ test, holds, otherwise }) => `((${code(test)}) ? (${code(holds)}) : (${code(otherwise)}))`,
    written({ text, of }) {
      if (!canFail(of)) return code(of);
      const get = to.line(to.call('guarded', `(s) => ${coreCode(of, to)}`, `() => ${JSON.stringify(text)}`));
      return `${get}(${scope})`;
    },
    read({ of, component, declared, prop }) {
      const rule = to.line(to.rule(new RuleOf(declared as AnyKind, component, prop)));
      return `${to.name('readText')}(${rule}, ${code(of)})`;
    },
    outer: ({ of, up }) => coreCode(of, to, `${scope}${'.owner'.repeat(up)}`),
    something: ({ of }) => `${to.name('isSomething')}(${code(of)})`,
    full: ({ of }) => `${to.name('isFull')}(${code(of)})`,
    any({ list, item, of }) {
      const get = to.call(
        'anyRow',
        `(s) => ${coreCode(list, to)}`,
        String(item),
        `(s) => ${coreCode(of, to)}`,
      );
      return `${to.line(get)}(${scope})`;
    },
  };
}

/** Whether an expression of HTML text may stop with an error: only calculations and calls may. */
function canFail(core: Core): boolean {
  const { op } = core;
  const isRisky =
    op.op === 'call' ||
    (op.op === 'unary' && op.operator !== 'not') ||
    (op.op === 'binary' && /^[-+*/%]$/.test(op.operator));
  return isRisky || inputsOf(core).some(canFail);
}

function numberCode(code: string, operator: string, to: Writer): string {
  return `${to.name('numberOf')}(${code}, ${JSON.stringify(operator)})`;
}

const plainOperators: Readonly<Partial<Record<BinaryOperator, string>>> = { '??': '??', or: '||', and: '&&' };

function binaryCode(operator: BinaryOperator, left: string, right: string, to: Writer): string {
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
