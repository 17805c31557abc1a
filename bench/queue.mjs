// npm run bench:queue [-- rows [kept]]: a batch over a queue with four workers, while workers and the Redis server are killed
// at random twenty times. Every page has to be there once, as a run without a queue writes it. With `kept` the server keeps
// its data over a kill; without it has forgotten everything each time.
import { spawn } from 'node:child_process';
import { createHash } from 'node:crypto';
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { build, install, root, run } from '../scripts/setup.mjs';

install();
build();
const count = Number(process.argv[2] ?? 100_000);
const isKept = process.argv[3] === 'kept';
const kills = 20;
const folder = mkdtempSync(join(tmpdir(), 'lattice-queue-'));
const data = join(folder, 'tickets.ndjson');
run('node', ['scripts/tickets.mjs', String(count), data], { stdio: 'ignore' });
const port = 24_000 + Math.floor(Math.random() * 2_000);
const url = `redis://127.0.0.1:${port}`;
mkdirSync(join(folder, 'redis'));

const later = (ms) => new Promise((done) => setTimeout(done, ms));
let raw = '';
let isDone = false;
/** A process; what it says goes to the end of the run, where it may not have said anything that nobody wrote for it. */
function start(command, ...args) {
  const child = spawn(command, args, { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] });
  child.said = '';
  for (const stream of [child.stdout, child.stderr])
    stream.on('data', (chunk) => {
      child.said += chunk;
    });
  child.ended = new Promise((done) => child.on('exit', (code) => done(code)));
  return child;
}
const server = () =>
  start(
    'redis-server',
    '--port',
    port,
    '--bind',
    '127.0.0.1',
    '--dir',
    join(folder, 'redis'),
    '--save',
    '',
    '--appendonly',
    isKept ? 'yes' : 'no',
  );
const command = join(root, 'packages/tools/dist/node/cli.js');
/** A worker. One that started while the server was down has ended, and is started again, as a service would be. */
function worker() {
  const holder = { said: '' };
  const begin = () => {
    const child = start('node', command, 'batch', '--worker', '--queue', url);
    Object.assign(holder, { child });
    child.on('exit', (code) => {
      holder.said += child.said;
      if (code === 2 && !isDone) setTimeout(begin, 500);
    });
  };
  begin();
  return holder;
}
const batch = (out, ...more) =>
  start(
    'node',
    command,
    'batch',
    'examples/orchard/tickets/ticket-page.ts',
    '--data',
    data,
    '--out',
    out,
    '--json',
    ...more,
  );
const digests = (out) =>
  new Map(
    readdirSync(out)
      .filter((name) => name.endsWith('.html'))
      .map((name) => [
        name,
        createHash('sha256')
          .update(readFileSync(join(out, name)))
          .digest('hex'),
      ]),
  );

let redis = server();
await later(800);
const workers = [worker(), worker(), worker(), worker()];
await later(2_500);
const out = join(folder, 'queued');
const before = performance.now();
const queued = batch(out, '--queue', url);
let isOver = false;
queued.ended.then(() => {
  isOver = true;
});
const killed = { worker: 0, server: 0 };
const random = (below) => Math.floor(Math.random() * below);
for (let n = 0; n < kills && !isOver; n++) {
  await later(500 + random(1_000));
  if (n % 4 === 3) {
    redis.kill('SIGKILL');
    await redis.ended;
    await later(200 + random(1_500));
    redis = server();
    killed.server++;
  } else {
    const at = random(workers.length);
    const { child } = workers[at];
    child.kill('SIGKILL');
    await child.ended;
    raw += workers[at].said;
    workers[at] = worker();
    killed.worker++;
  }
}
const code = await Promise.race([queued.ended, later(600_000).then(() => 'still running after 600 s')]);
const seconds = (performance.now() - before) / 1000;
isDone = true;
for (const { child } of workers) child.kill('SIGTERM');
for (const { child } of workers) await child.ended;
redis.kill('SIGKILL');
raw += workers.map(({ said }) => said).join('');
const strange = raw
  .split('\n')
  .filter(
    (line) =>
      line !== '' && !/^(?:Working for|Wrote \d+ rows|lattice: The queue .* cannot be reached)/.test(line),
  );

const alone = join(folder, 'alone');
await batch(alone).ended;
const [got, wanted] = [digests(out), digests(alone)];
const missing = [...wanted.keys()].filter((name) => !got.has(name));
const wrong = [...got].filter(([name, digest]) => wanted.get(name) !== digest);
const left = readdirSync(out).filter((name) => !name.endsWith('.html') && !name.endsWith('.ndjson'));
console.log(
  `${count} rows, ${killed.worker} workers and ${killed.server} servers killed (${isKept ? 'which keep their data' : 'which keep nothing'}): the batch ended with ${code} after ${seconds.toFixed(0)} s`,
);
console.log(
  `${got.size} pages, ${missing.length} missing, ${wrong.length} wrong; left in the folder: ${left.join(' ') || 'nothing'}`,
);
console.log(
  `said by workers that nobody wrote for them: ${strange.length === 0 ? 'nothing' : `\n${strange.slice(0, 10).join('\n')}`}`,
);
if (queued.said.trim() !== '' && code !== 0) console.log(queued.said.slice(0, 2_000));
rmSync(folder, { recursive: true, force: true });
process.exitCode = code === 0 && missing.length === 0 && wrong.length === 0 && strange.length === 0 ? 0 : 1;
