import { spawnSync } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import { createRequire } from 'node:module';
import type { AddressInfo } from 'node:net';
import { extname, join } from 'node:path';
import { type Browser, chromium, type Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { browserOptions } from '../../scripts/browser.mjs';
import { root } from '../cli/lattice.js';
import { isLong } from '../support/runs.js';

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');
const site = join(root, 'out/site');
const types: Readonly<Record<string, string>> = {
  '.html': 'text/html',
  '.js': 'text/javascript',
  '.json': 'application/json',
  '.png': 'image/png',
  '.ico': 'image/x-icon',
};

/** The reference takes long to read out of the sources: `npm run test:long` has it. */

let server: Server;
let browser: Browser;
let address = '';
let said = '';
const reported: string[] = [];

beforeAll(async () => {
  const { status, stderr, stdout } = spawnSync(
    'node',
    ['scripts/site.mjs', '--as-built', ...(isLong ? [] : ['--guides'])],
    {
      cwd: root,
      encoding: 'utf8',
    },
  );
  said = stdout;
  if (status !== 0) throw new Error(`The site was not made.\n${stdout}\n${stderr}`);
  server = createServer((request, response) => {
    const path = new URL(request.url ?? '/', 'http://x').pathname;
    try {
      const text = readFileSync(join(site, path.endsWith('/') ? `${path}index.html` : path));
      response
        .writeHead(200, {
          'content-type': types[extname(path)] ?? 'text/html',
          'content-security-policy': "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self'",
        })
        .end(text);
    } catch {
      response.writeHead(404).end();
    }
  });
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  address = `http://127.0.0.1:${(server.address() as AddressInfo).port}/`;
  browser = await chromium.launch(browserOptions);
}, 120_000);
afterAll(async () => {
  await browser?.close();
  server?.close();
});

async function visit(path: string, width: number, colorScheme: 'light' | 'dark' = 'light'): Promise<Page> {
  const page = await browser.newPage({ viewport: { width, height: 800 }, colorScheme });
  page.on('console', (message) => reported.push(message.text()));
  page.on('pageerror', (error) => reported.push(error.message));
  await page.goto(`${address}${path}`);
  return page;
}

describe('the site of the docs', () => {
  test('is a page for each guide and each door of the library, with no link that leads nowhere', () => {
    const [, pages, links, broken] = /(\d+) pages, (\d+) links followed, (\d+) broken/.exec(said) ?? [];
    const files = readdirSync(site).filter((name) => name.endsWith('.html'));
    expect(Number(pages)).toBe(files.length);
    expect(Number(links)).toBeGreaterThan(files.length * 30);
    expect(broken).toBe('0');
    const docs = readdirSync(join(root, 'docs')).filter((name) => name.endsWith('.md'));
    expect(docs.map((name) => name.replace(/md$/, 'html')).filter((name) => !files.includes(name))).toEqual(
      [],
    );
    if (!isLong) return;
    const reference = readFileSync(join(site, 'api-authoring.html'), 'utf8');
    // Every option of a function, with what it says of it.
    for (const word of [
      'component()',
      'eachOf()',
      'Placement',
      'id="eachoptions"',
      'TreeUse',
      'LatticeError',
    ])
      expect(reference).toContain(word);
  });

  test.each([
    ['index.html', 360, 'dark'],
    ...(isLong
      ? ([
          ['props.html', 360, 'light'],
          ['batch.html', 1440, 'dark'],
          ['index.html', 1280, 'light'],
          ['problems.html', 1280, 'dark'],
          ['api-html.html', 1280, 'light'],
          ['api-authoring.html', 360, 'dark'],
        ] as const)
      : []),
  ] as const)(
    '%s at %i px, %s: axe finds nothing, and nothing stands out of the page',
    async (path, width, scheme) => {
      const page = await visit(path, width, scheme);
      await page.evaluate(axe);
      const found = (await page.evaluate('axe.run()')) as {
        violations: { id: string; nodes: { html: string }[] }[];
      };
      expect(found.violations.map(({ id, nodes }) => [id, nodes[0]?.html])).toEqual([]);
      expect(await page.evaluate('document.documentElement.scrollWidth')).toBeLessThanOrEqual(width);
      await page.close();
    },
  );

  test('is searched in the page, by keys alone', async () => {
    const page = await visit('compose.html', 1280);
    await page.keyboard.press('/');
    await page.keyboard.type('placement');
    const first = page.locator('doc-search a').first();
    await first.waitFor();
    expect(await page.locator('doc-search [role=status]').textContent()).toMatch(/^\d+ found$/);
    await page.keyboard.press('ArrowDown');
    expect(await first.evaluate((link) => link.matches(':focus'))).toBe(true);
    const href = await first.getAttribute('href');
    await page.keyboard.press('Enter');
    await page.waitForURL(`${address}${href}`);
    await page.keyboard.press('/');
    await page.keyboard.type('qqqqqq');
    await page.getByText('Nothing is found for “qqqqqq”.').waitFor();
    await page.keyboard.press('Escape');
    await page.locator('doc-search .found').waitFor({ state: 'detached' });
    await page.close();
  });

  test('works without scripts, and reports nothing on the console under a strict policy', async () => {
    const context = await browser.newContext({ javaScriptEnabled: false });
    const page = await context.newPage();
    await page.goto(`${address}slots.html`);
    expect(await page.locator('doc-search input').count()).toBe(1);
    await page.locator('nav[aria-label="All pages"] a', { hasText: 'Compose' }).click();
    await page.waitForURL(/compose\.html$/);
    await context.close();
    expect(reported).toEqual([]);
  });
});
