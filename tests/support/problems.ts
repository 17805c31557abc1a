import { LatticeError, type Problem } from 'zesty-lattice';

/** The problems that a call throws. Fails when it throws none. */
export function problemsOf(call: () => unknown): readonly Problem[] {
  try {
    call();
  } catch (thrown) {
    if (thrown instanceof LatticeError) return thrown.problems;
    throw thrown;
  }
  throw new Error('Nothing was thrown.');
}

/** Message and hint of the one problem that a call throws. */
export function onlyProblem(call: () => unknown): Problem & { readonly words: string } {
  const [problem, ...more] = problemsOf(call);
  if (!problem || more.length > 0)
    throw new Error(`Expected one problem: ${JSON.stringify([problem, ...more], null, 2)}`);
  return { ...problem, words: `${problem.message} ${problem.hint}` };
}
