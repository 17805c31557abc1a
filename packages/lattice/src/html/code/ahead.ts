import type { ComponentCore } from '../../component/index.js';
import { isInteractive } from '../../plan/index.js';
import type { Form } from '../form.js';
import { routineOf, spotRoutine } from '../lower/index.js';
import { partsOf } from '../lower/step-parts.js';
import type { Callable, Step } from '../lower/steps.js';
import { printOf } from './print.js';
import { writeAhead, writeRoutine } from './writer.js';

/**
 * Returns the code of components, and of all that is called from them, as the entries of a record for `provideCode`: each
 * by component, form and kind. Names in it are numbers, so that it does not matter what a bundler has made of those in
 * the templates.
 */
export function codeAhead(components: Iterable<ComponentCore>): readonly string[] {
  const routines = [...components].flatMap((component) =>
    formsOf(component).flatMap((form) => [
      routineOf(component, form),
      ...(form === 'shadow' ? [] : [spotRoutine(component, form, 'usual', false)]),
    ]),
  );
  return [...withCalled(routines)].map(({ parts }) => {
    const print = JSON.stringify(printOf(parts));
    return `${JSON.stringify(parts.key)}: [${print}, (lattice, parts) => {\n${writeAhead(parts)}\n}]`;
  });
}

/** The code that a component's HTML text is written with, for people: that of the component, then of all it calls. */
export function codeOf(component: ComponentCore): string {
  return [...withCalled([routineOf(component, 'markup')])]
    .map(({ parts }) => writeRoutine(parts, true).code)
    .join('\n\n');
}

/** Routines with all that they call. */
function withCalled(first: Iterable<Callable>): ReadonlySet<Callable> {
  const routines = new Set(first);
  // A set that grows while it is walked is walked to its end.
  for (const { parts } of routines) called(parts.steps, routines);
  return routines;
}

function formsOf(component: ComponentCore): readonly Form[] {
  return isInteractive(component) ? ['markup', 'shadow'] : ['markup', 'elements'];
}

/** Adds the routines that steps call. */
function called(steps: readonly Step[], routines: Set<Callable>): void {
  for (const step of steps) {
    const { calls = [], inner } = partsOf(step);
    for (const routine of calls) routines.add(routine());
    for (const one of inner) called(one, routines);
  }
}
