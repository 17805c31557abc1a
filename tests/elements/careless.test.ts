import { type Browser, chromium, type Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { browserOptions } from '../../scripts/browser.mjs';
import { bundle } from '../support/bundle.js';
import { inRun } from '../support/runs.js';

let browser: Browser;
beforeAll(async () => {
  browser = await chromium.launch(browserOptions);
});
afterAll(() => browser.close());

describe.each(
  inRun(
    [
      ['planned in the page', { ahead: false }],
      ['planned as the page was built', { ahead: true }],
    ] as const,
    ([, { ahead }]) => !ahead,
  ),
)('a careless element, %s', (_how, options) => {
  let code = '';
  let page: Page | undefined;
  let reported: string[] = [];
  beforeAll(async () => {
    code = await bundle(new URL('./careless-page.ts', import.meta.url), options);
  });
  const open = async (attributes = 'title="Rack"'): Promise<void> => {
    reported = [];
    // A page that is left for an empty one starts anew, much quicker than another page does.
    if (page) await page.goto('about:blank');
    else {
      page = await browser.newPage();
      page.on('console', (message) => reported.push(message.text().split('\n')[0] ?? ''));
      page.on('pageerror', (error) => reported.push(`uncaught ${error.message}`));
    }
    await page.setContent(
      `<!doctype html><html lang="en"><title>Rack</title><crate-rack ${attributes}></crate-rack></html>`,
    );
    await page.addScriptTag({ content: code, type: 'module' });
    await page?.locator('crate-rack h2').waitFor();
  };

  test.each([
    ['push', 'The handler "push" of crate-rack changes state.items in place'],
    ['widen', 'The handler "widen" of crate-rack changes state.size in place'],
    ['later', 'The handler "later" of crate-rack changes state.items in place'],
  ])('that changes its state in place is reported: %s', async (name, words) => {
    await open();
    await page?.locator(`crate-rack .${name}`).click();
    await expect.poll(() => reported).toEqual([expect.stringContaining(words)]);
    expect(reported[0]).toContain('state-changed-in-place');
  });

  test('that returns what changes is not', async () => {
    await open();
    await page?.locator('crate-rack .right').click();
    await page?.locator('crate-rack li', { hasText: 'Saltbell' }).waitFor();
    expect(reported).toEqual([]);
  });

  test('whose needed attribute is taken away is reported', async () => {
    await open();
    await page?.evaluate("document.querySelector('crate-rack').removeAttribute('title')");
    await expect.poll(() => reported).toEqual([expect.stringContaining(`The required prop "title"`)]);
  });

  test('whose rows have no field of the name of their key is reported with the list', async () => {
    await open(`title="Rack" crates='[{ "fruit": "a" }, { "fruit": "b" }]'`);
    expect(reported).toEqual([expect.stringContaining('key-doubled')]);
    expect(reported[0]).toContain('have the key undefined');
  });
});

test('a built page says nothing of it, and has no code for it', async () => {
  const code = await bundle(new URL('./careless-page.ts', import.meta.url), {
    ahead: true,
    production: true,
    minify: true,
  });
  expect(code).not.toContain('state-changed-in-place');
});
