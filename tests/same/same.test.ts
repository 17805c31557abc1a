import { type Browser, chromium } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { renderHtml } from 'zesty-lattice/html';
import { browserOptions } from '../../scripts/browser.mjs';
import { bundle } from '../support/bundle.js';
import { runsOf } from '../support/runs.js';
import { cases } from './cases/index.js';
import type { Outcome, Planning } from './compare.js';
import { openSame } from './open.js';
import type { RandomOutcome } from './page.js';
import { asFunctions, html, momentsOf, useOf } from './writings.js';

let browser: Browser;
let code = '';
const outcomes: Record<Planning, Outcome[]> = { page: [], ahead: [] };

beforeAll(async () => {
  browser = await chromium.launch(browserOptions);
  code = await bundle(new URL('./page.ts', import.meta.url));
  await Promise.all(
    (['page', 'ahead'] as const).map(async (planning) => {
      const page = await openSame(browser, code);
      for (let at = 0; at < cases.length; at++)
        outcomes[planning].push(
          await page.evaluate<Outcome>(
            `compareCase(${at}, '${planning}').catch((e) => ({ html: [], differences: [{ name: '', writing: 'all', when: 0, got: String(e.stack), wanted: '' }], compared: [], left: {} }))`,
          ),
        );
    }),
  );
}, 120_000);
afterAll(() => browser.close());

const random = runsOf('all ways of writing', 2000);
const inEachPlanning = Math.ceil(random.numRuns / 2);
test.each(['page', 'ahead'] as const)(
  'random cases show the same, planned in the %s',
  async (planning) => {
    const page = await openSame(browser, code);
    const { compared, failed } = await page.evaluate<RandomOutcome>(
      `compareRandom(${inEachPlanning}, ${random.seed + (planning === 'page' ? 0 : 1)}, '${planning}')`,
    );
    expect(failed).toBeUndefined();
    expect(compared.text).toBe(inEachPlanning);
  },
  600_000,
);

/** What is written bears the name of its component, which each place makes up. */
function named(text: string): string {
  return text.replace(/same-(case|in-node)-\d+/g, 'same');
}

test('the corpus has 200 cases at least, each of another name', () => {
  expect(cases.length).toBeGreaterThanOrEqual(200);
  expect(new Set(cases.map(({ name }) => name)).size).toBe(cases.length);
});

describe('every way of writing shows the same', () => {
  test.each(cases.map(({ name }, at) => [name, at] as const))('%s', (_name, at) => {
    const [page, ahead] = [outcomes.page[at], outcomes.ahead[at]];
    expect([...(page?.differences ?? []), ...(ahead?.differences ?? [])]).toEqual([]);
    const one = cases[at];
    if (!one) return;
    const functions = asFunctions(`same-in-node-${at}`, one);
    expect(page?.html.map(named)).toEqual(
      momentsOf(one).map((moment) => named(html(() => renderHtml(useOf(functions, one, moment))))),
    );
  });
});
