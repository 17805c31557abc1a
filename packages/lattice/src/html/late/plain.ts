import { partsOf } from '../lower/step-parts.js';
import type { Callable, Step } from '../lower/steps.js';

const known = new WeakMap<readonly Step[], boolean>();

/** Whether what a routine writes is all there at once: nothing in it waits, repeats, or is filled by its caller. */
export function isPlain({ parts }: Callable): boolean {
  return arePlain(parts.steps);
}

/** Whether steps write all they write at once. */
export function arePlain(steps: readonly Step[]): boolean {
  let is = known.get(steps);
  if (is === undefined) {
    // A routine that calls itself has nothing more in it by doing so.
    known.set(steps, true);
    is = steps.every(isPlainStep);
    known.set(steps, is);
  }
  return is;
}

function isPlainStep(step: Step): boolean {
  const { calls = [], inner, mayWait } = partsOf(step);
  if (mayWait || (step.kind === 'call' && step.fills.some((fill) => fill))) return false;
  return inner.every(arePlain) && calls.every((routine) => arePlain(routine().parts.steps));
}
