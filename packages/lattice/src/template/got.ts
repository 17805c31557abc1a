import { printValue } from '../problem/index.js';
import { coreOf } from './expression/expr.js';
import { isNode } from './node.js';

/** What was given where a template takes something else, as messages say it. */
export function gotIn(value: unknown): string {
  if (coreOf(value)) return 'an expression';
  return isNode(value) ? 'a piece of a template' : printValue(value);
}
