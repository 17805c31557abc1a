// npm run demo:elements: builds the live example and the plain page, and serves both until stopped (or, with --once, not at all).
import { cpSync } from 'node:fs';
import { join } from 'node:path';
import { build as bundle, preview } from 'vite';
import { build, install, root } from './setup.mjs';

install();
build();

const example = (config) => bundle({ configFile: join(root, 'examples/open-day', config), logLevel: 'warn' });
await example('vite.config.ts');
await example('elements.config.ts');
cpSync(join(root, 'examples/plain-page/index.html'), join(root, 'out/plain-page/index.html'));
cpSync(join(root, 'examples/no-build'), join(root, 'out/no-build'), { recursive: true });
cpSync(join(root, 'packages/lattice/dist/browser.js'), join(root, 'out/no-build/zesty-lattice.js'));

if (process.argv.includes('--once')) {
  console.log('Built out/live, out/plain-page and out/no-build.');
} else {
  for (const [name, folder, port] of [
    ['The live open day', 'out/live', 4801],
    ['The plain page', 'out/plain-page', 4802],
    ['The page without a build', 'out/no-build', 4803],
  ]) {
    const server = await preview({
      configFile: false,
      root,
      logLevel: 'silent',
      build: { outDir: folder },
      preview: { port, host: '127.0.0.1' },
    });
    console.log(`${name} is served at ${server.resolvedUrls.local[0]}`);
  }
}
