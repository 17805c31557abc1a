import { execFileSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { basename, join } from 'node:path';
import { type Browser, chromium } from 'playwright-core';
import { build, type Plugin } from 'vite';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { browserOptions } from '../../scripts/browser.mjs';
import { lattice, root } from '../cli/lattice.js';
import { isLong, runsOf } from '../support/runs.js';
import { type App, appOf } from './generate.js';
import rows from './rows.json' with { type: 'json' };

/** What a process said of an app that it rendered. */
interface Rendered {
  readonly differences: readonly { readonly form: string; readonly what: string; readonly turn: number }[];
  readonly failure?: string;
  readonly errors?: readonly string[];
  readonly isMailed?: boolean;
  readonly markup?: string;
  /** The pages of the rows of a batch, for those that are written so, too. */
  readonly pages?: readonly string[];
  readonly elements: string;
  /** Its elements between the tags of providers. */
  readonly stage: string;
}

interface Difference {
  readonly after: string;
  readonly hydrated: string;
  readonly made: string;
}

/** The first lines that differ, with what is around them. */
function firstDifference({ after, hydrated, made }: Difference): string {
  const [one, other] = [hydrated.split('\n'), made.split('\n')];
  const at = one.findIndex((line, index) => line !== other[index]);
  const from = Math.max(0, at - 2);
  return [
    `after ${after}`,
    'hydrated:',
    ...one.slice(from, at + 3),
    'made anew:',
    ...other.slice(from, at + 3),
  ].join('\n');
}

const folder = mkdtempSync(join(root, 'tests/apps/out-'));
const { numRuns, seed } = runsOf('random applications', isLong ? 5_000 : 300 * 30);
const apps: readonly App[] = Array.from({ length: numRuns }, (_, at) => appOf((seed + at) % 1_000_000));
/** How many are played in a page: planned there, and at build time, which takes its time. */
const played = isLong ? 500 : 40;
const playedAhead = isLong ? 100 : 8;

/** Renders all apps in processes of their own, 500 in each, with the library as it is built. */
function rendered(...flags: readonly string[]): Readonly<Record<string, Rendered>> {
  const all: Record<string, Rendered> = {};
  for (let at = 0; at < apps.length; at += 500) {
    const seeds = apps.slice(at, at + 500).map(({ seed }) => String(seed));
    const text = execFileSync('node', [...flags, 'tests/apps/text.mjs', folder, ...seeds], {
      cwd: root,
      encoding: 'utf8',
      maxBuffer: 2 ** 30,
      env: { ...process.env, NODE_ENV: '', TURNS: flags.length > 0 ? '2' : '12' },
    });
    Object.assign(all, JSON.parse(text));
  }
  return all;
}

let withCode: Readonly<Record<string, Rendered>>;
beforeAll(() => {
  mkdirSync(folder, { recursive: true });
  for (const app of apps) writeFileSync(join(folder, `app-${app.seed}.mjs`), app.code);
  withCode = rendered();
}, 600_000);
afterAll(() => rmSync(folder, { recursive: true }));

describe('random applications', { timeout: isLong ? 900_000 : 120_000 }, () => {
  test('are one text in twelve renderings, by all ways of rendering', () => {
    const wrong = Object.entries(withCode).filter(
      ([, one]) => one.failure || one.errors || one.differences.length > 0,
    );
    const mails = Object.values(withCode).filter((one) => one.isMailed).length;
    console.log(`${apps.length} applications, ${apps.length * 12} renderings of each output, ${mails} mails`);
    expect(wrong.slice(0, 3)).toEqual([]);
    expect(mails).toBeGreaterThan(0);
  });

  test('are the same pages in a batch, once and again', () => {
    const batched = Object.entries(withCode).filter(([, one]) => one.pages);
    expect(batched.length).toBeGreaterThan(0);
    for (const [seed, { pages = [] }] of batched.slice(0, isLong ? 40 : 2)) {
      const out = join(folder, `batch-${seed}`);
      const run = (): unknown => {
        const module = `tests/apps/${basename(folder)}/app-${seed}.mjs`;
        const options = [
          '-d',
          'tests/apps/rows.json',
          '-o',
          out,
          '-n',
          '{n}.html',
          '--title',
          'Grove',
          '-c',
          `Page${seed}`,
        ];
        return lattice('batch', module, ...options);
      };
      expect(run()).toMatchObject({ code: 0, err: expect.not.stringContaining('error') });
      const files = (): readonly string[] =>
        rows.map((_, at) => readFileSync(join(out, `${at + 1}.html`), 'utf8'));
      expect(files()).toEqual(pages);
      rmSync(join(out, '3.html'));
      expect(run()).toMatchObject({ code: 0 });
      expect(files()).toEqual(pages);
    }
    console.log(`${batched.length} applications with ${rows.length} rows each`);
  });

  test('are the same text where no code may be made', () => {
    const without = rendered('--disallow-code-generation-from-strings');
    const wrong = Object.entries(withCode).filter(
      ([seed, one]) => one.markup !== without[seed]?.markup || one.elements !== without[seed]?.elements,
    );
    expect(wrong.map(([seed]) => seed)).toEqual([]);
  });

  describe.each([
    ['in the page', false, played],
    ['at build time', true, playedAhead],
  ] as const)('planned %s', (_how, ahead, count) => {
    let browser: Browser;
    let script: string;
    const some = apps.slice(0, count);

    beforeAll(async () => {
      const entry = join(folder, `entry-${ahead}.js`);
      const lines = some.map((app) => `import * as app${app.seed} from './app-${app.seed}.mjs';`);
      const all = some.map((app) => `${app.seed}: app${app.seed}.components${app.seed}`);
      // A build plans what a module registers by name.
      const registers = some.map(({ seed }) => `register(app${seed}.Page${seed}, app${seed}.Stand${seed});`);
      writeFileSync(
        entry,
        `${lines.join('\n')}\nimport { play } from '../play.ts';\nimport { register } from 'zesty-lattice/elements';\n(window.copies ??= []).push({ play, register, apps: { ${all.join(', ')} } });\nwindow.never = () => { ${registers.join(' ')} };\n`,
      );
      const { default: lattice } = (await import(join(root, 'packages/tools/dist/node/vite.js'))) as {
        default: (options: object) => Plugin[];
      };
      const result = await build({
        root,
        configFile: false,
        logLevel: 'error',
        plugins: [lattice({ ahead }).filter(({ name }) => name !== 'zesty-lattice:checking')],
        build: {
          write: false,
          minify: ahead,
          target: 'es2022',
          lib: { entry, formats: ['es'], fileName: 'apps' },
        },
      });
      const [output] = Array.isArray(result) ? result : [result];
      if (!output || !('output' in output)) throw new Error('Nothing was built.');
      script = output.output[0].code;
      browser = await chromium.launch(browserOptions);
    }, 600_000);
    afterAll(() => browser?.close());

    test('are the same element hydrated and made anew, after typing and thirty actions', async () => {
      let actions = 0;
      let looked = 0;
      const wrong: unknown[] = [];
      const page = await browser.newPage();
      await page.setContent('<!doctype html><body>');
      // Two copies of the library with the same applications, as two kits bring them.
      for (const copy of [1, 2]) {
        await page.addScriptTag({ content: script, type: 'module' });
        await page.waitForFunction(`window.copies?.length === ${copy}`);
      }
      let [staged, mixed] = [0, 0];
      for (const { beside, seed, tag } of some) {
        const isStaged = seed % 2 === 0;
        const isMixed = seed % 5 === 0;
        const { elements = '', stage = '' } = withCode[seed] ?? {};
        const html = isStaged ? stage : elements;
        const scene = { tag, seed, html, hasTyped: seed % 3 > 0, ...(isStaged && { beside }) };
        staged += isStaged ? 1 : 0;
        mixed += isMixed ? 1 : 0;
        const done = (await page.evaluate(`(() => {
          const [{ play, apps }, { apps: others, register }] = window.copies;
          const other = ${isMixed} ? { register, components: others[${seed}] } : undefined;
          return play({ ...${JSON.stringify(scene)}, components: apps[${seed}], other });
        })()`)) as {
          actions: number;
          looked: number;
          differences: readonly Difference[];
          said: readonly string[];
        };
        actions += done.actions;
        looked += done.looked;
        if (done.differences.length > 0 || done.said.length > 0)
          wrong.push({
            seed,
            differs: done.differences.map(firstDifference),
            said: done.said.slice(0, 3),
          });
      }
      console.log(
        `${some.length} applications played (${staged} between providers, ${mixed} with a second copy), ${actions} actions on each of two elements, ${looked} times a control held against its state`,
      );
      expect(wrong).toEqual([]);
      expect(looked).toBeGreaterThan(some.length);
      await page.close();
    });
  });
});
