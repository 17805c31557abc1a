import { type Browser, chromium, type Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { el } from 'zesty-lattice';
import { renderHtml, renderPage } from 'zesty-lattice/html';
import { browserOptions } from '../../scripts/browser.mjs';
import { bundle } from '../support/bundle.js';
import { plannings } from '../support/runs.js';
import { DeclaredPage } from './declared-parts.js';
import { CrateCounter, CratePart, CrateParts, RowsPage, SidePanel } from './parts.js';

let browser: Browser;
let code = '';

beforeAll(async () => {
  browser = await chromium.launch(browserOptions);
});
afterAll(() => browser.close());

let reported: string[] = [];

let page: Page | undefined;
let body = '';

async function open(html: string): Promise<Page> {
  reported = [];
  body = html;
  page ??= await opened();
  await page.goto('http://orchard.test/');
  return page;
}

async function opened(): Promise<Page> {
  const made = await browser.newPage();
  made.on('console', (message) => reported.push(message.text()));
  made.on('pageerror', (error) => reported.push(error.message));
  // Declarative shadow roots are a parser's work, so the page has to come from a server, not from a script.
  await made.route('**/*', (route) => route.fulfill({ contentType: 'text/html', body }));
  return made;
}

test('in markup the same page is flattened, and costs no script', () => {
  const html = renderPage(DeclaredPage({ title: 'T' }), { title: 'T' });
  expect(html).not.toMatch(/<crate-counter|<template|<slot/);
  expect(html).toContain('Dunlight: 3');
});

test('elements are written with their attributes and shadow roots, the rest is flattened', () => {
  const html = renderHtml(DeclaredPage({ title: 'T' }), { form: 'elements' });
  expect(html).not.toContain('<declared-page');
  expect(html).toContain(
    '<crate-counter label="Dunlight" start="3" full tags=\'["x","&lt;y&gt;"]\' picked="2026-11-28T00:00:00.000Z" data-in="declared-page"><template shadowrootmode="open"><style data-rules>',
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

/** Registers the components in the page; before it, every node of the shadow roots is remembered. */
async function comeAlive(page: Page): Promise<void> {
  await page.evaluate(() => {
    const nodes = (root: Node): Node[] =>
      [...root.childNodes].flatMap((node) => [
        node,
        ...nodes(node),
        ...((node as Element).shadowRoot ? nodes((node as Element).shadowRoot as ShadowRoot) : []),
      ]);
    Object.assign(window, { lifeLog: [], nodes, sent: nodes(document.body) });
  });
  await page.addScriptTag({ content: code, type: 'module' });
  await page.waitForFunction('window.parts');
  await page.evaluate('register(...Object.values(parts))');
}

describe.each(plannings)('%s', (_how, ahead) => {
  beforeAll(async () => {
    code = await bundle(new URL(ahead ? './parts-ahead.ts' : './parts-page.ts', import.meta.url), {
      ahead,
      maps: false,
    });
  });

  test('a browser shows it before any script runs, and the elements become interactive on it', async () => {
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

  test('what a server sent is hydrated: no node is made anew', async () => {
    const page = await open(
      renderPage(DeclaredPage({ title: 'Title' }), { title: 'Declared', form: 'elements' }),
    );
    await comeAlive(page);
    const [kept, anew] = (await page.evaluate(() => {
      const { nodes, sent } = window as unknown as { nodes: (root: Node) => Node[]; sent: Node[] };
      const all = nodes(document.body).filter(
        (node) =>
          node.nodeName !== 'SCRIPT' && node.parentNode?.nodeName !== 'SCRIPT' && (node as Text).data !== '',
      );
      return [
        all.filter((node) => sent.includes(node)).length,
        all.filter((node) => !sent.includes(node)).map((node) => node.nodeName),
      ];
    })) as [number, string[]];
    expect(anew).toEqual([]);
    expect(kept).toBeGreaterThan(100);
    expect(reported).toEqual([]);
    await page.locator('pick-list .reverse').click();
    expect(await page.locator('pick-list li').first().getAttribute('data-id')).toBe('2');
  });

  test('what differs is reported with its place, and put right', async () => {
    const html = renderPage(CrateCounter({ label: 'Crates', start: 2 }), {
      title: 'Differs',
      form: 'elements',
    });
    const cases: [string, string][] = [
      [html.replace('<!--(-->2<!--)-->', '<!--(-->7<!--)-->'), 'it says "7" where "2" belongs'],
      [
        html.replace('data-season="spring"', 'data-season="autumn"'),
        'data-season of <button> is not the same',
      ],
      [html.replace('<span>', '<em>').replace('</span>', '</em>'), 'has EM where SPAN belongs'],
      [html.replace('Fail</button>', 'Fail</button><hr>'), 'where'],
    ];
    for (const [sent, words] of cases) {
      const page = await open(sent);
      await comeAlive(page);
      expect(reported.join()).toContain('markup-differs');
      expect(reported.join()).toContain('crate-counter');
      expect(reported.join()).toContain(words);
      expect(await page.locator('.add').innerText()).toBe('Crates: 2');
      expect(await page.locator('.add').getAttribute('data-season')).toBe('spring');
      expect(await page.locator('hr').count()).toBe(0);
    }
  });

  test('rows filled by a function are shown before any script, too', async () => {
    const html = renderPage(RowsPage({ items: [{ id: 1, name: 'One' }] }), {
      title: 'Rows',
      form: 'elements',
    });
    const page = await open(html);
    expect(await page.locator('live-rows li').allInnerTexts()).toEqual(['One in kg']);
    await comeAlive(page);
    expect(await page.locator('live-rows li').allInnerTexts()).toEqual(['One in kg']);
    await page.locator('.see').click();
    expect(await page.locator('rows-page output').innerText()).toBe('One');
    expect(reported).toEqual([]);
  });

  test('what an element reads in its slot is written by the server, and followed then', async () => {
    const parts = [CratePart({ label: 'A', kilos: 2 }), CratePart({ label: 'B' })];
    const html = renderPage(CrateParts({}, parts), { title: 'Parts', form: 'elements' });
    const page = await open(html);
    const said = (): Promise<string[]> => page.locator('crate-parts li').allInnerTexts();
    expect(await said()).toEqual(['A 2', 'B']);
    await page.evaluate("window.row = document.querySelector('crate-parts').shadowRoot.querySelector('li')");
    await comeAlive(page);
    expect(await said()).toEqual(['A 2', 'B']);
    expect(await page.evaluate('window.row.isConnected')).toBe(true);
    await page.evaluate("document.querySelector('crate-part').remove()");
    await expect.poll(said).toEqual(['B']);
    expect(reported).toEqual([]);
    const told = renderPage(CrateParts({ parts: [{ label: 'told' }] }, parts), {
      title: 'Parts',
      form: 'elements',
    });
    const other = await open(told);
    await comeAlive(other);
    await other.evaluate("document.querySelector('crate-part').remove()");
    expect(await other.locator('crate-parts li').allInnerTexts()).toEqual(['told']);
    expect(reported).toEqual([]);
  });
});
