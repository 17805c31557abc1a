// npm run same: all set-up, then every case of tests/same/ in every writing; with -- --random 5000 random cases instead,
// with -- --browser firefox or webkit in another engine.
import { build, install, needEngine, run } from './setup.mjs';

install();
needEngine(process.argv[process.argv.indexOf('--browser') + 1]);
build();
run('node', ['--import', 'tsx', 'tests/same/show.ts', ...process.argv.slice(2)]);
