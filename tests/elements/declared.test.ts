import { type Browser, chromium, type Page } from 'playwright-core';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { el } from 'zesty-lattice';
import { renderHtml, renderPage } from 'zesty-lattice/html';
import { browserOptions } from '../../scripts/browser.mjs';
import { bundle } from '../support/bundle.js';
import { DeclaredPage } from './declared-parts.js';
import { CrateCounter, SidePanel } from './parts.js';

let browser: Browser;
let code = '';

beforeAll(async () => {
  [browser, code] = await Promise.all([
    chromium.launch(browserOptions),
    bundle(new URL('./parts.ts', import.meta.url)),
  ]);
});
afterAll(() => browser.close());

async function open(html: string): Promise<Page> {
  const page = await browser.newPage();
  page.on('console', (message) => {
    throw new Error(message.text());
  });
  // Declarative shadow roots are a parser's work, so the page has to come from a server, not from a script.
  await page.route('**/*', (route) => route.fulfill({ contentType: 'text/html', body: html }));
  await page.goto('http://orchard.test/');
  return page;
}

test('in markup the same page dissolves, and costs no script', () => {
  const html = renderPage(DeclaredPage({ title: 'T' }), { title: 'T' });
  expect(html).not.toMatch(/<crate-counter|<template|<slot/);
  expect(html).toContain('Dunlight: 3');
});

test('elements are written with their attributes and shadow roots, the rest dissolves', () => {
  const html = renderHtml(DeclaredPage({ title: 'T' }), { form: 'elements' });
  expect(html).not.toContain('<declared-page');
  expect(html).toContain(
    '<crate-counter label="Dunlight" start="3" full tags="[&quot;x&quot;,&quot;&lt;y&gt;&quot;]" picked="2026-11-28T00:00:00.000Z"><template shadowrootmode="open"><style>',
  );
  expect(html.match(/<crate-counter /g)).toHaveLength(4);
});

test('content goes to its slots by name, with no box around it', async () => {
  const html = renderHtml(CrateCounter({ label: 'x' }), { form: 'elements' });
  expect(html).toMatch(
    /^<crate-counter label="x"><template shadowrootmode="open">.*<\/template><\/crate-counter>$/,
  );
  const panel = renderHtml(SidePanel({ title: 'S' }, { title: 'T', default: el.p('d') }), {
    form: 'elements',
  });
  expect(panel).toBe('<h2>T</h2><p>d</p>');
});

test('a browser shows it before any script runs, and the elements come alive on it', async () => {
  const page = await open(
    renderPage(DeclaredPage({ title: 'Title' }), { title: 'Declared', form: 'elements' }),
  );
  const shown = (): Promise<(string | null)[]> =>
    page.evaluate(() =>
      [...document.querySelectorAll('main > *')].map((one) =>
        [...(one.shadowRoot ?? one).childNodes]
          .filter((node) => node.nodeName !== 'STYLE')
          .map((node) => node.textContent)
          .join(''),
      ),
    );
  const before = await shown();
  expect(before[1]).toContain('Dunlight: 3');
  expect(
    await page.$eval(
      'crate-counter',
      (host) => getComputedStyle(host.shadowRoot?.querySelector('button') as Element).color,
    ),
  ).toBe('rgb(0, 128, 0)');
  expect(await page.locator('outer-box crate-counter .add').allInnerTexts()).toEqual([
    'Title: 5',
    'Inner: 0',
  ]);
  await page.addScriptTag({ content: `window.lifeLog = []; ${code}`, type: 'module' });
  await page.waitForFunction('window.parts');
  await page.evaluate('register(...Object.values(parts))');
  expect(await shown()).toEqual(before);
  await page.locator('main > crate-counter .add').first().click();
  expect(await page.locator('main > crate-counter .add').first().innerText()).toBe('Dunlight: 4');
  expect(await page.locator('pick-list li').count()).toBe(2);
  await page.locator('pick-list .remove').first().click();
  expect(await page.locator('pick-list li').count()).toBe(1);
});
