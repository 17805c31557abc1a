// npm run bench [-- --quick] [-- --write]: HTML text against code written by hand, in several processes, each way in
// turns and byte for byte the same. With --write the tables of bench/results.md and the plot are written anew.
import { execFileSync } from 'node:child_process';
import { cpus } from 'node:os';
import { join } from 'node:path';
import { importing, importTable } from '../importing.mjs';
import { bundleBench } from './bundle.mjs';
import { plot } from './plot.mjs';
import { writeTables } from './tables.mjs';

const root = new URL('../..', import.meta.url).pathname;
const isQuick = process.argv.includes('--quick');
const [processes, seconds] = isQuick ? [1, 0.2] : [3, 0.4];
await bundleBench(root);

const node = (file, args = [], flags = []) =>
  JSON.parse(
    execFileSync(
      'node',
      ['--expose-gc', '--max-semi-space-size=128', ...flags, join(root, 'out/bench', file), ...args],
      {
        cwd: root,
        env: { ...process.env, NODE_ENV: 'production' },
        encoding: 'utf8',
        maxBuffer: 2 ** 26,
      },
    ),
  );

const noCode = '--disallow-code-generation-from-strings';
const random = process.argv.indexOf('--random');
if (random > 0) {
  // npm run bench -- --random 20 [--seed n]: pages of random shapes, the worst ten of each way with their seeds.
  const seed = process.argv.indexOf('--seed');
  const count = process.argv[random + 1] ?? '20';
  const start = seed > 0 ? (process.argv[seed + 1] ?? '1') : '1';
  const [code, none] = [[], [noCode]].map((flags) => node('random.js', [count, start], flags));
  for (const [name, all] of [
    ['with code', code.map(({ planned, ...one }) => ({ ...one, ratio: planned }))],
    ['without code', none.map(({ planned, ...one }) => ({ ...one, ratio: planned }))],
    ['inline', code.map(({ inline, ...one }) => ({ ...one, ratio: inline }))],
  ]) {
    const sorted = all.sort((a, b) => b.ratio - a.ratio);
    const middle = sorted[sorted.length >> 1];
    console.log(`${name}: median ${middle.ratio.toFixed(2)} of the same as template literals; the worst:`);
    for (const { checked, ratio, seed: at } of sorted.slice(0, 10))
      console.log(`  ${ratio.toFixed(2)}  seed ${at}${checked ? ', checked rows' : ''}`);
  }
  process.exit(0);
}

const names = JSON.parse(
  execFileSync('node', [join(root, 'out/bench/names.js')], { cwd: root, encoding: 'utf8' }),
);
const conditions = [
  ['busy', []],
  ['alone', []],
  ['busy', [noCode]],
];
const results = conditions.map(([how, flags]) => {
  const runs = Array.from({ length: processes }, () =>
    how === 'busy'
      ? node('run.js', ['all', how, String(seconds)], flags)
      : Object.assign({}, ...names.map(({ key }) => node('run.js', [key, how, String(seconds)], flags))),
  );
  process.stderr.write(`measured ${how}${flags.length > 0 ? ', no code' : ''}\n`);
  return Object.fromEntries(names.map(({ key }) => [key, runs.map((run) => run[key])]));
});

const median = (values) => [...values].sort((a, b) => a - b)[values.length >> 1];

/** The ratio of two ways in each process, in the middle and from the lowest to the highest. */
function ratio(runs, ours, theirs, what = 'processor') {
  if (!runs[0][ours] || !runs[0][theirs]) return undefined;
  const all = runs.map((run) => run[ours][what] / run[theirs][what]);
  return { middle: median(all), lowest: Math.min(...all), highest: Math.max(...all) };
}
const shown = (one) => (one ? one.middle.toFixed(2) : '–');
const spread = (one) => (one ? `${one.lowest.toFixed(2)}–${one.highest.toFixed(2)}` : '–');

