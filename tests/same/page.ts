import 'zesty-lattice/markup';
import fc from 'fast-check';
import { cases } from './cases/index.js';
import { compare, type Difference, type Planning } from './compare.js';
import { caseOf, kindsIn, randomCases } from './random.js';

/** How many random cases were compared, in which ways, and of what they were made. */
export interface RandomOutcome {
  readonly compared: Readonly<Record<string, number>>;
  readonly kinds: Readonly<Record<string, number>>;
  /** Which writings a case has not, and why. */
  readonly left: Readonly<Record<string, number>>;
  /** The smallest case that differs, if one does. */
  readonly failed?: { readonly description: string; readonly differences: readonly Difference[] };
}

async function compareRandom(runs: number, seed: number, planning: Planning): Promise<RandomOutcome> {
  const compared: Record<string, number> = {};
  const kinds: Record<string, number> = {};
  const left: Record<string, number> = {};
  let differences: readonly Difference[] = [];
  const outcome = await fc.check(
    fc.asyncProperty(randomCases, async (random) => {
      const result = await compare(caseOf(random), planning);
      for (const way of result.compared) compared[way] = (compared[way] ?? 0) + 1;
      for (const [way, why] of Object.entries(result.left))
        left[`${way}: ${why}`] = (left[`${way}: ${why}`] ?? 0) + 1;
      for (const kind of kindsIn(random)) kinds[kind] = (kinds[kind] ?? 0) + 1;
      if (result.differences.length === 0) return;
      differences = result.differences;
      throw new Error('It differs.');
    }),
    // What differs is made smaller for a while only.
    { numRuns: runs, seed, interruptAfterTimeLimit: 300_000, markInterruptAsFailure: true },
  );
  if (!outcome.failed) return { compared, kinds, left };
  const thrown = outcome.errorInstance as Error;
  const description = `${JSON.stringify(outcome.counterexample)} ${thrown.message === 'It differs.' ? '' : thrown.stack}`;
  return { compared, kinds, left, failed: { description, differences } };
}

Object.assign(window, {
  compareCase: (at: number, planning: Planning) => {
    const one = cases[at];
    return one && compare(one, planning);
  },
  compareRandom,
});
