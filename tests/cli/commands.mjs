// The thread of lattice.ts: runs commands one after the other, and gives back what they write.
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { workerData } from 'node:worker_threads';

const { port, signal, root } = workerData;
process.setSourceMapsEnabled(true);
const { runCommand } = await import(pathToFileURL(join(root, 'packages/tools/dist/node/cli-run.js')).href);

port.on('message', async (args) => {
  const written = { out: '', err: '' };
  const { stdout, stderr } = process;
  const before = [stdout.write, stderr.write];
  stdout.write = (text) => {
    written.out += text;
    return true;
  };
  stderr.write = (text) => {
    written.err += text;
    return true;
  };
  let code = 1;
  try {
    code = await runCommand(args);
  } catch (thrown) {
    written.err += String(thrown?.stack ?? thrown);
  }
  [stdout.write, stderr.write] = before;
  port.postMessage({ code, ...written });
  Atomics.store(signal, 0, 1);
  Atomics.notify(signal, 0);
});
