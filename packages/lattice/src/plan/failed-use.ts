import type { UseNode } from '../component/index.js';
import { failedIn, LatticeError, type Problem, placed } from '../problem/index.js';
import { bindProps } from './bind.js';

/** What was thrown while a use was followed or written, as a problem: of the prop whose value throws, where it is that. */
export function failedUse(thrown: unknown, use: UseNode): unknown {
  const { name } = use.component;
  const failed = failedIn(thrown, name);
  if (failed === thrown || !(failed instanceof LatticeError)) return failed;
  const problems: Problem[] = [];
  try {
    bindProps(use, (found) => problems.push(placed(found, name)));
  } catch {
    // What cannot even be bound has been reported as a whole.
  }
  return problems.length > 0 ? new LatticeError(problems, { cause: thrown }) : failed;
}
