import type { Problem } from './problem.js';

const causes = /* @__PURE__ */ new WeakMap<Problem, unknown>();

/** Keeps what was thrown beside the problem it became: a problem itself is data that may be sent anywhere. */
export function causedBy(problem: Problem, cause: unknown): Problem {
  causes.set(problem, cause);
  return problem;
}

/** Returns what was thrown; undefined for a problem that nothing threw. */
export function causeOf(problem: Problem): unknown {
  return causes.get(problem);
}
