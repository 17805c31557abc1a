import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { gzipSync } from 'node:zlib';
import { type Browser, chromium } from 'playwright-core';
import { build, createLogger } from 'vite';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { browserOptions } from '../../scripts/browser.mjs';
import { inRun, isLong } from '../support/runs.js';
import { type Files, orchard, walk } from './ahead-project.js';

const root = fileURLToPath(new URL('../..', import.meta.url));

interface Built {
  readonly code: string;
  /** All of its scripts, by their names. */
  readonly chunks: Readonly<Record<string, string>>;
  /** What was reported while building. */
  readonly reported: string;
  /** Whether the page plans elements itself. */
  readonly plans: boolean;
}

interface BuildOptions {
  readonly ahead?: boolean;
  readonly minify?: boolean;
  readonly planned?: 'always';
}

/** Builds a project of these files, from main.ts, as its users do: with the built package. */
async function built(files: Files, options: BuildOptions = {}): Promise<Built> {
  const key = JSON.stringify([files, options]);
  const known = builds.get(key) ?? buildOf(files, options);
  builds.set(key, known);
  return known;
}

const builds = new Map<string, Promise<Built>>();

async function buildOf(files: Files, options: BuildOptions): Promise<Built> {
  const folder = mkdtempSync(join(root, 'out-ahead-'));
  try {
    for (const [name, text] of Object.entries(files)) {
      mkdirSync(dirname(join(folder, name)), { recursive: true });
      writeFileSync(join(folder, name), text);
    }
    // A project of its own, with the library among its packages.
    if (!files['package.json']) writeFileSync(join(folder, 'package.json'), '{ "type": "module" }');
    mkdirSync(join(folder, 'node_modules'), { recursive: true });
    symlinkSync(root, join(folder, 'node_modules/zesty-lattice'));
    return await builtFrom(join(folder, 'main.ts'), options, folder);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

async function builtFrom(
  input: string,
  { ahead = true, minify = false, planned }: BuildOptions,
  folder = root,
): Promise<Built> {
  const { lattice } = (await import(
    join(root, 'packages/tools/dist/node/vite.js')
  )) as typeof import('../../packages/tools/src/vite/index.js');
  const lines: string[] = [];
  const logger = createLogger('silent');
  const tell = (line: string): number => lines.push(line);
  const customLogger = { ...logger, info: tell, warn: tell };
  const result = await build({
    root: folder,
    configFile: false,
    customLogger,
    plugins: [lattice({ ahead, ...(planned && { planned }) })],
    resolve: { conditions: ['production', 'module', 'browser'] },
    build: {
      write: false,
      minify: minify ? 'oxc' : false,
      target: 'es2022',
      rollupOptions: {
        input,
        output: { format: 'es', entryFileNames: 'main.js', chunkFileNames: '[name].js' },
      },
    },
  });
  if (!('output' in result)) throw new Error('Nothing was built.');
  const { code } = result.output[0];
  const chunks = Object.fromEntries(
    result.output.flatMap((one) => (one.type === 'chunk' ? [[one.fileName, one.code]] : [])),
  );
  const reported = lines.filter((line) => line.includes('plans some elements itself')).join('\n');
  return { code, chunks, reported, plans: code.includes('Planner = class') };
}

/** Each case is a build: `npm run test:long` has all of them, a usual run every twentieth one. */
const some = <Case>(cases: readonly Case[]): readonly Case[] =>
  cases.filter((_case, index) => isLong || index % 20 === 0);

describe('elements planned as a page is built', () => {
  let browser: Browser;
  beforeAll(async () => {
    browser = await chromium.launch(browserOptions);
  });
  afterAll(() => browser.close());

  async function walked(code: string): Promise<readonly string[]> {
    const page = await browser.newPage();
    await page.setContent(
      '<!doctype html><html lang="en"><title>x</title><body><stall-list>rest<b slot="note">n</b></stall-list></body></html>',
    );
    await page.addScriptTag({ content: code, type: 'module' });
    await page.waitForFunction("customElements.get('stall-list')");
    const seen = await page.evaluate<readonly string[]>(walk);
    await page.close();
    return seen;
  }

  test.runIf(isLong)(
    'show and tell what elements planned in the page do, whatever kinds, modules and slots are in it',
    async () => {
      const [ahead, inPage] = [await built(orchard), await built(orchard, { ahead: false })];
      expect(ahead.reported).toBe('');
      expect([ahead.plans, inPage.plans]).toEqual([false, true]);
      const [seen, wanted] = [await walked(ahead.code), await walked(inPage.code)];
      expect(seen).toEqual(wanted);
      expect(seen).toHaveLength(14);
      expect(seen[13]).toContain('prop-invalid');
      expect(seen[13]).toContain('handler-failed');
      expect(seen[6]).toContain('kept B');
      expect((await walked((await built(orchard, { minify: true })).code)).slice(0, 13)).toEqual(
        wanted.slice(0, 13),
      );
    },
  );

  test('leave what only planning needs out of the page', async () => {
    const { code } = await built(orchard);
    for (const name of ['preset(', 'RowSign =', 'Proxy(target', 'prop.text', 'ownKeys'])
      expect(code, name).not.toContain(name);
    expect(code).toContain('Stall " + n');
    expect(code.match(/rgb\(9, 8, 7\)/g)).toHaveLength(1);
  });

  test.each([
    ['a counter', 'counter.ts', 3_200],
    ['a counter as HTML text', 'counter-text.ts', 3_200],
    ['a form of three fields', 'shift-form.ts', 4_300],
    ['a list with keyed rows', 'sortable-list.ts', 6_120],
    ['a kit of twenty', 'kit.ts', 22_050],
  ])('%s with everything it needs (%s) is at most %i bytes', async (_what, entry, most) => {
    const { code } = await builtFrom(join(root, 'bench', entry), { minify: true });
    expect(gzipSync(code, { level: 9 }).length).toBeLessThanOrEqual(most);
  });

  test.runIf(isLong).each([
    ['before', 'other();\nregister(Inner);'],
    ['after', 'register(Inner);\nother();'],
  ] as const)(
    'stand beside one that the page plans itself and that holds them, registered %s them',
    async (_when, calls) => {
      const { code, reported } = await built({
        'main.ts': `import { register } from 'zesty-lattice/elements';\nimport { Inner } from './inner.ts';\nimport { other } from './other.ts';\n${calls}\n`,
        'inner.ts': `import { component, el, prop } from 'zesty-lattice';
export const Inner = component('part-inner', { props: { n: prop.number().fallback(1) }, state: () => ({ at: 0 }), template: ({ props }) => el.b(props.n) });
`,
        'outer.ts': `import { calc, component, el, prop } from 'zesty-lattice';
import { Inner } from './inner.ts';
export const Outer = component('part-outer', { props: { tag: prop.text().fallback('p') }, state: () => ({ at: 0 }), template: ({ props }) => el.of(calc(props.tag, (tag) => tag) as never, Inner({ n: 2 })) });
`,
        'other.ts': `import { register } from 'zesty-lattice/elements';
import { Outer } from './outer.ts';
export const other = (): void => register(Outer);
`,
      });
      expect(reported).toContain('part-outer');
      const page = await browser.newPage();
      const failed: string[] = [];
      page.on('pageerror', ({ message }) => failed.push(message));
      await page.setContent(
        '<!doctype html><title>x</title><body><part-inner></part-inner><part-outer></part-outer></body>',
      );
      await page.addScriptTag({ content: code, type: 'module' });
      await expect.poll(() => page.locator('b').allInnerTexts()).toEqual(['1', '2']);
      expect(failed).toEqual([]);
      await page.close();
    },
  );
});

test.runIf(isLong)('what only speaks of the library is no code to be read', async () => {
  const { code } = await built({
    'main.ts': `import { register } from 'zesty-lattice/elements';\nimport { A } from './a.ts';\nimport './page.css';\nimport notes from './notes.md?raw';\nregister(A);\nconsole.log(notes);\n`,
    'a.ts': `import { component, el } from 'zesty-lattice';\nexport const A = component('part-a', { state: () => ({ at: 0 }), template: () => el.p('x') });\n`,
    'page.css':
      "/* made with 'zesty-lattice', see component( and markupFile of 'zesty-lattice/markup' */\nbody { margin: 0 }\n",
    'notes.md': "made with 'zesty-lattice' component(",
  });
  expect(code).toContain('part-a');
  expect(code).toContain("made with 'zesty-lattice' component(");
});

test('a build says what became of each element, and fails for what the page would plan where that is asked for', async () => {
  const files: Files = {
    'main.ts': `import { component, el } from 'zesty-lattice';
import { register } from 'zesty-lattice/elements';
const make = (name: string) => component(name, { state: () => ({ at: 0 }), template: ({ state }) => el.p(state.at) });
const Stall = component('one-stall', { state: () => ({ at: 0 }), template: ({ state }) => el.p(state.at) });
register(Stall, make('other-stall'));
`,
  };
  const { reported } = await built(files);
  expect(reported).toMatch(
    / {2}make\("other-stall"\) {2}by the page {4}main\.ts:5: it cannot be followed: name the component itself\n {2}<one-stall> {10}at build time {2}\d{3} bytes/,
  );
  await expect(built(files, { planned: 'always' })).rejects.toThrow(/make\("other-stall"\) {2}by the page/);
  const { length } = (
    await built(
      { 'main.ts': (files['main.ts'] ?? '').replace(", make('other-stall')", '') },
      { planned: 'always' },
    )
  ).code;
  expect(length).toBeGreaterThan(0);
});

test.each([
  [
    'a name that is something else in a function',
    "import { A } from './a.ts';\nconst add = (A: never) => register(A);\nadd(A as never);",
    'A  by the page  main.ts:3: it cannot be followed: name the component itself',
  ],
  [
    'a list of what is loaded later',
    "const { A } = await import('./a.ts');\nconst all = [A];\nregister(...all);",
    '...all  by the page  main.ts:4: it is loaded later: name it where it is registered',
  ],
])('%s is left to the page', async (_name, code, why) => {
  const files: Files = {
    'main.ts': `import { register } from 'zesty-lattice/elements';\n${code}\n`,
    'a.ts': `import { component, el } from 'zesty-lattice';\nexport const A = component('part-a', { state: () => ({ at: 0 }), template: ({ state }) => el.p(state.at) });\n`,
  };
  const { reported } = await built(files);
  expect(reported).toContain(why);
  expect(reported).not.toContain('at build time');
});

test('components of a package are written out, too', async () => {
  const { code, plans, reported } = await built({
    'main.ts': `import { register } from 'zesty-lattice/elements';
import { Gate } from 'grove-parts';
import { Stall } from './stall.ts';
register(Gate, Stall);
`,
    'stall.ts': `import { component, el, prop } from 'zesty-lattice';
import { Sign } from 'grove-parts';
export const Stall = component('one-stall', { props: { n: prop.number() }, state: () => ({ at: 0 }), template: ({ props }) => el.div(Sign({ n: props.n })) });
`,
    'node_modules/grove-parts/package.json': JSON.stringify({
      name: 'grove-parts',
      version: '1.0.0',
      type: 'module',
      exports: './index.js',
      peerDependencies: { 'zesty-lattice': '*' },
    }),
    'node_modules/grove-parts/index.js': `import { component, calc, el, prop } from 'zesty-lattice';
const unit = ' crates of the grove';
export const Sign = component('one-sign', { props: { n: prop.number() }, template: ({ props }) => el.b(calc(props.n, (n) => n + unit)) });
export const Gate = component('one-gate', { state: () => ({ open: false }), handlers: { turn: ({ state }) => ({ open: !state.open }) }, template: ({ state, handlers }) => el.button({ on: { click: handlers.turn() } }, calc(state.open, (open) => (open ? 'open' : 'shut'))) });
`,
    'package.json': JSON.stringify({ type: 'module', dependencies: { 'grove-parts': '1.0.0' } }),
  });
  expect(reported).toBe('');
  expect(plans).toBe(false);
  expect(code).toContain(' crates of the grove');
  expect(code).toContain('one-gate');
});

describe('what cannot be planned ahead is planned in the page, and reported', () => {
  const parts = `import { calc, component, el, prop } from 'zesty-lattice';
export const A = component('part-a', { props: { n: prop.number() }, state: () => ({ at: 0 }), template: ({ props }) => el.p(props.n) });
export const price = (n: number): string => '€ ' + n;
`;
  const main = (code: string): Files => ({
    'main.ts': `import { register } from 'zesty-lattice/elements';\n${code}`,
    'parts.ts': parts,
  });
  const one = (template: string, more = ''): Files =>
    main(`import { calc, component, el, prop } from 'zesty-lattice';
register(component('part-b', { ${more} props: { n: prop.number(), tag: prop.tag(['p', 'b']) }, state: () => ({ at: 0 }), template: ${template} }));`);

  const cases: readonly (readonly [name: string, files: Files, why: string])[] = [
    [
      'a function that uses what its template declares',
      one(
        '({ props }) => { const unit = String(Math.random()); return el.p(calc(props.n, (n) => n + unit)); }',
      ),
      '<part-b>  by the page  main.ts:3: calc(props.n): its function uses "unit", which its template works out as it runs; hand it to calc as a value',
    ],
    [
      'an element whose tag is calculated',
      one('({ props }) => el.of(calc(props.tag, (tag) => tag) as never, "x")'),
      'an element whose tag is calculated',
    ],
    [
      'a value that is no plain data',
      one(
        '({ handlers }) => el.p({ on: { click: handlers.go(new Map()) } })',
        'handlers: { go: (_context: unknown, _map: unknown) => undefined },',
      ),
      'is no plain data',
    ],
    [
      'HTML that written code cannot tell from its own',
      main(`import { component, el, prop, trusted } from 'zesty-lattice';
register(component('part-b', { props: { n: prop.number() }, state: () => ({ at: 0 }), template: ({ props }) => [trusted('<t>x</t>'), el.p(props.n)] }));`),
      'it has an element <t>, which stands for a text in written code',
    ],
    [
      'a list that is made as its module runs',
      main(`import { A } from './parts.ts';\nconst all = [A].filter(Boolean);\nregister(...all);`),
      '...all  by the page  main.ts:4: it cannot be followed: name the component itself',
    ],
    [
      'a register that is handed on',
      main(`import { A } from './parts.ts';\nfor (const add of [register]) add(A);`),
      'register  by the page  main.ts:1: the module does more with register than call it',
    ],
    [
      'a module that wants a page',
      main(`import { component, el } from 'zesty-lattice';
const wide = document.body.clientWidth;
register(component('part-b', { state: () => ({ wide }), template: () => el.p('x') }));`),
      'cannot be loaded in Node: document is not defined',
    ],
    [
      'a component that another one holds',
      {
        ...main(`import { Outer } from './outer.ts';\nregister(Outer);`),
        'outer.ts': `import { calc, component, el, prop } from 'zesty-lattice';
const Inner = component('part-inner', { props: { tag: prop.tag(['p', 'b']) }, state: () => ({ at: 0 }), template: ({ props }) => el.of(calc(props.tag, (tag) => tag) as never, 'x') });
export const Outer = component('part-outer', { state: () => ({ at: 0 }), template: () => el.div(Inner({})) });`,
      },
      '<part-outer>  by the page  main.ts:3: it holds <part-inner>, and of that an element whose tag is calculated',
    ],
  ];

  test.each(some(cases))('%s', async (_name, files, why) => {
    const { code, plans, reported } = await built(files);
    expect(reported).toContain(why);
    expect(reported).not.toContain(root);
    expect(plans).toBe(true);
    // And registered all the same.
    expect(code).toMatch(/part-(a|b|outer)/);
  });
});

describe('what is written ahead however it stands in its module', () => {
  const head = `import { calc, component, definition, el, event, preset, prop, share, slot } from 'zesty-lattice';
import { register } from 'zesty-lattice/elements';
`;
  const part = `component('part-a', { props: { n: prop.number() }, state: () => ({ at: 0 }), template: ({ props }) => el.p(props.n) })`;
  const cases: readonly (readonly [name: string, files: Files])[] = [
    [
      'constants of a template that its functions use',
      {
        'main.ts': `${head}const base = 2;
register(component('part-a', { props: { n: prop.number() }, state: () => ({ at: 0 }), template: ({ props }) => {
  const most = 3 * base;
  const words = { few: 'few of ' + base, many: ['many'] };
  const worded = (n: number) => (n > most ? words.many[0] : words.few);
  return el.p(calc(props.n, (n) => worded(n)));
} }));`,
      },
    ],
    [
      'a component of any item',
      {
        'main.ts': `${head}const plural = (n: number) => n + ' rows';
const Rows = component.generic('part-a', (item) => definition({ props: { items: prop.list(item).fallback([]), most: prop.number().where((n) => n > 0, 'has to be above zero').fallback(9) }, state: () => ({ at: 0 }), template: ({ props }) => el.p(calc(props.items, (all) => plural(all.length)), props.most) }));
register(Rows);`,
      },
    ],
    [
      'a definition that is put together in its module',
      {
        'main.ts': `${head}const parts = definition({ props: { n: prop.number().where((n) => n >= 0, 'must not be below zero') }, state: () => ({ at: 1 }), handlers: { go: ({ state }) => ({ at: state.at + 1 }) }, template: () => el.i('other') });
const more = { styles: 'p { color: red }' };
register(component('part-a', { ...parts, ...more, template: ({ props, state }) => el.p(props.n, state.at) }));`,
      },
    ],
    [
      'a definition that another module has',
      {
        'main.ts': `${head}import { cardParts as parts } from './index.ts';
register(component('part-a', { ...parts, template: ({ props, state, handlers }) => el.p({ on: { click: handlers.go() } }, props.n, state.at) }));`,
        'index.ts': `export * from './parts.ts';`,
        'parts.ts': `import { definition, el, prop } from 'zesty-lattice';
const first = 7;
export const cardParts = definition({ props: { n: prop.number() }, state: () => ({ at: first }), handlers: { go: ({ state }) => ({ at: state.at + first }) }, template: () => el.i('other') });`,
      },
    ],
    [
      'several components of one definition, with more props and another look',
      {
        'main.ts': `${head}import { Plain } from './plain.ts';
import { counting } from './counting.ts';
const Big = component('part-a', {
  ...counting,
  props: { ...counting.props, step: prop.number().where((n) => n > 0, 'has to be above zero').fallback(2) },
  styles: 'p { color: rgb(4, 5, 6) }',
  template: ({ props, state, handlers }) => el.p({ on: { click: handlers.add(props.step) } }, props.n, ' ', state.at),
});
register(Plain, Big);`,
        'plain.ts': `import { component } from 'zesty-lattice';
import { counting } from './counting.ts';
export const Plain = component('part-plain', counting);`,
        'counting.ts': `import { definition, el, prop } from 'zesty-lattice';
export const counting = definition({
  props: { n: prop.number().where((n) => n < 100, 'has to be below a hundred') },
  state: ({ n }) => ({ at: n }),
  handlers: { add: ({ state }, step) => ({ at: state.at + step }) },
  template: ({ props, state }) => el.p(props.n, state.at),
});`,
      },
    ],
    [
      'a component that is used for more',
      {
        'main.ts': `${head}import { A } from './a.ts';\nregister(A);\nconsole.log(A.name);`,
        'a.ts': `${head}export const A = ${part};`,
      },
    ],
    [
      'a component imported with other things',
      {
        'main.ts': `${head}import { A, price } from './a.ts';\nregister(A);\nconsole.log(price(3));`,
        'a.ts': `${head}export const A = ${part};\nexport const price = (n: number) => '€ ' + n;`,
      },
    ],
    [
      'a module that exports what it registers',
      { 'main.ts': `import './a.ts';`, 'a.ts': `${head}export const A = ${part};\nregister(A);` },
    ],
    [
      'a module that hands on one which registers its own',
      {
        'main.ts': `${head}import { A } from './all.ts';\nregister(A);`,
        'all.ts': `export * from './a.ts';`,
        'a.ts': `${head}export const A = ${part};\nregister(A);`,
      },
    ],
    [
      'uses, presets and shared data at the top of a module',
      {
        'main.ts': `${head}import { red, Lamp } from './lamp.ts';
const press = preset(el.button, { class: 'press' });
const warm = press({ title: 'warm' }, 'warm');
const Total = share<number>('total');
const two = [red, Lamp({ tone: 'blue' })];
register(component('part-a', { state: () => ({ at: 0 }), provides: ({ state }) => [Total.provide(state.at)], template: ({ state }) => el.p(red, warm, two, state.at) }));`,
        'lamp.ts': `${head}export const Lamp = component('one-lamp', { props: { tone: prop.text() }, template: ({ props }) => el.b({ class: props.tone }) });
export const red = Lamp({ tone: 'red' });`,
      },
    ],
    [
      'some of those that are registered in one call',
      {
        'main.ts': `${head}import { A } from './a.ts';\nregister(A);`,
        'a.ts': `${head}export const A = ${part};`,
      },
    ],
  ];

  let browser: Browser;
  beforeAll(async () => {
    browser = await chromium.launch(browserOptions);
  });
  afterAll(() => browser.close());

  /** What the element shows, and what was reported, before and after a click and another value. */
  async function shownBy(code: string): Promise<readonly string[]> {
    const page = await browser.newPage();
    const reported: string[] = [];
    page.on('console', (message) => reported.push(message.text()));
    page.on('pageerror', ({ message }) => reported.push(message));
    await page.setContent('<!doctype html><title>x</title><body><part-a n="5"></part-a></body>');
    await page.addScriptTag({ content: code, type: 'module' });
    await page.waitForFunction("customElements.get('part-a')");
    const shown = await page.evaluate<readonly string[]>(`(async () => {
      const part = document.querySelector('part-a');
      const turn = () => new Promise((done) => setTimeout(done, 5));
      const seen = [];
      part.items = ['a', 'b'];
      await turn();
      seen.push(part.shadowRoot.innerHTML);
      part.shadowRoot.querySelector('p').click();
      part.n = 9;
      await turn();
      return [...seen, part.shadowRoot.innerHTML];
    })()`);
    await page.close();
    return [...shown, ...reported];
  }

  test.each(some(cases))('%s', async (_name, files) => {
    const { code, plans, reported } = await built(files);
    expect(reported).toBe('');
    expect(plans).toBe(false);
    expect(code).toContain('part-a');
    // Of what authoring takes there is nothing, unless it is used itself.
    expect(code.includes('new Proxy(target')).toBe(Object.values(files).join('').includes('A.name'));
    const [shown, wanted] = [await shownBy(code), await shownBy((await built(files, { ahead: false })).code)];
    expect(shown).toEqual(wanted);
    expect(shown[0]).toContain('<p');
  });
});

test('helpers of other modules, kits of kits, lists, records and what is loaded later bring no planner along', async () => {
  const grove = (name: string, body: string): string =>
    `component('${name}', { state: () => ({ at: 3 }), ${body} })`;
  const press =
    'handlers: { go: async ({ state }) => { await null; return { at: state.at + 1 }; } }, template: ({ state, handlers }) => el.p({ on: { click: handlers.go() } }, state.at)';
  const kit = (name: string, more: object, text: string): Files => ({
    [`node_modules/${name}/package.json`]: JSON.stringify({
      name,
      version: '1.0.0',
      type: 'module',
      ...more,
    }),
    [`node_modules/${name}/index.js`]: text,
  });
  const files: Files = {
    'main.ts': `import { component, el, prop } from 'zesty-lattice';
import { register } from 'zesty-lattice/elements';
import { atLeast, common, doubled, marked, weight } from './helpers.ts';
import * as all from './all.ts';
import { Renamed, parts } from './all.ts';
import { Gate } from 'grove-kit';
import 'grove-lamps';
const list = [all.InBarrel, parts.InRecord];
register(
  ${grove('use-calc', "template: ({ state }) => el.p(doubled(state.at), marked(state.at, 'of it', 2))")},
  ${grove('use-kinds', "props: { n: weight, m: atLeast(3), ...common('x') }, template: ({ props }) => el.p(props.n, props.m, props.words.length, props.first)")},
  ...list,
  Renamed,
  parts['Other'],
  Gate,
);
register(...Object.values(all).filter ? all.Chosen : all.InBarrel);
const { Later, more } = await import('./later.ts');
register(Later);
console.log(more);
import('./later-still.ts').then((m) => register(m.LaterStill));
`.replace(
      'register(...Object.values(all).filter ? all.Chosen : all.InBarrel);',
      "register(document.title === 'x' ? all.Chosen : all.InBarrel);",
    ),
    'helpers.ts': `import { calc, prop } from 'zesty-lattice';
const unit = ' kg';
export const doubled = (value) => calc(value, (n) => n * 2 + unit);
export function marked(value, words, most) { const sign = words + '!'; return calc(value, (n) => (n > most ? sign : 'few')); }
export const weight = prop.number().where((n) => n > 0, 'has to be above zero').fallback(4);
export const atLeast = (least) => prop.number().where((n) => n >= least, 'has to be at least ' + least).fallback(9);
export const common = (first) => ({ words: prop.list(prop.text().where((one) => one !== '', 'has to say something')).fallback(() => ['a', first]), first: prop.text().fallback(first) });
`,
    'all.ts': `export * from './in-barrel.ts';
export { Plain as Renamed } from './plain.ts';
export { default as Chosen } from './chosen.ts';
export { parts } from './parts.ts';
`,
    'in-barrel.ts': `import { component, el } from 'zesty-lattice';\nexport const InBarrel = ${grove('in-barrel', press)};`,
    'plain.ts': `import { component, el } from 'zesty-lattice';\nconst Plain = ${grove('re-named', press)};\nexport { Plain };`,
    'chosen.ts': `import { component, el } from 'zesty-lattice';\nexport default ${grove('one-chosen', press)};`,
    'parts.ts': `import { component, el } from 'zesty-lattice';\nexport const parts = { InRecord: ${grove('in-record', press)}, Other: ${grove('an-other', press)} };`,
    'later.ts': `import { component, el } from 'zesty-lattice';\nexport const more = 'more';\nexport const Later = ${grove('loaded-later', press)};`,
    'later-still.ts': `import { component, el } from 'zesty-lattice';\nexport const LaterStill = ${grove('later-still', press)};`,
    'package.json': JSON.stringify({
      type: 'module',
      dependencies: { 'grove-kit': '1', 'grove-lamps': '1' },
    }),
    ...kit(
      'grove-kit',
      {
        exports: './index.js',
        dependencies: { 'grove-base': '1' },
        peerDependencies: { 'zesty-lattice': '*' },
      },
      `import { component, el } from 'zesty-lattice';\nimport { Base } from 'grove-base';\nexport const Gate = ${grove('one-gate', 'template: ({ state }) => el.p(Base({ n: state.at }))')};`,
    ),
    ...kit(
      'grove-base',
      { main: 'index.js', peerDependencies: { 'zesty-lattice': '*' } },
      `import { component, calc, el, prop } from 'zesty-lattice';\nexport const Base = component('grove-base', { props: { n: prop.number() }, template: ({ props }) => el.b(calc(props.n, (n) => n + 1)) });`,
    ),
    // It says nowhere that it is made with the library.
    ...kit(
      'grove-lamps',
      { exports: { '.': { import: './index.js' } } },
      `import { component, el } from 'zesty-lattice';\nimport { register } from 'zesty-lattice/elements';\nregister(${grove('grove-lamp', press)});`,
    ),
  };
  const tags = [
    'use-calc',
    'use-kinds',
    'in-barrel',
    'in-record',
    're-named',
    'an-other',
    'one-gate',
    'one-chosen',
    'loaded-later',
    'later-still',
    'grove-lamp',
  ];
  const shown: unknown[] = [];
  const browser = await chromium.launch(browserOptions);
  try {
    for (const ahead of inRun([true, false], (one) => one)) {
      const { chunks, reported } = await built(files, { ahead });
      if (ahead) {
        expect(reported).toBe('');
        expect(Object.values(chunks).join('')).not.toContain('Planner = class');
      }
      const page = await browser.newPage();
      const problems: string[] = [];
      page.on('console', (message) => problems.push(message.text()));
      page.on('pageerror', ({ message }) => problems.push(message));
      await page.route('http://grove.test/**', (route) => {
        const name = new URL(route.request().url()).pathname.slice(1);
        return name === ''
          ? route.fulfill({
              contentType: 'text/html',
              body: `<!doctype html><html lang="en"><title>x</title>${tags.map((tag) => `<${tag}></${tag}>`).join('')}<use-kinds n="-1" m="1"></use-kinds><script type="module" src="main.js"></script>`,
            })
          : route.fulfill({ contentType: 'text/javascript', body: chunks[name] ?? '' });
      });
      await page.goto('http://grove.test/');
      for (const tag of tags) await page.waitForFunction(`customElements.get('${tag}')`);
      shown.push([
        await page.evaluate(`(async () => {
          const all = [...document.querySelectorAll('${tags.join()}')];
          for (const one of all) one.shadowRoot.querySelector('p').click();
          await new Promise((done) => setTimeout(done, 50));
          return all.map((one) => one.localName + ': ' + one.shadowRoot.textContent);
        })()`),
        problems.map((line) => line.replace(/^.*?(prop-invalid).*?(has to be [\w ]+).*$/s, '$1 $2')).sort(),
      ]);
      await page.close();
    }
  } finally {
    await browser.close();
  }
  if (isLong) expect(shown[0]).toEqual(shown[1]);
  expect(JSON.stringify(shown[0])).toContain('use-calc: 6 kgof it!');
});

test.runIf(isLong)('a build that watches its files follows changes of whatever was drawn upon', async () => {
  const folder = mkdtempSync(join(root, 'out-ahead-'));
  const { lattice } = (await import(
    join(root, 'packages/tools/dist/node/vite.js')
  )) as typeof import('../../packages/tools/src/vite/index.js');
  const files: Files = {
    'main.ts': `import { register } from 'zesty-lattice/elements';\nimport { Stall } from './stall.ts';\nregister(Stall);\n`,
    'stall.ts': `import { component, el, prop } from 'zesty-lattice';
import { Sign } from './sign.ts';
export const Stall = component('one-stall', { props: { name: prop.text() }, state: () => ({ at: 0 }), template: ({ props }) => el.div(Sign({ name: props.name })) });
`,
    'sign.ts': `import { component, prop } from 'zesty-lattice';
import { markupFile } from 'zesty-lattice/markup';
export const Sign = component('one-sign', { props: { name: prop.text() }, template: markupFile(import.meta.url, './sign.html') });
`,
    'sign.html': '<b>{{ name }} first</b>',
  };
  for (const [name, text] of Object.entries(files)) writeFileSync(join(folder, name), text);
  const watcher = await build({
    root: folder,
    configFile: false,
    logLevel: 'silent',
    plugins: [lattice()],
    build: { watch: {}, minify: false, rollupOptions: { input: join(folder, 'main.ts') } },
  });
  if (!('on' in watcher)) throw new Error('Nothing is watched.');
  const code = async (wanted: string): Promise<string> => {
    for (let turn = 0; turn < 200; turn++) {
      await new Promise((done) => setTimeout(done, 100));
      const [file] = existsSync(join(folder, 'dist/assets')) ? readdirSync(join(folder, 'dist/assets')) : [];
      const text = file ? readFileSync(join(folder, 'dist/assets', file), 'utf8') : '';
      if (text.includes(wanted)) return text;
    }
    throw new Error(`${wanted} did not come`);
  };
  try {
    expect(await code(' first')).not.toContain('Planner');
    writeFileSync(join(folder, 'sign.html'), '<b>{{ name }} second</b>');
    expect(await code(' second')).not.toContain('Planner');
    writeFileSync(
      join(folder, 'sign.ts'),
      `${files['sign.ts']}`.replace(
        "markupFile(import.meta.url, './sign.html')",
        "'<b>{{ name }} third</b>'",
      ),
    );
    expect(await code(' third')).not.toContain('Planner');
    writeFileSync(join(folder, 'main.ts'), `${files['main.ts']}console.log('fourth');\n`);
    expect(await code('fourth')).toContain(' third');
  } finally {
    await watcher.close();
    rmSync(folder, { recursive: true, force: true });
  }
});

test('of components that are spread, only the one that a build cannot plan is planned by the page', async () => {
  const { code, plans, reported } = await built({
    'main.ts': `import { register } from 'zesty-lattice/elements';
import * as parts from './parts.ts';
register(...Object.values(parts));
`,
    'parts.ts': `import { calc, component, el, prop } from 'zesty-lattice';
const at = { n: 2 };
export const OnePart = component('one-part', { state: () => ({ n: 1 }), template: ({ state }) => el.p(calc(state.n, (n) => n + at.n)) });
export const ListRow = component('list-row', {
  props: { name: prop.function().fallback(() => () => 'x') },
  state: () => ({}),
  template: ({ props }) => el.p(calc(props.name, (name) => name())),
});
export const OddPart = component('odd-part', { state: () => ({}), template: () => ListRow({ name() { return 'odd'; } }) });
`,
  });
  expect(plans).toBe(true);
  expect(reported).toMatch(/<odd-part> +by the page +main\.ts:3: a function in its template/);
  expect(reported).not.toMatch(/<(?:one-part|list-row)> +by the page/);
  const browser = await chromium.launch(browserOptions);
  try {
    const page = await browser.newPage();
    await page.setContent('<one-part></one-part><odd-part></odd-part>');
    await page.addScriptTag({ content: code, type: 'module' });
    await page.waitForFunction("customElements.get('odd-part')");
    expect(
      await page.evaluate(
        "[document.querySelector('one-part').shadowRoot.textContent, document.querySelector('odd-part').shadowRoot.querySelector('list-row').shadowRoot.textContent]",
      ),
    ).toEqual(['3', 'odd']);
  } finally {
    await browser.close();
  }
});
