import { LatticeError, type Problem } from '../problem/index.js';
import { failedValue } from '../template/index.js';
import type { Frame, Where } from './frame.js';

/** What is thrown, as problems. */
export function problemsOf(thrown: unknown, name: string, where: Where, frame: Frame): readonly Problem[] {
  const failed = failedValue(thrown, name, where.path(frame));
  return failed instanceof LatticeError ? failed.problems : [];
}