const [busy, alone, instructions] = results;
const rows = names.map(({ key, name, units, unit }) => {
  const runs = busy[key];
  const each = (median(runs.map((run) => run.text.processor)) / units) * 1e6;
  return {
    key,
    name,
    unit,
    nanoseconds: each < 1000 ? `${each.toFixed(0)} ns` : `${(each / 1000).toFixed(1)} µs`,
    text: ratio(runs, 'text', 'plain'),
    bytes: ratio(runs, 'bytes', 'plain'),
    careful: ratio(runs, 'text', 'careful'),
    carefulBytes: ratio(runs, 'bytes', 'carefulBytes'),
    wall: ratio(runs, 'text', 'plain', 'wall'),
    heap: ratio(runs, 'text', 'plain', 'heap'),
    alone: ratio(alone[key], 'text', 'plain'),
    noCode: ratio(instructions[key], 'text', 'plain'),
    noCodeBytes: ratio(instructions[key], 'bytes', 'plain'),
  };
});
const head = [
  'scenario',
  'each',
  'text',
  'bytes',
  'text, careful',
  'bytes, careful',
  'alone, text',
  'no code, text',
  'no code, bytes',
  'heap',
];
const table = [
  `| ${head.join(' | ')} |`,
  `|${head.map(() => '---').join('|')}|`,
  ...rows.map(
    (row) =>
      `| (${row.key}) ${row.name} | ${row.nanoseconds} a ${row.unit} | **${shown(row.text)}** (${spread(row.text)}) | ${shown(row.bytes)} | ${shown(row.careful)} | ${shown(row.carefulBytes)} | ${shown(row.alone)} | ${shown(row.noCode)} | ${shown(row.noCodeBytes)} | ${shown(row.heap)} |`,
  ),
].join('\n');

const growth = node('growth.js');
const growthTable = [
  '| rows | text, ns a row | bytes, ns a row | streamed, ns a row | by hand, plainly |',
  '|---|---|---|---|---|',
  ...growth.map(
    ({ size, text, bytes, streamed, plain }) =>
      `| ${size.toLocaleString('en')} | ${text.toFixed(0)} | ${bytes.toFixed(0)} | ${streamed.toFixed(0)} | ${plain.toFixed(0)} |`,
  ),
].join('\n');

const starts = [1_000, 10_000].map((count) => node('start.js', [String(count)]));
const startTable = [
  '| components | first rendering | second | the fifth, when code is written | after |',
  '|---|---|---|---|---|',
  ...starts.map(
    ({ count, milliseconds }) =>
      `| ${count.toLocaleString('en')} | ${[0, 1, 4, 5].map((at) => `${((milliseconds[at] / count) * 1000).toFixed(1)} µs each`).join(' | ')} |`,
  ),
].join('\n');

const imports = importTable(importing(isQuick ? 5 : 15));

const escapes = node('escapes.js');
const escapeTable = [
  '| text | characters | to escape | text | attribute |',
  '|---|---|---|---|---|',
  ...escapes.map(
    ({ text, length, dirty, text_, attribute }) =>
      `| ${text} | ${length} | ${dirty ? 'some' : 'nothing'} | ${text_.toFixed(2)} | ${attribute.toFixed(2)} |`,
  ),
].join('\n');

const machine = `${cpus().length} × ${cpus()[0]?.model ?? 'unknown'}, Node.js ${process.version}, ${new Date().toISOString().slice(0, 10)}`;
console.log(`${machine}\nProcessor time of ours to that by hand; 1.00 is the same, lower is quicker.\n`);
for (const [title, text] of [
  ['Pages', table],
  ['Growth', growthTable],
  ['Starting', startTable],
  ['Importing', imports],
  ['Escaping, to the package entities', escapeTable],
])
  console.log(`${title}\n${text}\n`);

if (process.argv.includes('--write')) {
  writeTables(root, {
    machine: `${machine}.`,
    pages: table,
    growth: growthTable,
    starting: startTable,
    importing: imports,
    escaping: escapeTable,
  });
  await plot(growth, join(root, 'docs/screenshots/speed.png'));
}
