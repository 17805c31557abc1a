// What importing the doors and a first page cost over bare `node`, in milliseconds of processor, in new processes, in
// turns: part of npm run bench, and alone node bench/importing.mjs, which ends with 1 where the authoring door and html cost more than 60 ms.
import { execFileSync } from 'node:child_process';
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

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const rows = importing();
  console.log(importTable(rows));
  const { over } = rows.find(({ name }) => name === 'zesty-lattice and /html');
  console.log(`zesty-lattice and /html cost ${over.toFixed(0)} ms over bare node; ${most} are allowed.`);
  process.exitCode = over > most ? 1 : 0;
}
