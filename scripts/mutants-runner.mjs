// Runs tests for scripts/mutants.mjs in a copy of the project, in one process that stays between mutants: told a file,
// its broken text and the folders of tests, it answers whether one of them fails.
import { readFileSync, writeFileSync } from 'node:fs';
import { Writable } from 'node:stream';
import { createVitest } from 'vitest/node';

const silent = new Writable({ write: (_chunk, _encoding, done) => done() });
const vitest = await createVitest(
  'test',
  { watch: false, project: ['rooms'], reporters: [{}], bail: 1, passWithNoTests: true },
  {},
  { stdout: silent, stderr: silent },
);
const specifications = new Map();

/** Whether tests of a folder fail. A folder without tests of pure logic has none that could. */
async function fails(folder) {
  if (!specifications.has(folder)) specifications.set(folder, await vitest.globTestSpecifications([folder]));
  const found = specifications.get(folder);
  if (found.length === 0) return false;
  vitest.state.clearErrors();
  const { testModules, unhandledErrors } = await vitest.runTestSpecifications(found);
  // A file that could not be loaded stays among the modules of later runs.
  const ids = new Set(found.map(({ moduleId }) => moduleId));
  return unhandledErrors.length > 0 || testModules.some((module) => ids.has(module.moduleId) && !module.ok());
}

process.on('message', async ({ file, text, tests }) => {
  const before = readFileSync(file, 'utf8');
  writeFileSync(file, text);
  vitest.invalidateFile(file);
  let isSeen = false;
  for (const folder of tests) {
    isSeen = await fails(folder);
    if (isSeen) break;
  }
  writeFileSync(file, before);
  vitest.invalidateFile(file);
  process.send(isSeen);
});
process.send('ready');
