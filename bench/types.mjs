// npm run bench:types: how long checking 300 components that use one another takes, against as many plain typed functions.
import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { build, install, root } from '../scripts/setup.mjs';

install();
build();

const count = 300;
const isKept = process.argv.includes('--keep');
const folder = mkdtempSync(join(root, 'out-types-'));
const numbers = Array.from({ length: count }, (_, n) => n);
const users = (n) => [n - 1, n - 7, n - 31].filter((other) => other >= 0);

const uses = (n) =>
  users(n)
    .map(
      (o) => `Part${o}({ title: props.title, count: props.count }, { head: el.b('x'), default: props.note })`,
    )
    .join(', ') || 'null';

const propKinds =
  "{ title: prop.text(), tone: prop.choice(['a', 'b']).fallback('a'), count: prop.number().fallback(0), note: prop.text().optional(), open: prop.flag(), weights: prop.list(prop.number()).fallback([]) }";
const slotKinds = '{ default: slot(), head: slot() }';

/**
 * A component; its type is inferred, or written beside its name: `typed` from its own records of props and slots,
 * `stated` in interfaces, as a function does.
 */
const component = (n, how) => `${users(n)
  .map((o) => `import { Part${o} } from './part${o}.js';`)
  .join('\n')}
import { calc, component, event, ${{ stated: 'type Component, type Content, ', typed: 'type Component, type PropsOf, type SlotsOf, ', inferred: '' }[how]}el, given, prop, slot } from 'zesty-lattice';
${
  how === 'stated'
    ? `export interface Props${n} { readonly title: string; readonly tone?: 'a' | 'b' | undefined; readonly count?: number | undefined; readonly note?: string | undefined; readonly open?: boolean | undefined; readonly weights?: readonly number[] | undefined }
export interface Slots${n} { readonly default?: Content; readonly head?: Content }
`
    : ''
}${how === 'typed' ? `const props = ${propKinds};\nconst slots = ${slotKinds};\n` : ''}export const Part${n}${
  {
    stated: `: Component<Props${n}, Slots${n}>`,
    typed: ': Component<PropsOf<typeof props>, SlotsOf<typeof slots>>',
    inferred: '',
  }[how]
} = component('part-${n}', {
  ${how === 'typed' ? 'props,\n  slots' : `props: ${propKinds},\n  slots: ${slotKinds}`},
  state: ({ count }) => ({ picked: count, isOpen: false }),
  events: { changed: event<{ readonly picked: number }>() },
  handlers: {
    pick: ({ dispatch, state }, step: number) => {
      dispatch('changed', { picked: state.picked + step });
      return { picked: state.picked + step };
    },
    toggle: ({ state }) => ({ isOpen: !state.isOpen }),
  },
  template: ({ handlers, props, slots, state }) =>
    el.section({ class: ['part', props.tone] }, el.h2({ title: props.title }, slots.head(props.title)), slots.default(),
      el.button({ type: 'button', on: { click: handlers.pick(1) } }, state.picked), el.button({ type: 'button', on: { click: handlers.toggle() } }, 'open'),
      given(props.note, (note) => el.p(note)), calc(props.count, (n) => n + 1),
      ${uses(n)}),
});
`;
/** The same as a function of typed arguments; what it gives is stated, or left to be inferred. */
const plain = (n, how) => `${users(n)
  .map((o) => `import { part${o} } from './part${o}.js';`)
  .join('\n')}
export interface Props${n} { readonly title: string; readonly tone?: 'a' | 'b'; readonly count?: number; readonly note?: string | undefined; readonly open?: boolean; readonly weights?: readonly number[] }
export interface Slots${n} { readonly default?: string; readonly head?: string }
export interface State${n} { readonly picked: number; readonly isOpen: boolean }
export interface Events${n} { readonly changed: { readonly picked: number } }
export function part${n}(props: Props${n}, slots: Slots${n} = {})${how === 'stated' ? ': string' : ''} {
  const { title, tone = 'a', count = 0, note, open = false, weights = [] } = props;
  const state: State${n} = { picked: count, isOpen: weights.length > 3 };
  const handlers = {
    pick(dispatch: <Name extends keyof Events${n}>(name: Name, detail: Events${n}[Name]) => void, step: number): Partial<State${n}> {
      dispatch('changed', { picked: state.picked + step });
      return { picked: state.picked + step };
    },
    toggle: (): Partial<State${n}> => ({ isOpen: !state.isOpen }),
  };
  return [\`<section class="part \${tone}" data-open="\${open}"><h2 title="\${title}">\`, slots.head ?? title, '</h2>', slots.default ?? '', note ? '<p>' + note + '</p>' : '', String(count + 1), String(handlers.toggle().isOpen),
    ${
      users(n)
        .map((o) => `part${o}({ title, count }, { head: '<b>x</b>', default: note ?? '' })`)
        .join(', ') || "''"
    }, '</section>'].join('');
}
`;
const base = `import { component } from 'zesty-lattice';\nexport const Base = component('base-part', { template: () => null });\n`;

