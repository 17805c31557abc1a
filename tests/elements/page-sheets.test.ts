import { readFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import { createRequire } from 'node:module';
import type { AddressInfo } from 'node:net';
import { type Browser, chromium, type Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { written } from '../../examples/framework/page.js';
import { browserOptions } from '../../scripts/browser.mjs';
import { bundle } from '../support/bundle.js';

// A CSS framework as it comes from the registry.
const css = readFileSync(createRequire(import.meta.url).resolve('spectre.css/dist/spectre.min.css'), 'utf8');
const entry = new URL('../../examples/framework/main.ts', import.meta.url);
let browser: Browser;
let server: Server;
let url = '';
let asked: string[] = [];
const scripts: Record<string, string> = {};

beforeAll(async () => {
  scripts['/ahead.js'] = await bundle(entry, { ahead: true, minify: true, production: true });
  scripts['/in-page.js'] = await bundle(entry, { minify: true, production: true });
  server = createServer(({ url: path = '/' }, response) => {
    asked.push(path);
    const name = new URL(path, 'http://x').searchParams.get('script') ?? '/ahead.js';
    if (path === '/framework.css')
      response.writeHead(200, { 'content-type': 'text/css', 'cache-control': 'max-age=60' }).end(css);
    else if (scripts[path]) response.writeHead(200, { 'content-type': 'text/javascript' }).end(scripts[path]);
    else if (path.startsWith('/?') || path === '/')
      response.writeHead(200, { 'content-type': 'text/html' }).end(written(name));
    else if (path === '/made')
      response
        .writeHead(200, { 'content-type': 'text/html' })
        .end('<!doctype html><title>x</title><body><script type="module" src="/ahead.js"></script></body>');
    else response.writeHead(404).end();
  });
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  browser = await chromium.launch(browserOptions);
});
afterAll(async () => {
  await browser.close();
  server.close();
});

/** What a card looks like: what the framework and what its own rules say of it. */
const look = `(() => {
  const all = [...document.querySelectorAll('tree-card')];
  const [card] = all;
  const of = (root, selector) => getComputedStyle(root.querySelector(selector));
  const count = card.shadowRoot.querySelector('tree-count');
  return {
    button: of(card.shadowRoot, 'button').backgroundColor,
    padding: of(card.shadowRoot, '.card-header').padding,
    shadow: of(card.shadowRoot, '.card').boxShadow,
    label: of(count.shadowRoot, '.label').backgroundColor,
    texts: all.map((one) => one.shadowRoot.querySelector('tree-count').shadowRoot.textContent),
  };
})()`;
const framed = {
  button: 'rgb(87, 85, 217)',
  padding: '16px 16px 0px',
  shadow: 'none',
  label: 'rgb(50, 182, 67)',
  texts: ['4 left', '2 left'],
};

const open = async (path: string, javaScriptEnabled = true): Promise<{ page: Page; reported: string[] }> => {
  const page = await browser.newPage({ javaScriptEnabled });
  const reported: string[] = [];
  page.on('console', (message) => !message.text().includes('404') && reported.push(message.text()));
  page.on('pageerror', (error) => reported.push(error.message));
  asked = [];
  await page.goto(url + path, { waitUntil: 'load' });
  return { page, reported };
};

test('a server links a page’s sheet in each shadow root, so that it shows before any script', async () => {
  const html = written('/ahead.js');
  expect(html.match(/<link rel="stylesheet" href="\/framework\.css">/g)).toHaveLength(1);
  expect(
    html.match(/<template shadowrootmode="open"><link rel="stylesheet" href="\/framework\.css" data-sheet>/g),
  ).toHaveLength(4);
  const { page } = await open('/');
  await page.close();
  const context = await browser.newContext({ javaScriptEnabled: false });
  const still = await context.newPage();
  await still.goto(url);
  const before = await still.locator('tree-card').first().screenshot();
  const { page: live } = await open('/');
  await live.waitForFunction("customElements.get('tree-count')");
  expect((await live.locator('tree-card').first().screenshot()).equals(before)).toBe(true);
  await context.close();
  await live.close();
});

describe.each(['/ahead.js', '/in-page.js'])('%s', (script) => {
  test('all shadow roots share the sheet that the page links, loaded once', async () => {
    const { page, reported } = await open(`/?script=${script}`);
    await page.waitForFunction("customElements.get('tree-count')");
    expect(await page.evaluate(look)).toEqual(framed);
    const shared = `new Set([...document.querySelectorAll('tree-card')].flatMap((card) => [card, card.shadowRoot.querySelector('tree-count')]).map((one) => one.shadowRoot.adoptedStyleSheets[0])).size`;
    expect(await page.evaluate(shared)).toBe(1);
    expect(
      await page.evaluate("document.querySelector('tree-card').shadowRoot.querySelectorAll('link').length"),
    ).toBe(0);
    expect(asked.filter((path) => path === '/framework.css')).toHaveLength(1);
    // Taken over, not made anew, and interactive.
    expect(reported).toEqual([]);
    await page.locator('tree-card button').first().click();
    expect(await page.locator('tree-count .label').first().innerText()).toBe('3 left');
    await page.close();
  });

  test('nothing of the sheet is copied into the script', () => {
    expect(scripts[script]).not.toContain('label-rounded{');
    expect(scripts[script]).not.toContain('#5755d9');
  });
});

test('without a link in the page the sheet is loaded once for all roots', async () => {
  const { page, reported } = await open('/made');
  await page.waitForFunction("customElements.get('tree-count')");
  await page.evaluate(
    `document.body.innerHTML = '<tree-card name="A" age="1" trees="4"></tree-card><tree-card name="B" age="2" trees="2"></tree-card>'`,
  );
  await page.waitForFunction(
    `getComputedStyle(document.querySelector('tree-card').shadowRoot.querySelector('button')).backgroundColor === 'rgb(87, 85, 217)'`,
  );
  const { button, label, texts } = framed;
  expect(await page.evaluate(look)).toMatchObject({ button, label, texts });
  expect(asked.filter((path) => path === '/framework.css')).toHaveLength(1);
  expect(reported).toEqual([]);
  await page.close();
});

test('the links that a server wrote stay until the sheet is there, and for good where it cannot be had', async () => {
  const page = await browser.newPage();
  const reported: string[] = [];
  page.on('console', (message) => reported.push(message.text()));
  // The script comes before the link has its sheet, and asks in vain.
  let scriptAsked: () => void = () => {};
  const asking = new Promise<void>((done) => {
    scriptAsked = done;
  });
  await page.route('**/framework.css', async (route) => {
    if (route.request().resourceType() === 'fetch') {
      scriptAsked();
      return route.fulfill({ status: 500 });
    }
    await asking;
    return route.fulfill({ contentType: 'text/css', body: css });
  });
  await page.route('**/late', (route) =>
    route.fulfill({
      contentType: 'text/html',
      body: written('/ahead.js')
        .replace('<link rel="stylesheet" href="/framework.css">', '')
        .replace('<script type="module"', '<script async type="module"'),
    }),
  );
  await page.goto(`${url}/late`);
  await page.waitForFunction(
    `getComputedStyle(document.querySelector('tree-card').shadowRoot.querySelector('button')).backgroundColor === 'rgb(87, 85, 217)'`,
  );
  await page.locator('tree-card button').first().click();
  expect(await page.locator('tree-count .label').first().innerText()).toBe('3 left');
  expect(reported.filter((text) => text.startsWith('The style sheet'))).toHaveLength(1);
  expect(reported.join('\n')).not.toMatch(/markup-differs/);
  await page.close();
});

test('what it costs', () => {
  const { length } = scripts['/ahead.js'] ?? '';
  console.log(
    `two components in a framework's classes: ${length} bytes of script, ${css.length} of the sheet, once`,
  );
  expect(length).toBeLessThan(19_000);
});
