// What importing the doors and a first page cost over bare `node`, in milliseconds of processor, in new processes, in
// turns: part of npm run bench, and alone node bench/importing.mjs, which shows what a command takes to start as well, and
// ends with 1 where the authoring door and html cost more than 60 ms.
import { execFileSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

const root = fileURLToPath(new URL('..', import.meta.url));
const most = 60;
const doors =
  "import { component, eachOf, el, prop, slot } from 'zesty-lattice'; import { renderHtml } from 'zesty-lattice/html';";
const row = 'prop.record({ title: prop.text(), crates: prop.number() })';
const rows = "[{ title: 'Dunlight', crates: 3 }, { title: 'Saltbell', crates: 0 }]";
/** A small page: a card with a slot, used by a list. */
const page = (styles) => `${doors}
  const Card = component('variety-card', { props: { title: prop.text(), crates: prop.number() }, ${styles}
    slots: { default: slot() }, template: ({ props, slots }) => el.article({ class: 'variety' }, el.h3(props.title), slots.default(), el.p(props.crates, ' crates')) });
  renderHtml(component('fair-page', { props: { varieties: prop.list(${row}) },
    template: ({ props }) => el.main(eachOf(props.varieties, (one) => Card({ title: one.title, crates: one.crates }, el.p('Sweet')))) }), { varieties: ${rows} })`;
const programs = {
  'bare node': '0',
  'zesty-lattice': "import 'zesty-lattice'",
  'zesty-lattice and /html': "import 'zesty-lattice'; import 'zesty-lattice/html'",
  '… and a first small page': page(''),
  '… and a first small page with styles': page("styles: 'h3 { margin: 0 }',"),
  '… and a first small page of HTML templates': `${doors}
  const Card = component('variety-card', { props: { title: prop.text(), crates: prop.number() },
    template: '<article class="variety"><h3>{{ title }}</h3><slot></slot><p>{{ crates }} crates</p></article>' });
  renderHtml(component('fair-page', { uses: [Card], props: { varieties: prop.list(${row}) },
    template: '<main><template each-of="varieties" as="one"><variety-card title="{{ one.title }}" crates="{{ one.crates }}"><p>Sweet</p></variety-card></template></main>' }), { varieties: ${rows} })`,
  'all doors of Node':
    "for (const door of ['', '/html', '/markup', '/mail', '/elements']) await import('zesty-lattice' + door)",
};

/** What a process prints as its last word: the milliseconds of processor that it took, its start among them. */
const last =
  'const { user, system } = process.cpuUsage(); process.stdout.write(String((user + system) / 1000));';

/** Milliseconds of processor of each program, the least of several processes: all else that a machine does only adds. */
export function importing(rounds = 15) {
  const took = Object.fromEntries(Object.keys(programs).map((name) => [name, []]));
  for (let round = 0; round < rounds; round++)
    for (const [name, program] of Object.entries(programs))
      took[name].push(
        Number(execFileSync('node', ['--input-type=module', '-e', `${program};${last}`], { cwd: root })),
      );
  const bare = Math.min(...took['bare node']);
  return Object.entries(took).map(([name, all]) => ({
    name,
    milliseconds: Math.min(...all),
    over: Math.min(...all) - bare,
  }));
}

export const importTable = (rows) => {
  const [bare] = rows;
  return [
    '| program | ms | over bare node | in bare nodes |',
    '|---|---|---|---|',
    ...rows.map(
      ({ name, milliseconds, over }) =>
        `| ${name} | ${milliseconds.toFixed(0)} | ${over.toFixed(0)} | ${(over / bare.milliseconds).toFixed(2)} |`,
    ),
  ].join('\n');
};

const command = join(root, 'packages/lattice/bin/lattice.js');
const commands = {
  'bare node': '-e 0',
  'lattice --help': `${command} --help`,
  'lattice check of one template text': `${command} check plain-card.html`,
  'lattice check of one module': `${command} check price-line.ts`,
};

/** A project of two files that has the library installed. */
function project() {
  const folder = mkdtempSync(join(tmpdir(), 'lattice-start-'));
  mkdirSync(join(folder, 'node_modules'));
  for (const [name, at] of [
    ['zesty-lattice', 'lattice'],
    ['zesty-lattice-tools', 'tools'],
  ])
    symlinkSync(join(root, 'packages', at), join(folder, 'node_modules', name));
  writeFileSync(join(folder, 'package.json'), '{ "private": true }');
  writeFileSync(join(folder, 'plain-card.html'), '<article><h3>{{ title }}</h3><slot></slot></article>');
  writeFileSync(
    join(folder, 'price-line.ts'),
    `import { component, el, prop } from 'zesty-lattice';
export default component('price-line', { props: { cents: prop.number() }, styles: 'p { margin: 0 }',
  template: ({ props }) => el.p(props.cents, ' cents') });`,
  );
  return folder;
}

/** Milliseconds of processor of each command, all that it starts among them, in turns. */
export function starting(rounds = 7) {
  const cwd = project();
  const took = Object.fromEntries(Object.keys(commands).map((name) => [name, []]));
  try {
    for (let round = 0; round < rounds; round++)
      for (const [name, given] of Object.entries(commands)) {
        const times = execFileSync('bash', ['-c', `node ${given} >&2; times`], {
          cwd,
          encoding: 'utf8',
          stdio: ['ignore', 'pipe', 'ignore'],
        });
        // The second line of `times` is of what the shell ran: 0m0.123s 0m0.045s.
        const parts = (times.split('\n')[1] ?? '').matchAll(/(\d+)m([\d.]+)s/g);
        took[name].push([...parts].reduce((all, [, m, s]) => all + Number(m) * 60_000 + Number(s) * 1000, 0));
      }
  } finally {
    rmSync(cwd, { recursive: true });
  }
  const bare = Math.min(...took['bare node']);
  return Object.entries(took).map(([name, all]) => ({
    name,
    milliseconds: Math.min(...all),
    over: Math.min(...all) - bare,
  }));
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const rows = importing();
  console.log(importTable(rows));
  console.log(`\n${importTable(starting())}\n`);
  const { over } = rows.find(({ name }) => name === 'zesty-lattice and /html');
  console.log(`zesty-lattice and /html cost ${over.toFixed(0)} ms over bare node; ${most} are allowed.`);
  process.exitCode = over > most ? 1 : 0;
}
