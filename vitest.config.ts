import { availableParallelism } from 'node:os';
import { defineConfig } from 'vitest/config';
import { sourceAliases } from './tests/support/sources.js';

/**
 * What looks inside the library, which has to be the same copy then; and what loads modules of its own in the test's
 * process, whose lines are only known where Vitest loads all of it.
 */
export const ofSources = [
  'tests/attack/attack.test.ts',
  'tests/batch/batch.test.ts',
  'tests/browser/reach.test.ts',
  'tests/check/check.test.ts',
  'tests/check/other-checker.test.ts',
  'tests/check/types.test.ts',
  'tests/cli/tree-page.test.ts',
  'tests/html/code.test.ts',
  'tests/markup/expression-code.test.ts',
  'tests/markup/readers.test.ts',
  'tests/problems/table.test.ts',
  'tests/problems/text-words.test.ts',
  'tests/problems/unclosed.test.ts',
  'tests/same/decided.test.ts',
  'tests/same/same.test.ts',
  'tests/samples/samples.test.ts',
  'tests/tree/conforming.test.ts',
  'tests/tree/large.test.ts',
];

export default defineConfig({
  test: {
    testTimeout: 120_000,
    hookTimeout: 120_000,
    // Most tests wait for a browser, a compiler or a command as much as they work.
    maxWorkers: availableParallelism() + 1,
    globalSetup: 'scripts/built.mjs',
    projects: [
      {
        extends: true,
        test: {
          name: 'as built',
          include: ['tests/**/*.test.ts', 'examples/start/**/*.test.ts'],
          exclude: ofSources,
          // The library as it is built, loaded as users have it: once for all files of a worker.
          server: { deps: { external: [/\/dist\//] } },
          isolate: false,
        },
      },
      {
        extends: true,
        resolve: { alias: sourceAliases('node') },
        test: { name: 'sources', include: ofSources },
      },
    ],
  },
});
