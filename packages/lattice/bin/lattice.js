#!/usr/bin/env node
// The command is in zesty-lattice-tools: of the project that it is called in, or beside this package.
import { createRequire } from 'node:module';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';

const found = [join(process.cwd(), 'package.json'), import.meta.url].flatMap((from) => {
  try {
    return [createRequire(from).resolve('zesty-lattice-tools/command')];
  } catch {
    return [];
  }
});
if (found[0]) await import(pathToFileURL(found[0]).href);
else {
  console.error('The lattice command is in another package. Install it: npm install -D zesty-lattice-tools');
  process.exitCode = 1;
}
