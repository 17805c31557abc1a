import { coreOf, type ExprCore, plainText } from '../template/index.js';

/** Stands for a value that is known only at render time. */
export const open: unique symbol = Symbol('open');

/** What an expression comes to when only these props are known; `open` where it needs more. */
export function knownValue(core: ExprCore, props: ReadonlyMap<string, unknown>): unknown {
  const { op } = core;
  switch (op.op) {
    case 'prop':
      return props.has(op.name) ? props.get(op.name) : open;
    case 'field': {
      const whole = knownValue(op.of, props);
      if (whole === open || whole === null || whole === undefined) return whole === open ? open : undefined;
      return (whole as Record<string, unknown>)[op.key];
    }
    case 'calc':
    case 'phrase': {
      const inputs = op.op === 'calc' ? op.inputs : op.parts;
      if (op.op === 'calc' && inputs.length === 0) return open;
      const values = inputs.map((input) => inputValue(input, props));
      return values.includes(open) ? open : withInputs(core, inputs, values);
    }
    default:
      return open;
  }
}

function inputValue(input: unknown, props: ReadonlyMap<string, unknown>): unknown {
  const core = coreOf(input);
  return core ? knownValue(core, props) : input;
}

/** Works an expression out with its inputs' values; one that fails is left open for rendering to report. */
function withInputs(core: ExprCore, inputs: readonly unknown[], values: readonly unknown[]): unknown {
  const { op } = core;
  if (op.op === 'phrase') {
    return op.strings.map((text, at) => text + (at < inputs.length ? plainText(values[at]) : '')).join('');
  }
  if (op.op !== 'calc') return open;
  try {
    return op.compute(...values);
  } catch {
    return open;
  }
}
