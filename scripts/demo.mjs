// npm run demo: renders the open day of Ninefold Orchard with the lattice command, prints its tree and what was written.
import { readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { build, install, root, run } from './setup.mjs';

install();
build();

const lattice = (...args) => run('node', ['packages/tools/dist/node/cli.js', ...args]);
const page = [
  'examples/orchard/fair-page.ts',
  '--component',
  'fair-page',
  '--props',
  'examples/orchard/open-day.json',
];
const inHtml = ['examples/orchard/in-html/fair-page.ts', ...page.slice(1)];
const out = {
  page: 'out/open-day.html',
  fragment: 'out/variety-card.html',
  tree: 'out/open-day.tree.json',
  'page, its templates in HTML': 'out/open-day-in-html.html',
};

lattice('render', ...page, '--page', '--css', 'examples/orchard/page.css', '--out', out.page);
lattice(
  'render',
  ...inHtml,
  '--page',
  '--css',
  'examples/orchard/page.css',
  '--out',
  out['page, its templates in HTML'],
);
lattice(
  'render',
  'examples/orchard/components/variety-card.ts',
  '--props',
  'examples/orchard/one-card.json',
  '--out',
  out.fragment,
);
lattice('tree', ...page);
run('sh', ['-c', `node packages/tools/dist/node/cli.js tree ${page.join(' ')} --json > ${out.tree}`]);

console.log('\nWritten:');
for (const [what, path] of Object.entries(out)) {
  const size = statSync(join(root, path)).size;
  console.log(`  ${path.padEnd(26)} ${String(size).padStart(7)} bytes  ${what}`);
}
const html = readFileSync(join(root, out.page), 'utf8');
const count = (pattern) => (html.match(pattern) ?? []).length;
console.log(
  `\nThe page holds ${count(/<article class="variety/g)} variety cards, ${count(/<details/g)} disclosure panels and ${count(/role="dialog"/g)} dialogs.`,
);
const same = html === readFileSync(join(root, out['page, its templates in HTML']), 'utf8');
console.log(
  `Built with functions and written in HTML, the page is ${same ? 'the same, byte for byte' : 'NOT the same'}.`,
);
if (!same) process.exitCode = 1;

console.log('\nlattice check examples');
lattice('check', 'examples');
console.log(`Open ${out.page} in a browser.`);
