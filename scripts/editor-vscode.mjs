// npm run editor:vscode: packs the extension for VS Code with its own packer, into out/lattice.vsix.
import { spawnSync } from 'node:child_process';
import { copyFileSync, mkdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { install, root } from './setup.mjs';

/** The packer, which is fetched when it is needed: it brings 300 packages, and is of no use otherwise. */
const packer = '@vscode/vsce@4.1.0';

/** Writes what the extension is made of into a folder: its script with all that it imports, save for the editor's module. */
export async function extensionIn(folder) {
  rmSync(folder, { recursive: true, force: true });
  mkdirSync(folder, { recursive: true });
  const from = join(root, 'editors/vscode');
  const { build } = await import('esbuild');
  await build({
    entryPoints: [join(from, 'extension.ts')],
    outfile: join(folder, 'extension.cjs'),
    bundle: true,
    minify: true,
    platform: 'node',
    format: 'cjs',
    target: 'node20',
    external: ['vscode'],
    logLevel: 'error',
  });
  for (const name of ['package.json', 'README.md']) copyFileSync(join(from, name), join(folder, name));
  copyFileSync(join(root, 'LICENSE'), join(folder, 'LICENSE'));
}

/** Packs a folder into a file. No script of a package runs for it. */
export function pack(folder, file) {
  const args = ['exec', '--yes', '--ignore-scripts', `--package=${packer}`, '--', 'vsce', 'package'];
  const options = ['--no-dependencies', '--allow-missing-repository', '--skip-license', '--out', file];
  return spawnSync('npm', [...args, ...options], { cwd: folder, encoding: 'utf8' });
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  install();
  const folder = join(root, 'out/vscode');
  await extensionIn(folder);
  const file = join(root, 'out/lattice.vsix');
  const { status, stderr, stdout } = pack(folder, file);
  process.stdout.write(stdout);
  if (status !== 0) process.stderr.write(stderr);
  process.exitCode = status ?? 1;
}
