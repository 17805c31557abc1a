import { type Browser, chromium, type Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { renderHtml } from 'zesty-lattice/html';
import { browserOptions } from '../../scripts/browser.mjs';
import { bundle } from '../support/bundle.js';
import { isLong, runsOf } from '../support/runs.js';
import { cases } from './cases/index.js';
import type { Outcome, Planning } from './compare.js';
import { openSame } from './open.js';
import type { RandomOutcome } from './page.js';
import { asFunctions, html, momentsOf, useOf } from './writings.js';

let browser: Browser;
let code = '';
/** One page for each planning, which is kept. */
const pages = new Map<Planning, Page>();

beforeAll(async () => {
  browser = await chromium.launch(browserOptions);
  code = await bundle(new URL('./page.ts', import.meta.url));
  for (const planning of ['page', 'ahead'] as const) {
    const page = await openSame(browser, code);
    // A usual run takes three of the seven steps that most cases take.
    if (!isLong) await page.evaluate('window.mostSteps = 3');
    pages.set(planning, page);
  }
});
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
  test.each(cases.map(({ name }, at) => [name, at] as const))('%s', async (_name, at) => {
    const [page, ahead] = await Promise.all(
      (['page', 'ahead'] as const).map((planning) =>
        pages.get(planning)?.evaluate<Outcome>(`compareCase(${at}, '${planning}')`),
      ),
    );
    expect([...(page?.differences ?? []), ...(ahead?.differences ?? [])]).toEqual([]);
    expect(page?.compared.length).toBeGreaterThan(0);
    const one = cases[at];
    if (!one) return;
    const functions = asFunctions(`same-in-node-${at}`, one);
    expect(page?.html.map(named)).toEqual(
      momentsOf(one).map((moment) => named(html(() => renderHtml(useOf(functions, one, moment))))),
    );
  });
});
