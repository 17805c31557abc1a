// npm run bench:batch: 100,000 tickets as pages, with one thread and two, killed in the middle and run again; what writing
// files alone takes, and rendering alone; the processor time of 50,000 of them beside a script by hand.
import { spawn, spawnSync } from 'node:child_process';
import { mkdirSync, readdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { register } from 'tsx/esm/api';
import { build, install, root, run } from '../scripts/setup.mjs';

install();
build();
const count = Number(process.argv[2] ?? 100_000);
const data = join(root, 'out/bench-tickets.ndjson');
const out = join(root, 'out/bench-pages');
run('node', ['scripts/tickets.mjs', String(count), data], { stdio: 'ignore' });

/** Runs the command; gives what it says, and the most memory that it took, in MB. */
function batch(workers, killAt = Number.POSITIVE_INFINITY) {
  const args = [
    'packages/tools/dist/node/cli.js',
    'batch',
    'examples/orchard/tickets/ticket-page.ts',
    '--json',
  ];
  const child = spawn(
    'node',
    [...args, '--data', data, '--out', out, '--title', '{tasting} · {guest}', '--workers', String(workers)],
    { cwd: root },
  );
  let text = '';
  child.stdout.on('data', (chunk) => {
    text += chunk;
  });
  let peak = 0;
  const watching = setInterval(() => {
    try {
      const status = readFileSync(`/proc/${child.pid}/status`, 'utf8');
      peak = Math.max(peak, Number(/VmHWM:\s+(\d+)/.exec(status)?.[1] ?? 0) / 1024);
      if (killAt < Number.POSITIVE_INFINITY && readdirSync(out).length > killAt) child.kill('SIGKILL');
    } catch {
      // Not begun, or over.
    }
  }, 50);
  return new Promise((done) =>
    child.on('exit', () => {
      clearInterval(watching);
      done({ ...(text === '' ? {} : JSON.parse(text)), peak: Math.round(peak) });
    }),
  );
}

const show = (what, { peak, perSecond = '–', seconds = 0, skipped = 0, written = '–' }) =>
  console.log(
    `${what.padEnd(36)} ${String(written).padStart(7)} written ${String(skipped).padStart(7)} there ${String(perSecond).padStart(7)} rows/s ${seconds.toFixed(1).padStart(6)} s ${String(peak).padStart(5)} MB at most`,
  );
const fresh = () => rmSync(out, { recursive: true, force: true });

fresh();
show('one thread', await batch(1));
fresh();
show('two threads', await batch(2));
fresh();
await batch(1, count / 2);
const left = readdirSync(out).filter((name) => name.endsWith('.html'));
const cut = left.filter((name) => !readFileSync(join(out, name), 'utf8').endsWith('</html>\n'));
console.log(
  `${'killed in the middle'.padEnd(36)} ${String(left.length).padStart(7)} there, ${cut.length} of them cut`,
);
show('the same again', await batch(1));
show('and once more', await batch(1));

// A script by hand that writes the same pages: processor time of each process with all that it starts, in turns.
const many = join(root, 'out/bench-tickets-by-hand.ndjson');
const [byBatch, byHand] = [out, join(root, 'out/bench-pages-by-hand')];
run('node', ['scripts/tickets.mjs', String(Math.min(count, 50_000)), many], { stdio: 'ignore' });
const first = readdirSync(out).find((name) => name.endsWith('.html'));
const css = join(root, 'out/bench-tickets.css');
writeFileSync(css, /<style>[\s\S]*<\/style>/.exec(readFileSync(join(out, first), 'utf8'))[0]);
/** Seconds of processor time that a command takes. */
function spent(command) {
  const { stdout } = spawnSync('bash', ['-c', `${command} > /dev/null; times`], {
    cwd: root,
    encoding: 'utf8',
  });
  const [user, system] = [...stdout.split('\n')[1].matchAll(/(\d+)m([\d.]+)s/g)].map(
    ([, m, s]) => m * 60 + +s,
  );
  return user + system;
}
const ratios = [];
for (let n = 0; n < 3; n++) {
  for (const folder of [byBatch, byHand]) rmSync(folder, { recursive: true, force: true });
  const ours = spent(
    `node packages/tools/dist/node/cli.js batch examples/orchard/tickets/ticket-page.ts --data ${many} --out ${byBatch} --title '{tasting} · {guest}' --workers 1`,
  );
  const hand = spent(`node bench/batch-by-hand.mjs ${many} ${byHand} ${css}`);
  ratios.push(ours / hand);
  console.log(
    `${'beside a script by hand'.padEnd(36)} ${ours.toFixed(1)} s and ${hand.toFixed(1)} s of processor`,
  );
}
for (const name of readdirSync(byHand))
  if (!readFileSync(join(byHand, name)).equals(readFileSync(join(byBatch, name))))
    throw new Error(`${name} differs from the page by hand`);
console.log(`${'the same bytes, ratio'.padEnd(36)} ${ratios.sort((a, b) => a - b)[1].toFixed(2)}`);
rmSync(byHand, { recursive: true, force: true });

fresh();
mkdirSync(out, { recursive: true });
const page = Buffer.alloc(2_100, 'x');
const some = Math.min(count, 20_000);
let begin = performance.now();
for (let n = 0; n < some; n++) {
  writeFileSync(join(out, `${n}.part`), page);
  renameSync(join(out, `${n}.part`), join(out, `${n}.html`));
}
const files = Math.round((some / (performance.now() - begin)) * 1000);
register();
const { default: TicketPage } = await import(
  pathToFileURL(join(root, 'examples/orchard/tickets/ticket-page.ts')).href
);
const { renderPage } = await import('zesty-lattice/html');
const rows = readFileSync(data, 'utf8').split('\n').slice(0, some).filter(Boolean);
begin = performance.now();
for (const row of rows) {
  const { id: _id, starts, ...props } = JSON.parse(row);
  renderPage(TicketPage({ ...props, starts: new Date(starts) }), { title: props.tasting });
}
const pages = Math.round((rows.length / (performance.now() - begin)) * 1000);
console.log(`writing and renaming files alone: ${files} a second; rendering alone: ${pages} a second`);
fresh();
