// npm run bench: builds, then measures HTML text against hand-written code.
import { build, install, run } from './setup.mjs';

install();
build();
run('node', ['--expose-gc', '--import', 'tsx', 'bench/html.ts'], {
  env: { ...process.env, NODE_ENV: 'production' },
});
