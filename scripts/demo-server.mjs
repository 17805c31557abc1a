// npm run demo:server: a page on Node's own server, streamed while its data comes. With --load it is measured instead.
import { parseArgs } from 'node:util';
import { register } from 'tsx/esm/api';
import { build as bundle } from 'vite';
import lattice from 'zesty-lattice-tools/vite';
import { build, install } from './setup.mjs';

install();
build();
const { values } = parseArgs({
  options: { load: { type: 'boolean' }, port: { type: 'string', default: '0' } },
});
register();
process.env.NODE_ENV = values.load ? 'production' : (process.env.NODE_ENV ?? '');

/** The elements' script, written ahead. */
const [{ output }] = [
  await bundle({
    root: new URL('../examples/server', import.meta.url).pathname,
    configFile: false,
    logLevel: 'error',
    plugins: [lattice()],
    build: {
      write: false,
      lib: { entry: 'client.ts', formats: ['es'], fileName: 'app' },
      minify: true,
      target: 'es2022',
    },
  }),
].flat();
const { start } = await import('../examples/server/server.ts');
const server = await start(output[0].code, Number(values.port));

if (!values.load) {
  console.log(`The grove log: ${server.url}/`);
  console.log(`  what is slow comes in order:  ${server.url}/?ms=1500`);
  console.log(`  what is slow comes last:      ${server.url}/?ms=1500&order=as-ready`);
  console.log(`  the service is down:          ${server.url}/?fail`);
  console.log('Stop with Ctrl+C.');
} else {
  const { default: autocannon } = await import('autocannon');
  const firstByte = async (path) => {
    const times = [];
    for (let n = 0; n < 30; n++) {
      const begin = performance.now();
      const answer = await fetch(server.url + path);
      await answer.body.getReader().read();
      times.push(performance.now() - begin);
      await answer.body?.cancel().catch(() => undefined);
    }
    return times.sort((a, b) => a - b)[times.length >> 1];
  };
  console.log('page                          first byte   requests/s   p50      p99      failed');
  for (const [what, path] of [
    ['at once', '/'],
    ['service takes 50 ms', '/?ms=50'],
    ['the same, slow parts last', '/?ms=50&order=as-ready'],
    ['service fails', '/?fail'],
  ]) {
    const first = await firstByte(path);
    await autocannon({ url: server.url + path, connections: 8, duration: 1 });
    const { latency, non2xx, errors, requests } = await autocannon({
      url: server.url + path,
      connections: 8,
      duration: 4,
    });
    console.log(
      `${what.padEnd(28)} ${`${first.toFixed(1)} ms`.padStart(11)} ${requests.average.toFixed(0).padStart(12)}   ${`${latency.p50} ms`.padEnd(8)} ${`${latency.p99} ms`.padEnd(8)} ${non2xx + errors}`,
    );
  }
  await server.close();
}
