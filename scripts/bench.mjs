// npm run bench: builds, then measures HTML text against hand-written code. The built library is measured, as its users run it.
import { build, install, run } from './setup.mjs';

install();
build();
run('node', ['bench/html/main.mjs', ...process.argv.slice(2)]);
