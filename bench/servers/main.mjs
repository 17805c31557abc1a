// npm run bench:servers [seconds] [rounds]: 200 visitors of the grove log on each server, beside the same page by hand, in turns.
// Processor time is that of the server's process for each answer; the page has to be the same byte for byte, without its nonce.
import autocannon from 'autocannon';
import { names, server, started, whereFile } from '../../scripts/servers.mjs';
import { build, install } from '../../scripts/setup.mjs';

install();
build();
const [seconds = '4', rounds = '3', only] = process.argv.slice(2);
const env = { NODE_ENV: 'production' };
const service = await started('bench/servers/service.ts', [], { env });
const where = await whereFile(service.url);
const median = (values) => [...values].sort((a, b) => a - b)[values.length >> 1];
const pageOf = async ({ url }) => (await (await fetch(url)).text()).replaceAll(/nonce="[^"]*"/g, '');

async function measured({ spent, url }) {
  const before = await spent();
  const {
    '2xx': good,
    errors,
    latency,
    mismatches,
    non2xx,
    resets,
    timeouts,
  } = await autocannon({
    url,
    connections: 200,
    duration: Number(seconds),
  });
  return {
    ms: ((await spent()) - before) / good,
    p50: latency.p50,
    p99: latency.p99,
    failed: errors + mismatches + non2xx + resets + timeouts,
    good,
  };
}

console.log(
  'server     processor a page   by hand   ratio   p99        by hand    ratio   answers   failed (by hand)',
);
for (const name of only ? [only] : names) {
  const ours = await server(name, where.file, 0, { env });
  const hand = await started('bench/servers/by-hand.ts', [name, where.file], { env });
  const [page, twin] = [await pageOf(ours), await pageOf(hand)];
  if (page !== twin) throw new Error(`${name}: the pages differ\n${page.slice(-3000)}\n${twin.slice(-3000)}`);
  for (const one of [ours, hand]) await autocannon({ url: one.url, connections: 200, duration: 2 });
  const found = { ours: [], hand: [] };
  for (let n = 0; n < Number(rounds); n++) {
    found.ours.push(await measured(ours));
    found.hand.push(await measured(hand));
  }
  const of = (which, what) => median(found[which].map((one) => one[what]));
  const sum = (which, what) => found[which].reduce((all, one) => all + one[what], 0);
  const ratio = (what) => median(found.ours.map((one, at) => one[what] / found.hand[at][what])).toFixed(2);
  console.log(
    `${name.padEnd(10)} ${`${of('ours', 'ms').toFixed(2)} ms`.padEnd(18)} ${`${of('hand', 'ms').toFixed(2)} ms`.padEnd(9)} ${ratio('ms').padEnd(7)} ${`${of('ours', 'p99')} ms`.padEnd(10)} ${`${of('hand', 'p99')} ms`.padEnd(10)} ${ratio('p99').padEnd(7)} ${String(sum('ours', 'good')).padEnd(9)} ${sum('ours', 'failed')} (${sum('hand', 'failed')})`,
  );
  for (const one of [ours, hand]) one.close();
}
service.close();
where.remove();
