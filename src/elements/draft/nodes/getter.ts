import { coreOf, type ExprCore, isCore } from '../../../template/index.js';
import { Call, Constant } from '../call.js';

/** How to have something that may be an expression or a plain value. */
export function getterOf(candidate: unknown): ExprCore | Call {
  if (isCore(candidate)) return candidate;
  return coreOf(candidate) ?? new Call('always', [new Constant(candidate)]);
}
