import type { Problem } from '../../problem/index.js';
import type { Frame } from '../frame.js';
import { register } from '../lower/env.js';
import type { Register, RowsStep } from '../lower/steps.js';
import type { Pass } from '../pass.js';
import { Routine } from '../routine.js';

/** Rows in which something has to be waited for: they are written one by one. */
const waiting = new WeakSet<RowsStep>();

/** What writes rows of a step as `renderHtml` does: by code, once it has run a few times. */
const routines = new WeakMap<RowsStep, Map<Pass['how'], Routine>>();

function routineOf(step: RowsStep, how: Pass['how'], takes: Register): Routine {
  const known = routines.get(step) ?? new Map<Pass['how'], Routine>();
  routines.set(step, known);
  let routine = known.get(how);
  if (!routine) {
    const rows = { ...step, list: register(takes), from: takes + 1, empty: [] };
    const hints = Array.from({ length: takes + 2 }, () => 'v');
    const parts = { name: step.name(), key: '', takes: hints.length, hints, kinds: [], steps: [rows] };
    routine = new Routine(parts, how);
    known.set(how, routine);
  }
  return routine;
}

/**
 * The text of some rows; undefined where they have to be written one by one, since something in them waits or is wrong.
 *
 * @param from the number of the first
 */
export function rowsAtOnce(
  frame: Frame,
  step: RowsStep,
  items: readonly unknown[],
  from: number,
): string | undefined {
  const { pass } = frame;
  // Rules that stand for style attributes, and uses, are asked for as they come.
  if (waiting.has(step) || pass.isStrict || pass.uses) return undefined;
  const { choices, inRoot, late, onProblem, problems, sink } = pass;
  const [before, depth] = [problems.length, choices.length];
  const told: [Problem, unknown][] = [];
  pass.late = undefined;
  pass.sink = undefined;
  pass.onProblem = (...one) => void told.push(one as [Problem, unknown]);
  try {
    const own = frame.kept();
    const { locals } = own;
    const text = routineOf(step, pass.how, locals.length).run(own, '', ...locals, items, from);
    if (problems.length === before) {
      for (const one of told) onProblem(...one);
      return text;
    }
    if (problems.slice(before).some(({ code }) => code === 'async-needed')) waiting.add(step);
  } catch {
    // Written again one by one, which says in which of them it is.
  } finally {
    pass.late = late;
    pass.sink = sink;
    pass.onProblem = onProblem;
  }
  // What was open where it stopped is open no more.
  problems.length = before;
  pass.choices = choices.slice(0, depth);
  pass.inRoot = inRoot;
  return undefined;
}
