#!/usr/bin/env node
import { wrongPair } from '../check/package-info.js';

// Stacks then point into the TypeScript that a user wrote.
process.setSourceMapsEnabled(true);

// A reader that has left, as `head` does, has what it wanted: the work goes on, and its exit code is that of the work.
for (const stream of [process.stdout, process.stderr])
  stream.on('error', (fault: NodeJS.ErrnoException) => {
    if (fault.code !== 'EPIPE') throw fault;
  });

const wrong = wrongPair();
if (wrong) {
  process.stderr.write(`lattice: ${wrong}\n`);
  process.exitCode = 2;
} else {
  // Only then: another library may not have what the command imports.
  const { runCommand } = await import('./run.js');
  process.exitCode = await runCommand(process.argv.slice(2));
}
