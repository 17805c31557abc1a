import { type ChildProcess, spawn } from 'node:child_process';
import AxeBuilder from 'axe-core';
import { type Browser, chromium, type Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { calc, component, el, prop } from 'zesty-lattice';
import { renderHtml, renderPage } from 'zesty-lattice/html';
import { browserOptions } from '../../scripts/browser.mjs';
import { root } from '../cli/lattice.js';
import { looks } from '../support/runs.js';

let browser: Browser;
let server: ChildProcess;
let url = '';

beforeAll(async () => {
  browser = await chromium.launch(browserOptions);
  server = spawn('node', ['scripts/demo-server.mjs'], { cwd: root });
  let text = '';
  server.stdout?.on('data', (chunk) => {
    text += chunk;
  });
  for (let n = 0; n < 1_200 && !text.includes('Stop with'); n++)
    await new Promise((done) => setTimeout(done, 50));
  url = /(http:\/\/127\.0\.0\.1:\d+)\//.exec(text)?.[1] ?? '';
}, 70_000);
afterAll(async () => {
  server.kill('SIGKILL');
  await browser.close();
});

async function visit(path: string, options: Parameters<Browser['newPage']>[0] = {}) {
  const page = await browser.newPage(options);
  const reported: string[] = [];
  const asked: string[] = [];
  page.on('console', (message) => message.type() === 'error' && reported.push(message.text()));
  page.on('pageerror', (error) => reported.push(error.message));
  page.on('request', (request) => request.url().includes('/data/') && asked.push(request.url()));
  await page.route('**/favicon.ico', (route) => route.fulfill({ status: 204 }));
  await page.goto(url + path);
  await page.waitForFunction(() => customElements.get('log-book') !== undefined);
  return { page, reported, asked };
}

const width = (page: Page): Promise<number> =>
  page.evaluate(`document.querySelector('water-gauge').shadowRoot.querySelector('.water').getBoundingClientRect().width /
    document.querySelector('water-gauge').shadowRoot.querySelector('.tank').getBoundingClientRect().width`);

describe('the grove log, streamed by a server under a strict policy', () => {
  test.each(['/', '/?ms=300&order=as-ready'])(
    '%s comes alive on what was sent, and asks for nothing again',
    async (path) => {
      const { asked, page, reported } = await visit(path);
      await page.getByText('North terrace').first().waitFor();
      expect(await width(page)).toBeCloseTo(0.72, 2);
      await page.fill('input', 'weir');
      await page.waitForFunction(
        () => (document.querySelector('log-book')?.shadowRoot?.querySelectorAll('li').length ?? 12) < 12,
      );
      expect(asked).toEqual([]);
      await page.click('button');
      await page.waitForFunction(
        () => document.querySelector('log-book')?.shadowRoot?.querySelector('[aria-busy=false]') !== null,
      );
      expect(asked).toHaveLength(1);
      expect(reported).toEqual([]);
      await page.close();
    },
  );

  test('has its styles before any script, those in style attributes, too', async () => {
    const page = await browser.newPage({ javaScriptEnabled: false });
    await page.goto(url);
    expect(await width(page)).toBeCloseTo(0.72, 2);
    await page.close();
  });

  test('stands where the service is down, and says so', async () => {
    const { page } = await visit('/?fail');
    expect(await page.getByText('The log cannot be read right now.').count()).toBe(1);
    expect(await page.getByText('72 % full').count()).toBe(1);
    await page.close();
  });

  test.each(looks('light'))('has nothing for axe to find, in %s at %i px', async (colorScheme, width) => {
    const { page } = await visit('/', { colorScheme, viewport: { width, height: 800 }, bypassCSP: true });
    await page.addScriptTag({ content: AxeBuilder.source });
    const { violations } = await page.evaluate(() =>
      (window as unknown as { axe: { run(): Promise<{ violations: { id: string }[] }> } }).axe.run(),
    );
    expect(violations.map(({ id }) => id)).toEqual([]);
    expect(await page.evaluate(`document.documentElement.scrollWidth`)).toBeLessThanOrEqual(width);
    await page.close();
  });
});

describe('style attributes under a policy that refuses them', () => {
  const Tinted = component('tinted-box', {
    props: { tint: prop.text() },
    template: ({ props }) => [
      el.p({ id: 'a', style: { color: props.tint, margin: '3px' } }, 'a'),
      el.p({ id: 'b', style: 'color: rgb(4, 5, 6)' }, 'b'),
      el.p({ id: 'c', style: { color: calc(props.tint, () => null) } }, 'c'),
    ],
    styles: 'p#a { color: black } p { color: black }',
  });

  test('are rules of the page, which win as they would', async () => {
    const nonce = 'abc';
    const html = renderPage(Tinted({ tint: 'rgb(1, 2, 3)' }), { title: 'x', nonce });
    expect(html).not.toContain(' style=');
    const page = await browser.newPage();
    const reported: string[] = [];
    page.on('console', (message) => reported.push(message.text()));
    await page.route('http://page.test/', (route) =>
      route.fulfill({
        contentType: 'text/html',
        headers: { 'content-security-policy': `default-src 'none'; style-src 'nonce-${nonce}'` },
        body: html,
      }),
    );
    await page.goto('http://page.test/');
    const colors = await page.evaluate(`[a, b, c].map((one) => getComputedStyle(one).color)`);
    expect(colors).toEqual(['rgb(1, 2, 3)', 'rgb(4, 5, 6)', 'rgb(0, 0, 0)']);
    expect(reported).toEqual([]);
    await page.close();
    expect(renderHtml(Tinted, { tint: 'red' }, { nonce, styles: true })).toMatch(/^<style nonce="abc">/);
    expect(renderHtml(Tinted, { tint: 'red' })).toContain('style="color: red; margin: 3px"');
  });
});
