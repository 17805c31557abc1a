import { type Browser, chromium } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { renderHtml } from 'zesty-lattice/html';
import { browserOptions } from '../../scripts/browser.mjs';
import { bundle } from '../support/bundle.js';
import { cases } from './cases/index.js';
import type { Outcome, Planning } from './compare.js';
import { asFunctions, html, momentsOf, useOf } from './writings.js';

let browser: Browser;
const outcomes: Record<Planning, Outcome[]> = { page: [], ahead: [] };

beforeAll(async () => {
  browser = await chromium.launch(browserOptions);
  const code = await bundle(new URL('./page.ts', import.meta.url));
  await Promise.all(
    (['page', 'ahead'] as const).map(async (planning) => {
      const page = await browser.newPage();
      page.on('pageerror', (error) => console.log(planning, error));
      await page.setContent('<!doctype html><title>Same</title>');
      await page.addScriptTag({ content: code, type: 'module' });
      await page.waitForFunction('window.compareCase');
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
    expect(page?.html).toEqual(
      momentsOf(one).map((moment) => html(() => renderHtml(useOf(functions, one, moment)))),
    );
  });
});
