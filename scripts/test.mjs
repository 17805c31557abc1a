// npm test: all set-up, then types and tests.
import { build, install, needChromium, run } from './setup.mjs';

install();
needChromium();
build();
run('npx', ['tsc', '-p', '.']);
run('npx', ['vitest', 'run', ...process.argv.slice(2)]);
