import { availableParallelism } from 'node:os';
import { defineConfig } from 'vitest/config';
import { sourceAliases } from './tests/support/sources.js';

/** What is tested by itself, from its sources: no build, no process, no browser, so that it answers after an edit at once. */
export const rooms = [
  'tests/define/*.test.ts',
  'tests/recorded/*.test.ts',
  'tests/{html,plan,styles,template,tree}/*.test.ts',
  'tests/loading/streams.test.ts',
  'tests/mail/{hostile,text}.test.ts',
  'tests/markup/{adopt,adopt-hostile,both-writings,broken,comments,documents,documents-hostile,expression-code,expressions,hostile-names,loaded,rows,soup,templates}.test.ts',
  'tests/problems/{hostile-values,not-json,table,text-words,too-deep,unclosed}.test.ts',
  'tests/same/decided.test.ts',
];

/**
 * What looks inside the library, which has to be the same copy then; and what loads modules of its own in the test's
 * process, whose lines are only known where Vitest loads all of it.
 */
export const ofSources = [
  'tests/attack/attack.test.ts',
  'tests/batch/again.test.ts',
  'tests/batch/batch.test.ts',
  'tests/batch/rows.test.ts',
  'tests/browser/reach.test.ts',
  'tests/check/check.test.ts',
  'tests/check/other-checker.test.ts',
  'tests/check/types.test.ts',
  'tests/cli/tree-page.test.ts',
  'tests/markup/readers.test.ts',
  'tests/same/same.test.ts',
  'tests/samples/samples.test.ts',
];

export default defineConfig({
  test: {
    // No limit of how quick it is: on a day when the machine is another's, all takes ten times as long.
    testTimeout: 300_000,
    hookTimeout: 300_000,
    // A condition is waited for as long as a busy machine may take.
    expect: { poll: { timeout: 60_000, interval: 20 } },
    // Most tests wait for a browser, a compiler or a command as much as they work.
    maxWorkers: availableParallelism() + 1,
    experimental: { fsModuleCache: true },
    projects: [
      {
        extends: true,
        resolve: { alias: sourceAliases('node') },
        // All files of a worker share what they load.
        test: { name: 'rooms', include: rooms, isolate: false },
      },
      {
        extends: true,
        test: {
          name: 'as built',
          include: ['tests/**/*.test.ts', 'examples/start/**/*.test.ts'],
          exclude: [...rooms, ...ofSources],
          globalSetup: 'scripts/built.mjs',
          // The library as it is built, loaded as users have it: once for all files of a worker.
          server: { deps: { external: [/\/dist\//] } },
          isolate: false,
        },
      },
      {
        extends: true,
        resolve: { alias: sourceAliases('node') },
        test: {
          name: 'sources',
          include: ofSources,
          globalSetup: 'scripts/built.mjs',
        },
      },
    ],
  },
});
