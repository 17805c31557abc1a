// Builds dist/: the doors and the command with Vite, their types with tsc, and a mark of when.
import { chmodSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { root, run } from './setup.mjs';

rmSync(join(root, 'dist'), { recursive: true, force: true });
run('npx', ['vite', 'build', ...process.argv.slice(2)]);
run('npx', ['tsc', '-p', 'tsconfig.build.json']);
chmodSync(join(root, 'dist/cli.js'), 0o755);
writeFileSync(join(root, 'dist/built'), `${new Date().toISOString()}\n`);
