// Builds dist/ with tsc: a file a module, so that a page's bundler leaves out all that a page does not use.
import { chmodSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { root, run } from './setup.mjs';

rmSync(join(root, 'dist'), { recursive: true, force: true });
run('npx', ['tsc', '-p', 'tsconfig.build.json']);
chmodSync(join(root, 'dist/cli/main.js'), 0o755);
writeFileSync(join(root, 'dist/built'), `${new Date().toISOString()}\n`);
