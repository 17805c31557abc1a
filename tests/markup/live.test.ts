import { type Browser, chromium, type Page } from 'playwright-core';
import { afterAll, beforeAll, beforeEach, describe, expect, test } from 'vitest';
import { renderHtml } from 'zesty-lattice/html';
import { browserOptions } from '../../scripts/browser.mjs';
import { bundle } from '../support/bundle.js';
import { inRun } from '../support/runs.js';

let browser: Browser;
let code = '';
let page: Page;
let reported: string[] = [];

beforeAll(async () => {
  browser = await chromium.launch(browserOptions);
});
afterAll(() => browser.close());
beforeEach(async () => {
  await page?.close();
  page = await browser.newPage();
  reported = [];
  page.on('console', (message) => reported.push(message.text()));
  page.on('pageerror', (error) => reported.push(error.message));
});

/** Opens a page from a server of its own, as pages are, so that policies hold for the script too. */
async function open(body: string, policy = ''): Promise<void> {
  const html = `<!doctype html><html lang="en"><title>x</title><script type="module" src="/parts.js"></script><body>${body}</body></html>`;
  await page.route('http://orchard.test/**', (route) =>
    route.request().url().endsWith('.js')
      ? route.fulfill({ contentType: 'text/javascript', body: code })
      : route.fulfill({
          contentType: 'text/html',
          body: html,
          headers: policy === '' ? {} : { 'content-security-policy': policy },
        }),
  );
  await page.goto('http://orchard.test/');
  await page.waitForFunction('window.start', undefined, { polling: 50 });
  await page.evaluate(() => (window as unknown as { start(): void }).start());
}
const shadow = (selector: string): Promise<string> =>
  page.evaluate(
    (one) => document.querySelector('crate-list')?.shadowRoot?.querySelector(one)?.textContent ?? '',
    selector,
  );

describe.each(
  inRun(
    [
      ['read in the page', './live-page.ts', false],
      ['read as the page was built', './live-ahead.ts', true],
    ] as const,
    ([, , ahead]) => !ahead,
  ),
)('a template text %s', (_how, parts, ahead) => {
  beforeAll(async () => {
    code = await bundle(new URL(parts, import.meta.url), { ahead });
  });

  test(
    ahead
      ? 'needs no reader in the page'
      : 'is read by the page’s own parser: no parser and no file system is in the script',
    () => {
      expect(code).not.toMatch(/parse5|node:fs|CssSyntaxError/);
      expect(code.includes('markHoles')).toBe(!ahead);
      expect(/Planner = class/.test(code)).toBe(!ahead);
    },
  );

  test('becomes interactive: state, handlers with the event, bound controls, rows, slots and SVG', async () => {
    await open('<crate-list heading="Stock">rest<i slot="note">n</i></crate-list>');
    expect(await shadow('h2')).toBe('Stock Dun');
    expect(await shadow('ul')).toMatch(/Dun 0: 0Stock\s+Dun 1: 2Stock/);
    expect(await shadow('footer')).toBe('no note');
    await page.fill('crate-list input', 'Salt');
    expect(await shadow('h2')).toBe('Stock Salt');
    expect(await shadow('ul')).toMatch(/Salt 0: 0Stock\s+Salt 1: 2Stock/);
    await page.click('crate-list button');
    await page.click('crate-list button');
    expect(await page.locator('crate-list li').count()).toBe(4);
    expect(await shadow('td')).toBe('focus Salt!');
    const seen = await page.evaluate(() => {
      const root = document.querySelector('crate-list')?.shadowRoot;
      const circle = root?.querySelector('circle');
      return {
        classes: root?.querySelector('h2')?.className,
        radius: circle?.getAttribute('r'),
        isSvg: circle instanceof SVGCircleElement,
        box: root?.querySelector('svg')?.getAttribute('viewBox'),
        most: root?.querySelector('ul')?.style.getPropertyValue('--most'),
      };
    });
    expect(seen).toEqual({ classes: 'sorted many', radius: '4', isSvg: true, box: '0 0 4 9', most: '4' });
    await page.uncheck('crate-list input[type=checkbox]');
    expect(await page.locator('crate-list h2').getAttribute('class')).toBe('many');
    expect(reported).toEqual([]);
  });

  test('hydrates what a server rendered from the same text', async () => {
    const { Basket } = await import('./live-parts.js');
    const html = renderHtml(Basket({ heading: 'Stock' }, 'rest'), { form: 'elements' });
    await page.setContent(`<!doctype html><html lang="en"><title>x</title><body></body></html>`);
    await page.evaluate(
      (text) => (document.body as unknown as { setHTMLUnsafe(html: string): void }).setHTMLUnsafe(text),
      html,
    );
    await page.evaluate(() =>
      Object.assign(window, {
        before: document.querySelector('crate-list')?.shadowRoot?.querySelector('li'),
      }),
    );
    await page.addScriptTag({ content: code, type: 'module' });
    await page.waitForFunction('window.start');
    await page.evaluate('start()');
    expect(
      await page.evaluate(
        "document.querySelector('crate-list').shadowRoot.querySelector('li') === window.before",
      ),
    ).toBe(true);
    await page.click('crate-list button');
    expect(await page.locator('crate-list li').count()).toBe(3);
    expect(reported).toEqual([]);
  });

  test('works under Trusted Types too', async () => {
    await open(
      '<crate-list>x</crate-list>',
      "script-src 'self'; require-trusted-types-for 'script'; trusted-types zesty-lattice",
    );
    expect(await shadow('h2')).toBe('Crates Dun');
    expect(reported).toEqual([]);
  });
});

test('without its reader in the page a template text is reported as such', async () => {
  await page.setContent(
    '<!doctype html><html lang="en"><title>x</title><body><bare-part></bare-part></body></html>',
  );
  const bare = await bundle(new URL('./bare-part.ts', import.meta.url), { plain: true });
  await page.addScriptTag({ content: bare, type: 'module' });
  await page.waitForFunction('window.isDone');
  expect(reported.join()).toContain('markup-missing');
  expect(reported.join()).toContain("import 'zesty-lattice/markup'");
});
