// A project's server in a process of its own, as people run it: its lines are those that Node tells.
import { fileURLToPath } from 'node:url';
import { createServer } from 'vite';
import { lattice } from '../../packages/tools/dist/node/vite.js';

const server = await createServer({
  root: fileURLToPath(new URL('./page', import.meta.url)),
  configFile: false,
  logLevel: 'error',
  cacheDir: fileURLToPath(
    new URL(`../../node_modules/.vite-inspect-test${process.argv[2] ?? ''}`, import.meta.url),
  ),
  server: { port: 0, host: '127.0.0.1', hmr: { overlay: false } },
  plugins: [
    lattice({ components: ['./components.ts'], prerender: true, inspect: process.argv[2] !== 'without' }),
  ],
});
await server.listen();
console.log(`http://127.0.0.1:${server.httpServer.address().port}/`);
