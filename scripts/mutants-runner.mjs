// Runs tests for scripts/mutants.mjs, in one process that stays between mutants: told which mutant counts and which test
// files to run, it answers whether one fails; told no files it runs all of them and answers which mutants each comes by.

import { readdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { Writable } from 'node:stream';
import { createVitest } from 'vitest/node';

const reachedFolder = join(process.env.LATTICE_MUTANTS, 'reached');
const silent = new Writable({ write: (_chunk, _encoding, done) => done() });
const vitest = await createVitest(
  'test',
  { watch: false, config: join(import.meta.dirname, 'mutants.config.mjs'), reporters: [{}], bail: 1 },
  {},
  { stdout: silent, stderr: silent },
);
const all = new Map((await vitest.globTestSpecifications()).map((one) => [one.moduleId, one]));

process.on('message', async ({ broken, files }) => {
  if (!files) rmSync(reachedFolder, { recursive: true, force: true });
  vitest.getRootProject().provide('broken', broken);
  vitest.state.clearErrors();
  const chosen = files ? files.map((path) => all.get(path)) : [...all.values()];
  const { testModules, unhandledErrors } = await vitest.runTestSpecifications(chosen);
  const ids = new Set(chosen.map(({ moduleId }) => moduleId));
  const failed =
    unhandledErrors.length > 0 ||
    testModules.some((module) => ids.has(module.moduleId) && module.state() === 'failed');
  if (files) return process.send({ failed });
  const reached = {};
  for (const name of readdirSync(reachedFolder)) {
    const { file, ids } = JSON.parse(readFileSync(join(reachedFolder, name), 'utf8'));
    reached[file] = ids;
  }
  const times = Object.fromEntries(
    testModules.map((module) => [module.moduleId, module.diagnostic().duration]),
  );
  if (failed)
    for (const module of testModules)
      if (!module.ok())
        console.error(
          module.moduleId,
          module.errors().map(({ message }) => message),
        );
  process.send({ failed, reached, times });
});
process.send('ready');
