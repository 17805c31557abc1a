// node bench/compare.mjs <commit> <commit>: both versions of the library in one run, in turns, the first being 1.00.
import { execFileSync } from 'node:child_process';
import { existsSync, mkdirSync, rmSync, symlinkSync } from 'node:fs';
import { join } from 'node:path';
import { build as buildHere, install } from '../scripts/setup.mjs';

const [first, second] = process.argv.slice(2);
if (!first || !second) {
  console.error('Say which two: node bench/compare.mjs <commit> <commit>');
  process.exit(2);
}
install();
buildHere();
const { bundleBench } = await import('./html/bundle.mjs');
const root = new URL('..', import.meta.url).pathname;
const home = join(root, 'out/compare');
mkdirSync(home, { recursive: true });
const git = (...args) => execFileSync('git', args, { cwd: root, encoding: 'utf8' }).trim();

const folders = [];
for (const commit of [first, second]) {
  const hash = git('rev-parse', '--short', commit);
  const folder = join(home, hash);
  if (!existsSync(folder)) git('worktree', 'add', '--detach', folder, hash);
  if (!existsSync(join(folder, 'node_modules')))
    symlinkSync(join(root, 'node_modules'), join(folder, 'node_modules'));
  if (!existsSync(join(folder, 'packages/tools/dist/built')))
    execFileSync('npm', ['run', '--silent', 'build'], { cwd: folder, stdio: 'inherit' });
  await bundleBench(folder, root);
  folders.push({ commit, hash, folder });
}
const runs = folders.map(() => []);
for (let round = 0; round < 4; round++)
  for (const at of round % 2 === 0 ? [0, 1] : [1, 0])
    runs[at].push(
      JSON.parse(
        execFileSync(
          'node',
          [
            '--expose-gc',
            '--max-semi-space-size=128',
            join(folders[at].folder, 'out/bench/run.js'),
            'all',
            'busy',
            '0.15',
          ],
          { env: { ...process.env, NODE_ENV: 'production' }, encoding: 'utf8', maxBuffer: 2 ** 26 },
        ),
      ),
    );
const median = (values) => [...values].sort((a, b) => a - b)[values.length >> 1];
const cost = (at, key, way) => median(runs[at].map((run) => run[key]?.[way]?.processor ?? Number.NaN));
console.log(`${folders[0].hash} is 1.00, then ${folders[1].hash}: processor time, busy\n`);
for (const key of Object.keys(runs[0][0])) {
  const ratios = ['text', 'bytes'].map(
    (way) => `${way} ${(cost(1, key, way) / cost(0, key, way)).toFixed(2)}`,
  );
  console.log(`(${key})`.padEnd(6), ratios.join('   '));
}
for (const { folder } of folders) git('worktree', 'remove', '--force', folder);
rmSync(home, { recursive: true, force: true });