function project(name, files) {
  const home = join(folder, name);
  mkdirSync(join(home, 'node_modules'), { recursive: true });
  symlinkSync(root, join(home, 'node_modules/zesty-lattice'));
  for (const [file, text] of Object.entries(files)) writeFileSync(join(home, file), text);
  writeFileSync(join(home, 'package.json'), '{ "type": "module" }');
  writeFileSync(
    join(home, 'tsconfig.json'),
    JSON.stringify({
      compilerOptions: {
        strict: true,
        noEmit: true,
        module: 'NodeNext',
        target: 'ES2022',
        lib: ['ES2023', 'DOM'],
        types: [],
        skipLibCheck: true,
      },
      include: ['*.ts'],
    }),
  );
  return home;
}

function check(home, flags) {
  const start = performance.now();
  const done = spawnSync(join(root, 'node_modules/.bin/tsc'), ['-p', home, ...flags], { encoding: 'utf8' });
  if (done.status !== 0) throw new Error(done.stdout.slice(0, 2000));
  return performance.now() - start;
}

function measure(homes, how, flags) {
  const times = Object.fromEntries(Object.keys(homes).map((name) => [name, []]));
  for (let round = 0; round < 7; round++) {
    for (const [name, home] of Object.entries(homes)) times[name].push(check(home, flags));
  }
  const middle = (name) => times[name].sort((x, y) => x - y)[3];
  console.log(`\n${how}, median of 7 runs in turns`);
  for (const [name, words] of Object.entries(rows)) {
    const ratio = middle(name) / middle('functions, stated');
    const shown = name.startsWith('components')
      ? `   ratio ${ratio.toFixed(2)}${ratio > limit ? `, above ${limit}` : ''}`
      : '';
    console.log(`  ${words.padEnd(62)} ${middle(name).toFixed(0).padStart(5)} ms${shown}`);
  }
}

/** What checking components may take, in times what the functions take that state what they give. */
const limit = 3;

const rows = {
  base: 'the library’s own types with one component',
  'functions, stated': `${count} functions of typed arguments that state what they give`,
  'functions, inferred': `${count} functions of typed arguments`,
  'components, stated': `${count} components, their types stated in interfaces`,
  'components, typed': `${count} components, typed by their props and slots`,
  'components, inferred': `${count} components, all types inferred`,
};

try {
  const all = (file) => Object.fromEntries(numbers.map((n) => [`part${n}.ts`, file(n)]));
  const homes = {
    base: project('base', { 'base.ts': base }),
    ...Object.fromEntries(
      ['stated', 'typed', 'inferred'].map((how) => [
        `components, ${how}`,
        project(
          `components-${how}`,
          all((n) => component(n, how)),
        ),
      ]),
    ),
    ...Object.fromEntries(
      ['stated', 'inferred'].map((how) => [
        `functions, ${how}`,
        project(`functions-${how}`, { 'base.ts': base, ...all((n) => plain(n, how)) }),
      ]),
    ),
  };
  console.log(`Checking ${count} components that use one another, against as many plain typed functions`);
  measure(homes, 'One checker (--singleThreaded)', ['--singleThreaded']);
  const cores = availableParallelism();
  if (cores < 4)
    measure(homes, `As many checkers as this machine has cores (--checkers ${cores})`, [
      '--checkers',
      String(cores),
    ]);
  // Each checker works out for itself what a file's components are made of, all the way down, unless they say it.
  measure(homes, `The compiler’s own choice of four checkers side by side, on ${cores} cores`, []);
} finally {
  if (!isKept) rmSync(folder, { recursive: true, force: true });
}
