#!/usr/bin/env node
import { runCommand } from './run.js';

// Stacks then point into the TypeScript that a user wrote.
process.setSourceMapsEnabled(true);

process.exitCode = await runCommand(process.argv.slice(2));
