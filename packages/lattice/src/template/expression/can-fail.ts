import { inputsOf } from './inputs.js';
import type { Core } from './ops.js';

/** Whether an expression may stop with an error: only calculations and calls may. */
export function canFail(core: Core): boolean {
  const { op } = core;
  const isRisky =
    op.op === 'calc' ||
    op.op === 'call' ||
    (op.op === 'unary' && op.operator !== 'not') ||
    (op.op === 'binary' && /^[-+*/%]$/.test(op.operator));
  return isRisky || inputsOf(core).some(canFail);
}
