// npm run bench:check: how long `lattice check` takes for 1,000 template texts, as a process from start to end.
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
