// npm run bench:check: how long `lattice check` takes for 1,000 template texts, and for 1,000 modules with as many pages that
// use them, as a process from start to end; of the latter also the time of all processors.
import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { build, install, root } from '../scripts/setup.mjs';

install();
build();

/** A card's template, with its own names; every tenth has a mistake. */
const text = (
  n,
) => `<article class="variety {{ season }} {{ crates == 0 and 'sold-out' }}" id="{{ uid('card${n}') }}">
  <header><slot name="badge"><small>no badge yet</small></slot><h3>{{ title }} ${n}</h3></header>
  <slot><p>Not described yet.</p></slot>
  <template given="rare"><p>Only a few trees</p></template>
  <template otherwise><p>{{ crates }} crates left, {{ price(cents * ${n + 1}) }} each</p></template>
  <ul><template each-of="tastings" as="tasting" key="time"><li><a href="#{{ tasting.id }}">{{ tasting.time }}</a></li></template></ul>
  <table><tbody><template each-of="rows" as="row" index="n"><tr class="{{ n % 2 and 'odd' }}"><td>{{ row.name }}</td></tr></template></tbody></table>
  ${n % 10 === 0 ? '<div><span>open</div>' : '<button type="button" handles="click: add(1)">More</button>'}
</article>
`;

for (const count of [10, 100, 1000]) {
  const folder = mkdtempSync(join(tmpdir(), 'lattice-check-'));
  try {
    for (let n = 0; n < count; n++) writeFileSync(join(folder, `part-${n}.html`), text(n));
    const times = [];
    let summary = '';
    for (let run = 0; run < 5; run++) {
      const start = performance.now();
      const done = spawnSync('node', [join(root, 'packages/tools/dist/node/cli.js'), 'check', folder], {
        encoding: 'utf8',
      });
      times.push(performance.now() - start);
      summary = done.stdout.trim().split('\n').at(-1);
    }
    const median = times.sort((a, b) => a - b)[2];
    console.log(`${String(count).padStart(5)} template texts: ${(median / 1000).toFixed(2)} s  (${summary})`);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/** A module with a component, and a page that uses it and leads to the next one. */
const module = (n) => `import { component, prop, slot } from 'zesty-lattice';
export const Part${n} = component('part-x${n}', {
  props: { title: prop.text(), crates: prop.number().fallback(0), rare: prop.flag() },
  slots: { default: slot() },
  template: \`<article class="card"><h3>{{ title }} ${n}</h3><slot></slot><template given="rare"><p>Few trees</p></template><p>{{ crates }} crates</p></article>\`,
});
`;
const page = (n) => `<!doctype html>
<html lang="en"><head><title>Stall ${n}</title></head><body><h1>Stall ${n}</h1><h2>Today</h2>
<part-x${n} title="Dunlight" crates="4"><p>Thin skin</p></part-x${n}><a href="page-${(n + 1) % 1000}.html">next</a></body></html>
`;
const folder = mkdtempSync(join(root, 'out-bench-check-'));
try {
  for (let n = 0; n < 1000; n++) {
    writeFileSync(join(folder, `part-${n}.ts`), module(n));
    writeFileSync(join(folder, `page-${n}.html`), page(n));
  }
  const times = [];
  for (let run = 0; run < 3; run++) {
    const { cpu, summary } = measured(folder);
    times.push(cpu);
    console.log(`2,000 files: ${cpu.toFixed(2)} s of processor  (${summary})`);
  }
  console.log(`2,000 files, in the middle: ${times.sort((a, b) => a - b)[1].toFixed(2)} s of processor`);
} finally {
  rmSync(folder, { recursive: true, force: true });
}

/** The time of all processors of one check, in seconds. */
function measured(folder) {
  const command = `"${process.execPath}" "${join(root, 'packages/tools/dist/node/cli.js')}" check "${folder}"`;
  const done = spawnSync('bash', ['-c', `TIMEFORMAT='%U %S'; time ${command}`], { encoding: 'utf8' });
  const [user = 0, system = 0] = done.stderr.trim().split(/\s+/).slice(-2).map(Number);
  return { cpu: user + system, summary: done.stdout.trim().split('\n').at(-1) };
}
