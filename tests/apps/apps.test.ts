import { mkdirSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { basename, join } from 'node:path';
import { type Browser, chromium } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { browserOptions } from '../../scripts/browser.mjs';
import { lattice, root } from '../cli/lattice.js';
import { isLong, runsOf } from '../support/runs.js';
import { type App, appOf } from './generate.js';
import rows from './rows.json' with { type: 'json' };
import { builtApps, playAll, type Rendered, rendered, writeApps } from './scenes.js';

const folder = mkdtempSync(join(root, 'tests/apps/out-'));
const { numRuns, seed } = runsOf('random applications', isLong ? 5_000 : 100 * 30);
const apps: readonly App[] = Array.from({ length: numRuns }, (_, at) => appOf((seed + at) % 1_000_000));
/** How many are played in a page: planned there, and at build time, which takes its time. */
const played = isLong ? 500 : 8;
const playedAhead = isLong ? 100 : 2;

let withCode: Readonly<Record<string, Rendered>>;
beforeAll(() => {
  mkdirSync(folder, { recursive: true });
  writeApps(folder, apps);
  withCode = rendered(folder, apps);
}, 600_000);
afterAll(() => rmSync(folder, { recursive: true }));

describe('random applications', { timeout: isLong ? 900_000 : 300_000 }, () => {
  test('are one text in twelve renderings, by all ways of rendering', () => {
    const wrong = Object.entries(withCode).filter(
      ([, one]) => one.failure || one.errors || one.differences.length > 0,
    );
    const mails = Object.values(withCode).filter((one) => one.isMailed).length;
    console.log(`${apps.length} applications, ${apps.length * 12} renderings of each output, ${mails} mails`);
    expect(wrong.slice(0, 3)).toEqual([]);
    expect(mails).toBeGreaterThan(0);
  });

  test.runIf(isLong)('are the same pages in a batch, once and again', () => {
    const batched = Object.entries(withCode).filter(([, one]) => one.pages);
    expect(batched.length).toBeGreaterThan(0);
    for (const [seed, { pages = [] }] of batched.slice(0, isLong ? 40 : 1)) {
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
    const some = apps.filter((_, at) => isLong || at % 4 === 0);
    const without = rendered(folder, some, '--disallow-code-generation-from-strings');
    const wrong = Object.entries(without).filter(
      ([seed, one]) => one.markup !== withCode[seed]?.markup || one.elements !== withCode[seed]?.elements,
    );
    expect(Object.keys(without).length).toBe(some.length);
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
      script = await builtApps(folder, some, ahead);
      browser = await chromium.launch(browserOptions);
    }, 600_000);
    afterAll(() => browser?.close());

    test('are the same element hydrated and made anew, after typing and thirty actions', async () => {
      const page = await browser.newPage();
      await page.setContent('<!doctype html><body>');
      // Two copies of the library with the same applications, as two kits bring them.
      for (const copy of [1, 2]) {
        await page.addScriptTag({ content: script, type: 'module' });
        await page.waitForFunction(`window.copies?.length === ${copy}`);
      }
      const { actions, looked, mixed, staged, wrong } = await playAll(
        (expression) => page.evaluate(expression),
        some,
        withCode,
      );
      console.log(
        `${some.length} applications played (${staged} between providers, ${mixed} with a second copy), ${actions} actions on each of two elements, ${looked} times a control compared with its state`,
      );
      expect(wrong).toEqual([]);
      expect(looked).toBeGreaterThan(some.length);
      await page.close();
    });
  });
});
