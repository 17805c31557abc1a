// What importing the doors costs over bare `node`, in new processes, in turns: part of npm run bench, and alone
// node bench/importing.mjs, which ends with 1 where the authoring door and html cost more than 60 ms.
import { execFileSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';

const root = fileURLToPath(new URL('..', import.meta.url));
const most = 60;
const programs = {
  'bare node': '0',
  'zesty-lattice': "import 'zesty-lattice'",
  'zesty-lattice and /html': "import 'zesty-lattice'; import 'zesty-lattice/html'",
  '… and a first text template': `import { component } from 'zesty-lattice'; import { renderHtml } from 'zesty-lattice/html';
    renderHtml(component('stall-sign', { template: '<p>open</p>' }))`,
  '… and a first component with styles': `import { component, el } from 'zesty-lattice'; import { renderHtml } from 'zesty-lattice/html';
    renderHtml(component('stall-sign', { styles: 'p { color: red }', template: () => el.p('open') }))`,
  'all doors of Node':
    "for (const door of ['', '/html', '/markup', '/check', '/elements']) await import('zesty-lattice' + door)",
};

const median = (values) => [...values].sort((a, b) => a - b)[values.length >> 1];

/** Milliseconds of each program, the median of several processes. */
export function importing(rounds = 15) {
  const took = Object.fromEntries(Object.keys(programs).map((name) => [name, []]));
  for (let round = 0; round < rounds; round++)
    for (const [name, program] of Object.entries(programs)) {
      const start = performance.now();
      execFileSync('node', ['--input-type=module', '-e', program], { cwd: root });
      took[name].push(performance.now() - start);
    }
  const bare = median(took['bare node']);
  return Object.entries(took).map(([name, all]) => ({
    name,
    milliseconds: median(all),
    over: median(all) - bare,
  }));
}

export const importTable = (rows) =>
  [
    '| program | ms | over bare node |',
    '|---|---|---|',
    ...rows.map(
      ({ name, milliseconds, over }) => `| ${name} | ${milliseconds.toFixed(0)} | ${over.toFixed(0)} |`,
    ),
  ].join('\n');

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const rows = importing();
  console.log(importTable(rows));
  const { over } = rows.find(({ name }) => name === 'zesty-lattice and /html');
  console.log(`zesty-lattice and /html cost ${over.toFixed(0)} ms over bare node; ${most} are allowed.`);
  process.exitCode = over > most ? 1 : 0;
}
