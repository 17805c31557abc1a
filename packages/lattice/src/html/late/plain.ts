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
  switch (step.kind) {
    case 'text':
    case 'show':
    case 'attribute':
    case 'made':
    case 'let':
    case 'state':
    case 'entry':
    case 'report':
    case 'accepted':
      return true;
    case 'choose':
      return arePlain(step.yes) && arePlain(step.no);
    case 'apart':
    case 'provide':
      return arePlain(step.inner);
    case 'changing':
      return arePlain(step.start) && arePlain(step.content);
    case 'call':
      return step.fills.every((fill) => !fill) && arePlain(step.routine().parts.steps);
    case 'rows':
    case 'fill':
    case 'ready':
    case 'host':
    case 'load':
    case 'guard':
      return false;
  }
}
