// What the demonstration of servers and their bench start: the service, the scripts, and each server in a process of its own.
import { fork } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { build } from 'vite';
import lattice from 'zesty-lattice-tools/vite';
import { root } from './setup.mjs';

const folder = join(root, 'examples/servers');
export const names = ['node', 'express', 'fastify', 'request'];

/** One script of a module and all that it imports. */
async function bundled(entry, format, more = {}) {
  const [{ output }] = [
    await build({
      root: folder,
      configFile: false,
      logLevel: 'error',
      plugins: [lattice()],
      build: {
        write: false,
        lib: { entry, formats: [format], fileName: 'app', name: 'handler' },
        minify: true,
        target: 'es2022',
      },
      ...more,
    }),
  ].flat();
  return output[0].code;
}

/** A process with a server in it; `spent` asks for its processor time so far, in milliseconds. */
export async function started(script, args, { execArgv = [], env = {} } = {}) {
  const child = fork(script, args, {
    cwd: root,
    execArgv: ['--import', 'tsx', ...execArgv],
    // The library as it is built, not its sources.
    env: { ...process.env, TSX_TSCONFIG_PATH: join(folder, 'tsconfig.json'), ...env },
  });
  const said = () =>
    new Promise((done, fail) => {
      child.once('message', done);
      child.once('exit', (code) => fail(new Error(`${args[0]} ended with ${code}`)));
    });
  const { url } = await said();
  return {
    url,
    async spent() {
      const answer = said();
      child.send('spent');
      const { system, user } = (await answer).spent;
      return (system + user) / 1000;
    },
    close: () => child.kill(),
  };
}

/** What servers have to know, in a file. `service` is the address of one that runs. */
export async function whereFile(service) {
  const place = mkdtempSync(join(tmpdir(), 'servers-'));
  const file = join(place, 'where.json');
  const where = {
    service,
    script: await bundled('client.ts', 'es'),
    sheet: readFileSync(join(folder, 'page.css'), 'utf8'),
    handler: await bundled('by-request.ts', 'iife'),
  };
  writeFileSync(file, JSON.stringify(where));
  return { file, remove: () => rmSync(place, { recursive: true, force: true }) };
}

/** A server of the example by its name. */
export const server = (name, file, port, options = {}) =>
  started(join(folder, 'serve.ts'), [name, file, String(port ?? 0)], {
    ...options,
    // What runs without Node's modules runs without code from text as well.
    execArgv: name === 'request' ? ['--disallow-code-generation-from-strings'] : [],
  });
