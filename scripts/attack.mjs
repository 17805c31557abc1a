// npm run attack: all set-up, then hostile texts at every door; npm run attack -- 500 7 tries 500 at each, from the seed 7.
import { build, install, needChromium, run } from './setup.mjs';

install();
needChromium();
build();
run('node', ['--import', 'tsx', 'tests/attack/show.ts', ...process.argv.slice(2)], {
  env: { ...process.env, NODE_NO_WARNINGS: '1' },
});
