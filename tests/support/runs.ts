/** Whether all is run: `npm run test:long`. A usual run leaves out what takes long and seldom shows more. */
export const isLong = process.env.LATTICE_TESTS === 'long';

/** All of a list where all is run; of a usual run, those that have to be in it. */
export const inRun = <T>(all: readonly T[], isUsual: (one: T) => boolean): readonly T[] =>
  isLong ? all : all.filter(isUsual);

/** How a page is looked at by axe: wide in light and narrow in dark; a usual run looks at one of the two. */
export const looks = (usual: 'light' | 'dark'): readonly (readonly ['light' | 'dark', number])[] =>
  inRun(
    [
      ['light', 1280],
      ['dark', 360],
    ] as const,
    ([scheme]) => scheme === usual,
  );

/**
 * How elements of a test's page are planned; a usual run has what is built, since `tests/same` compares both ways in each
 * run.
 */
export const plannings = inRun(
  [
    ['planned in the page', false],
    ['planned as the page was built', true],
  ] as const,
  ([, ahead]) => ahead,
);

/**
 * How many random cases a suite runs, and from which seed, which is printed: a thirtieth of them always from the same one,
 * all of them (`npm run test:long`) from a new one, unless `LATTICE_SEED` says which.
 */
export function runsOf(name: string, all: number): { readonly numRuns: number; readonly seed: number } {
  const numRuns = isLong ? all : Math.ceil(all / 30);
  const given = process.env.LATTICE_SEED;
  const seed = given ? Number(given) : isLong ? Math.floor(Math.random() * 2 ** 31) : 20261126;
  console.log(`${name}: ${numRuns} random cases, LATTICE_SEED=${seed}`);
  return { numRuns, seed };
}
