import { type Browser, chromium, type Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { browserOptions } from '../../scripts/browser.mjs';
import { bundle } from '../support/bundle.js';
import { plannings } from '../support/runs.js';

let browser: Browser;
beforeAll(async () => {
  browser = await chromium.launch(browserOptions);
});
afterAll(() => browser.close());

const codes = new Map<boolean, Promise<string>>();

async function opened(ahead: boolean): Promise<Page> {
  const page = await browser.newPage();
  await page.setContent('<!doctype html><title>Clocks</title><body></body>');
  const code = codes.get(ahead) ?? bundle(new URL('./reached-page.ts', import.meta.url), { ahead });
  codes.set(ahead, code);
  await page.addScriptTag({ content: await code, type: 'module' });
  await page.waitForFunction('globalThis.start');
  return page;
}

describe.each(plannings)("an element in another's template, %s", (_how, ahead) => {
  const wanted = ['7px', '0px', '7px', '9px', '5px', '3px'];

  test('is reached by the rules of who wrote it there', async () => {
    const page = await opened(ahead);
    await page.evaluate(
      "start(); document.body.innerHTML = '<clock-row></clock-row><clock-board></clock-board>'",
    );
    expect(await page.evaluate('look()')).toEqual(wanted);
  });

  test('is so in the HTML of a server, before it is hydrated and after', async () => {
    const page = await opened(ahead);
    const reported: string[] = [];
    page.on('console', (message) => reported.push(message.text()));
    await page.evaluate('document.body.setHTMLUnsafe(written())');
    expect(await page.evaluate('look()')).toEqual(wanted);
    await page.evaluate('start()');
    expect(await page.evaluate('look()')).toEqual(wanted);
    expect(reported).toEqual([]);
  });

  test('changes its state from the one that it has by then', async () => {
    const page = await opened(ahead);
    await page.evaluate("start(); document.body.innerHTML = '<crate-clock></crate-clock>'");
    const count = (): Promise<unknown> =>
      page.evaluate(
        "new Promise((done) => setTimeout(() => done(document.querySelector('crate-clock').shadowRoot.textContent)))",
      );
    await page.evaluate("dispatchEvent(new Event('tick')); dispatchEvent(new Event('tick'))");
    expect(await count()).toBe('2');
    await page.evaluate("document.querySelector('crate-clock').shadowRoot.querySelector('button').click()");
    expect(await count()).toBe('4');
    // What was taken apart is as it was at first.
    await page.evaluate("dispatchEvent(new Event('stale'))");
    expect(await count()).toBe('1');
  });
});

test('what can be registered is, beside what cannot; a state that is changed in place is reported', async () => {
  const page = await opened(false);
  const reported: string[] = [];
  page.on('console', (message) => reported.push(message.text()));
  await page.evaluate('startAll()');
  expect(reported.filter((one) => one.includes('name-taken'))).toHaveLength(1);
  await page.evaluate("document.body.innerHTML = '<crate-mark></crate-mark>'");
  await page.evaluate("document.querySelector('crate-mark').shadowRoot.querySelector('button').click()");
  await expect.poll(() => reported.join()).toContain('return { count: state.count + 1 }');
  expect(reported.join()).toContain('handler-failed');
  expect(await page.locator('crate-mark button').innerText()).toBe('0');
});
