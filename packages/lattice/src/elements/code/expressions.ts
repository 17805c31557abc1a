import { constantCode, isIdentifier, memberCode, NotWritten } from '../../code/constants.js';
import { operationCode } from '../../code/expressions.js';
import type { AnyKind } from '../../component/index.js';
import { type Core, canFail, describe } from '../../template/index.js';
import { RuleOf } from '../compile/props.js';
import type { Writer } from './writer.js';

const noNames: ReadonlyMap<number, string> = new Map();

/** The code of an expression's value, of a scope `s`; `names` are those of locals that are at hand by themselves. */
export function coreCode(
  { op }: Pick<Core, 'op'>,
  to: Writer,
  scope = 's',
  names: ReadonlyMap<number, string> = noNames,
): string {
  const code = (core: Core): string => coreCode(core, to, scope, names);
  return operationCode(op, {
    code,
    perhaps: code,
    name: (called) => to.name(called),
    kept: {
      prop: ({ index }) => `${scope}.props[${index}]`,
      state: ({ name }) => `${scope}.state${isIdentifier(name) ? '.' : ''}${memberCode(name)}`,
      local: ({ local }) => names.get(local) ?? `${scope}.locals[${local}]`,
      event: () => 'e',
      data: () => `${scope}.data`,
      shared: ({ name }) => `${scope}.shared?.get(${JSON.stringify(name)})`,
      filled: ({ index }) => `${to.name('isFilled')}(${scope}, ${index})`,
      uid: ({ label, depth }) => `(${JSON.stringify(label)} + (${scope}.at?.[${depth}] ?? ""))`,
      literal: ({ value }) => constantCode(value),
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
      written({ text, of }) {
        if (!canFail(of)) return code(of);
        const get = to.line(
          to.call('guarded', `(s) => ${coreCode(of, to)}`, `() => ${JSON.stringify(text)}`),
        );
        return `${get}(${scope})`;
      },
      read({ of, component, declared, prop }) {
        const rule = to.line(to.rule(new RuleOf(declared as AnyKind, component, prop)));
        return `${to.name('readText')}(${rule}, ${code(of)})`;
      },
      outer: ({ of, up }) => coreCode(of, to, `${scope}${'.owner'.repeat(up)}`),
      any({ list, item, of, isEach }) {
        const get = to.call(
          'anyRow',
          `(s) => ${coreCode(list, to)}`,
          String(item),
          `(s) => ${coreCode(of, to)}`,
          ...(isEach ? ['true'] : []),
        );
        return `${to.line(get)}(${scope})`;
      },
    },
  });
}
