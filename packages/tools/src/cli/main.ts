#!/usr/bin/env node
import { wrongPair } from '../check/package-info.js';

// Stacks then point into the TypeScript that a user wrote.
process.setSourceMapsEnabled(true);

const wrong = wrongPair();
if (wrong) {
  process.stderr.write(`lattice: ${wrong}\n`);
  process.exitCode = 2;
} else {
  // Only then: another library may not have what the command imports.
  const { runCommand } = await import('./run.js');
  process.exitCode = await runCommand(process.argv.slice(2));
}
