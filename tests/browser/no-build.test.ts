import { readFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import { createRequire } from 'node:module';
import type { AddressInfo } from 'node:net';
import { fileURLToPath } from 'node:url';
import type { Page } from 'playwright-core';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { useBrowser } from '../support/browser.js';
import { frame } from '../support/waiting.js';

const root = fileURLToPath(new URL('../..', import.meta.url));
const types: Readonly<Record<string, string>> = { html: 'text/html', css: 'text/css', js: 'text/javascript' };
let server: Server;
let url = '';

beforeAll(async () => {
  server = createServer(({ url: path = '/' }, response) => {
    const name = path === '/' ? 'index.html' : path.slice(1);
    const file =
      name === 'zesty-lattice.js' ? 'packages/lattice/dist/browser.js' : `examples/no-build/${name}`;
    const type = types[name.split('.').at(-1) ?? ''] ?? 'text/plain';
    response.writeHead(200, { 'content-type': type }).end(readFileSync(`${root}/${file}`));
  });
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  url = `http://127.0.0.1:${(server.address() as AddressInfo).port}/`;
});
afterAll(() => void server.close());

const { page: newPage } = useBrowser();
async function open(
  options: Parameters<typeof newPage>[1] = {},
): Promise<{ page: Page; reported: string[] }> {
  const page = await newPage('', options);
  const reported: string[] = [];
  page.on('console', (message) => reported.push(message.text()));
  page.on('pageerror', (error) => reported.push(error.message));
  await page.goto(url);
  await page.waitForFunction("customElements.get('seat-list')");
  return { page, reported };
}

test('a page defines components in itself, with no build and under a strict policy, and works by keyboard', async () => {
  const { page, reported } = await open();
  await page.keyboard.press('Tab');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Tab');
  for (let times = 0; times < 3; times++) await page.keyboard.press('Space');
  await page.waitForFunction(
    "document.querySelector('seat-list').shadowRoot.querySelectorAll('li').length === 4",
  );
  expect(await page.locator('seat-list li').allInnerTexts()).toEqual([
    'Early fruit, 10:30',
    'Peel and pith, 13:00',
    'Peel and pith, 13:00',
    'Peel and pith, 13:00',
  ]);
  expect(await page.locator('tasting-seats button').nth(1).isDisabled()).toBe(true);
  expect(reported).toEqual([]);
  // The policy holds: nothing that it does not name may be put in.
  const put = `(() => { try { document.body.insertAdjacentHTML('beforeend', '<b>x</b>'); return 'put in'; } catch { return 'refused'; } })()`;
  expect(await page.evaluate(put)).toBe('refused');
});

test.each([
  ['light', 1280],
  ['dark', 360],
] as const)('it is accessible and fits, %s at %i', async (colorScheme, width) => {
  const { page } = await open({ colorScheme, viewport: { width, height: 800 }, bypassCSP: true });
  await page.locator('tasting-seats button').first().click();
  const axe = createRequire(import.meta.url).resolve('axe-core/axe.min.js');
  await page.addScriptTag({ path: axe });
  const found = await page.evaluate<readonly { id: string }[]>(
    'axe.run().then(({ violations }) => violations)',
  );
  expect(found.map(({ id }) => id)).toEqual([]);
  expect(await page.evaluate('document.documentElement.scrollWidth')).toBeLessThanOrEqual(width);
});

test('problems are reported there in words', async () => {
  const { page, reported } = await open();
  await page.evaluate("document.querySelector('tasting-seats').setAttribute('seats', 'many')");
  await frame(page);
  expect(reported.join()).toContain('prop-invalid');
  expect(reported.join()).toContain('expects a number');
});
