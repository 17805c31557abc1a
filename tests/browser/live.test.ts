import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { type Browser, chromium, type Page } from 'playwright-core';
import { build, type PreviewServer, preview } from 'vite';
import { afterAll, beforeAll, beforeEach, describe, expect, test } from 'vitest';
import { browserOptions } from '../../scripts/browser.mjs';
import { looks } from '../support/runs.js';
import { frame } from '../support/waiting.js';

const root = fileURLToPath(new URL('../..', import.meta.url));
const outside = mkdtempSync(join(tmpdir(), 'lattice-live-'));
const servers: PreviewServer[] = [];
let browser: Browser;
let page: Page;
let reported: string[];
const urls: Record<string, string> = {};

async function serve(name: string, config: string): Promise<void> {
  const outDir = join(outside, name);
  await build({
    configFile: join(root, 'examples/open-day', config),
    logLevel: 'error',
    build: { outDir, emptyOutDir: true },
  });
  if (name === 'plain') cpSync(join(root, 'examples/plain-page/index.html'), join(outDir, 'index.html'));
  const server = await preview({
    configFile: false,
    root,
    logLevel: 'silent',
    build: { outDir },
    preview: { port: 0, host: '127.0.0.1' },
  });
  servers.push(server);
  const address = server.httpServer.address();
  urls[name] = `http://127.0.0.1:${typeof address === 'object' ? address?.port : ''}/`;
}

beforeAll(async () => {
  browser = await chromium.launch(browserOptions);
  await serve('live', 'vite.config.ts');
  await serve('plain', 'elements.config.ts');
}, 120_000);
afterAll(async () => {
  await browser.close();
  for (const server of servers) await server.close();
  rmSync(outside, { recursive: true, force: true });
});
beforeEach(async () => {
  await page?.close();
});

async function open(name: string, options: Parameters<Browser['newPage']>[0] = {}): Promise<void> {
  page = await browser.newPage({ viewport: { width: 1280, height: 800 }, ...options });
  reported = [];
  page.on('console', (message) => !message.text().includes('404') && reported.push(message.text()));
  page.on('pageerror', (error) => reported.push(error.message));
  await page.goto(urls[name] ?? '');
  await page.waitForFunction(() => customElements.get('crate-counter') !== undefined);
}

test('the live page shows before its script has run, and its elements hydrate what was rendered ahead', async () => {
  const still = await browser.newContext({ javaScriptEnabled: false });
  const before = await still.newPage();
  await before.goto(urls.live ?? '');
  expect(await before.locator('variety-picker li').count()).toBe(30);
  expect(await before.locator('variety-picker .count').innerText()).toBe('30 of 30');
  expect(await before.locator('note-panel').first().innerText()).toContain('Follow the yellow posts');
  await still.close();
  // The script waits until the nodes that were sent are remembered.
  page = await browser.newPage();
  reported = [];
  page.on('console', (message) => !message.text().includes('404') && reported.push(message.text()));
  let go: () => void = () => {};
  const remembered = new Promise<void>((done) => {
    go = done;
  });
  await page.route('**/*.js', async (route) => {
    await remembered;
    await route.continue();
  });
  await page.goto(urls.live ?? '', { waitUntil: 'commit' });
  await page.waitForSelector('weight-field');
  await page.evaluate(() => {
    const sent = [...document.querySelectorAll('*')].flatMap((one) => [
      ...(one.shadowRoot?.querySelectorAll('*:not(style)') ?? []),
    ]);
    Object.assign(window, { sent });
  });
  go();
  await page.waitForFunction(() => customElements.get('crate-counter') !== undefined);
  await frame(page);
  const kept = await page.evaluate(() => {
    const { sent } = window as unknown as { sent: readonly Element[] };
    return [sent.length, sent.filter((one) => one.isConnected).length];
  });
  expect(kept[0]).toBeGreaterThan(200);
  expect(kept[1]).toBe(kept[0]);
  expect(reported).toEqual([]);
});

