// npm run same: all set-up, then every case of tests/same/ in every writing; with -- --random 5000 random cases instead.
import { build, install, needChromium, run } from './setup.mjs';

install();
needChromium();
build();
run('node', ['--import', 'tsx', 'tests/same/show.ts', ...process.argv.slice(2)]);
