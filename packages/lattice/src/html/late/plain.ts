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

/** Kinds of steps that may wait, or be written more than once; of a host and of what fills a slot that is not looked into. */
const mayWait: ReadonlySet<Step['kind']> = new Set(['rows', 'fill', 'ready', 'host', 'load', 'guard']);

function isPlainStep(step: Step): boolean {
  if (mayWait.has(step.kind)) return false;
  if (step.kind === 'call' && step.fills.some((fill) => fill)) return false;
  const { calls = [], inner } = partsOf(step);
  return inner.every(arePlain) && calls.every((routine) => arePlain(routine().parts.steps));
}
