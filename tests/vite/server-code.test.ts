import { execFileSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { build } from 'vite';
import { afterAll, beforeAll, expect, test } from 'vitest';

const root = fileURLToPath(new URL('../..', import.meta.url));
const folder = mkdtempSync(join(root, 'out-server-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const files = {
  'package.json': '{ "type": "module" }',
  'components.ts': `
import { calc, component, eachOf, el, given, phrase, prop, slot } from 'zesty-lattice';

export const StallSign = component('stall-sign', {
  props: { name: prop.text(), crates: prop.number().fallback(0) },
  slots: { default: slot() },
  template: ({ props, slots }) =>
    el.section(el.h2({ title: props.name }, props.name), el.p(calc(props.crates, (n) => {
      if (n < 0) throw new RangeError('fewer than none');
      return n + ' crates';
    })), slots.default(el.i('nothing'))),
});

export const StallList = component('stall-list', {
  props: { stalls: prop.list<{ name: string; crates: number }>() },
  template: ({ props }) =>
    el.main(eachOf(props.stalls, (stall) => StallSign({ name: stall.name, crates: stall.crates }, given(stall.crates, el.b(phrase\`\${stall.crates} left\`))))),
});
`,
  'server.ts': `
import { renderHtml } from 'zesty-lattice/html';
import { StallList, StallSign } from './components.js';
const stalls = [{ name: 'Gate & barn', crates: 3 }, { name: '"Upper" field', crates: 0 }];
for (let n = 0; n < 5; n++) renderHtml(StallList, { stalls });
console.log(renderHtml(StallList, { stalls }));
console.log(renderHtml(StallSign({ name: 'x', crates: 1 }, 'on the spot')));
try {
  renderHtml(StallList, { stalls: [{ name: 'a', crates: 1 }, { name: 'b', crates: -1 }] });
} catch (error) {
  console.log(error.problems[0].where, '|', error.problems[0].message, '|', /fewer than none[\\s\\S]*?at \\S*(stallList_)/.exec(error.cause.stack)?.[1]);
}
try {
  new Function('');
  console.log('code may be made');
} catch {
  console.log('no code may be made');
}
`,
};

const run = (file: string, ...flags: string[]): string[] =>
  execFileSync('node', [...flags, join(folder, file)], { cwd: folder, encoding: 'utf8' })
    .trim()
    .split('\n');

async function built(outDir: string, ahead: boolean, minify: boolean, ...edge: string[]): Promise<void> {
  const { lattice } = await import('zesty-lattice-tools/vite');
  await build({
    configFile: false,
    root: folder,
    logLevel: 'error',
    plugins: [lattice({ ahead })],
    // All in one file, as for runtimes that have no packages.
    ssr: {
      noExternal: true,
      ...(edge.length > 0 && { target: 'webworker' as const, resolve: { conditions: edge } }),
    },
    build: { ssr: join(folder, 'server.ts'), outDir, minify },
  });
}

beforeAll(async () => {
  for (const [name, text] of Object.entries(files)) writeFileSync(join(folder, name), text);
  mkdirSync(join(folder, 'node_modules'));
  symlinkSync(root, join(folder, 'node_modules/zesty-lattice'));
  await built('ahead', true, false);
  await built('small', true, true);
  await built('plain', false, true);
  await built('edge', true, false, 'worker', 'module', 'production');
}, 60_000);

const wanted = [
  '<main><section><h2 title="Gate &amp; barn">Gate &amp; barn</h2><p>3 crates</p><b>3 left</b></section><section><h2 title="&quot;Upper&quot; field">"Upper" field</h2><p>0 crates</p><i>nothing</i></section></main>',
  '<section><h2 title="x">x</h2><p>1 crates</p>on the spot</section>',
];
const failure = (name: string): string =>
  `stall-list › stall-sign[2] | calc(props.crates) stopped with an error: fewer than none. | ${name}`;
const strict = '--disallow-code-generation-from-strings';

test('a server makes code of its own, with names that a stack shows', () => {
  expect(run('plain/server.js')).toEqual([...wanted, failure('stallList_'), 'code may be made']);
});

test('where no code may be made a server writes the same by the interpreter', () => {
  expect(run('plain/server.js', strict)).toEqual([...wanted, failure('undefined'), 'no code may be made']);
});

test('code that the plugin wrote ahead runs where none may be made', () => {
  expect(readFileSync(join(folder, 'ahead/server.js'), 'utf8')).toMatch(/stallList_/);
  expect(run('ahead/server.js', strict)).toEqual([...wanted, failure('stallList_'), 'no code may be made']);
});

test('an edge runtime is sent the code that was written ahead, and not what writes it', () => {
  const text = (outDir: string): string => readFileSync(join(folder, outDir, 'server.js'), 'utf8');
  const writer = /needs lines/;
  expect([text('ahead'), text('edge')].map((one) => writer.test(one))).toEqual([true, false]);
  expect(run('edge/server.js', strict).slice(0, 2)).toEqual(wanted);
});

test('a minified server writes the same', () => {
  expect(run('small/server.js', strict).slice(0, 2)).toEqual(wanted);
});
