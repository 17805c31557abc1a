// npm test: all set-up, then types and tests. With --long, random suites run all their cases, from new seeds.
import { build, install, needChromium, needEngine, needRedis, run, tryShell } from './setup.mjs';

const args = process.argv.slice(2);
if (args.includes('--long')) process.env.LATTICE_TESTS = 'long';
install();
needChromium();
if (!args.includes('--long')) tryShell();
needRedis();
if (args.includes('--long')) for (const name of ['firefox', 'webkit']) needEngine(name);
build();
run('npx', ['tsc', '-p', '.']);
run('npx', ['vitest', 'run', ...args.filter((one) => one !== '--long')]);
