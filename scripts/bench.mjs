// npm run bench: builds, then measures HTML text against hand-written code. The built library is measured, as its users run it.
import { join } from 'node:path';
import { build as bundle } from 'vite';
import { build, install, root, run } from './setup.mjs';

install();
build();
await bundle({
  configFile: false,
  root,
  logLevel: 'error',
  build: {
    outDir: 'out/bench',
    target: 'es2022',
    minify: false,
    lib: { entry: join(root, 'bench/html.ts'), formats: ['es'], fileName: 'html' },
    rollupOptions: { external: [/^zesty-lattice/] },
  },
});
run('node', ['--expose-gc', 'out/bench/html.js'], { env: { ...process.env, NODE_ENV: 'production' } });