describe('the live open day', () => {
  test('counts, sums up, sorts and filters, and rows keep their counters', async () => {
    await open('live');
    await page.getByRole('button', { name: 'One crate of Saltbell more' }).click();
    await page.getByRole('button', { name: 'One crate of Saltbell more' }).click();
    await page.getByRole('button', { name: 'One crate of Harrowgold more' }).click();
    expect(await page.getByText('3 crates to carry home').isVisible()).toBe(true);
    await page.getByLabel('Sort by').selectOption('price');
    await page.getByLabel('Find').fill('salt');
    await page.getByLabel('Find').fill('');
    expect(await page.getByText('30 of 30').isVisible()).toBe(true);
    await page.getByLabel('Find').fill('harrow');
    expect(await page.getByText('1 of 30').isVisible()).toBe(true);
    expect(await page.getByLabel('Crates of Harrowgold').textContent()).toBe('1');
    await page.getByLabel('Find').fill('nothing of the kind');
    expect(await page.getByText('No variety of that name.').isVisible()).toBe(true);
    expect(reported).toEqual([]);
  });

  test('a sort moves rows with their state', async () => {
    await open('live');
    await page.getByRole('button', { name: 'One crate of Underhill more' }).click();
    await page.getByRole('button', { name: 'One crate of Underhill more' }).focus();
    await page.getByLabel('Sort by').selectOption('sweetness');
    expect(await page.getByLabel('Crates of Underhill').textContent()).toBe('1');
  });

  test('can be walked by keyboard alone', async () => {
    await open('live');
    const focused = (): Promise<string | null> =>
      page.evaluate(() => {
        let at: Element | null = document.activeElement;
        while (at?.shadowRoot?.activeElement) at = at.shadowRoot.activeElement;
        return (
          at?.getAttribute('aria-label') ??
          (at as HTMLInputElement)?.labels?.[0]?.textContent ??
          at?.textContent ??
          null
        );
      });
    await page.keyboard.press('Tab');
    expect(await focused()).toContain('Find');
    await page.keyboard.type('salt');
    await page.keyboard.press('Tab');
    expect(await focused()).toContain('Sort by');
    await page.keyboard.press('Tab');
    expect(await focused()).toBe('One crate of Saltbell more');
    await page.keyboard.press('Enter');
    expect(await page.getByText('1 crate to carry home').isVisible()).toBe(true);
    await page.keyboard.press('Tab');
    expect(await focused()).toContain('Your name');
    await page.keyboard.type('Petra');
    expect(await page.getByText('Petra carries 2 crates.').isVisible()).toBe(true);
    await page.keyboard.press('Enter');
    expect(await page.locator('helper-form [role=status]').textContent()).toContain('Thank you, Petra');
    expect(await page.getByLabel('Your name').inputValue()).toBe('');
    await page.getByRole('button', { name: 'May I bring a dog?' }).focus();
    await page.keyboard.press('Space');
    expect(await page.getByText('Yes, on a lead').isVisible()).toBe(true);
    await page.getByRole('button', { name: 'How we price' }).focus();
    await page.keyboard.press('Enter');
    expect(await page.getByRole('dialog').isVisible()).toBe(true);
    await page.keyboard.press('Escape');
    expect(await page.getByRole('dialog').count()).toBe(0);
    expect(reported).toEqual([]);
  });

  test('a field of ours goes with a real form', async () => {
    await open('live');
    await page.getByRole('button', { name: 'Book the press' }).click();
    expect(page.url()).not.toContain('kilos');
    await page.getByLabel('Fruit for the press').fill('4');
    expect(
      await page.evaluate(() => document.querySelector<HTMLFormElement>('.press-form')?.checkValidity()),
    ).toBe(true);
    await page.getByRole('button', { name: 'Book the press' }).click();
    await expect.poll(() => page.url(), { timeout: 60_000 }).toContain('kilos=4');
  });

  test.each(looks('dark'))('has nothing for axe to find, in %s at %i px', async (colorScheme, width) => {
    await open('live', { colorScheme, viewport: { width, height: 800 } });
    await page.addScriptTag({ path: createRequire(import.meta.url).resolve('axe-core') });
    const violations = await page.evaluate(async () => {
      const { axe } = window as unknown as {
        axe: { run: () => Promise<{ violations: { id: string; nodes: { target: unknown }[] }[] }> };
      };
      return (await axe.run()).violations.map(
        ({ id, nodes }) => `${id}: ${nodes.map((node) => String(node.target)).slice(0, 2)}`,
      );
    });
    expect(violations).toEqual([]);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(width);
  });
});

test('the plain page works with no build step, under script-src self and Trusted Types', async () => {
  await open('plain');
  await page.getByRole('button', { name: 'One crate of Dunlight more' }).click();
  expect(await page.getByText('2 crates to carry home').isVisible()).toBe(true);
  await page.getByRole('button', { name: 'How is this made?' }).click();
  expect(await page.getByText('no build step of its own').isVisible()).toBe(true);
  expect(reported).toEqual([]);
});
