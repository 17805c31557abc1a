import { type Browser, chromium, type Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { renderHtmlAsync } from 'zesty-lattice/html';
import { browserOptions } from '../../scripts/browser.mjs';
import { bundle } from '../support/bundle.js';
import { inRun } from '../support/runs.js';
import { frame } from '../support/waiting.js';
import { HastyRows, QuietTank, TankBoard, TankSearch, TankText, WaterLevel } from './parts.js';
import { type Service, startService } from './service.js';

let browser: Browser;
let service: Service;

beforeAll(async () => {
  service = await startService();
  const entry = new URL('./page.ts', import.meta.url);
  for (const [path, options] of [
    ['/in-page.js', { production: true }],
    ['/ahead.js', { ahead: true, minify: true, production: true }],
  ] as const)
    service.pages.set(path, ['text/javascript', await bundle(entry, options)]);
  browser = await chromium.launch(browserOptions);
});
afterAll(async () => {
  await browser.close();
  service.close();
});

let reported: string[] = [];

async function open(script: string, body: string): Promise<Page> {
  const html = `<!doctype html><title>x</title><body>${body}<script type="module" src="${script}"></script>`;
  service.pages.set('/page', ['text/html', html]);
  service.asked.length = 0;
  service.stopped.length = 0;
  reported = [];
  const page = await browser.newPage();
  page.on('console', (message) => message.type() === 'error' && reported.push(message.text()));
  page.on('pageerror', (error) => reported.push(error.message));
  await page.goto(`${service.url}/page`);
  return page;
}

/** A rendering of elements that asks the service, and what it was reported to have gone wrong. */
function quietly() {
  const problems: string[] = [];
  const options = {
    form: 'elements' as const,
    fetch: ((path: string | URL, init?: RequestInit) =>
      fetch(new URL(path, service.url), init)) as typeof fetch,
    onProblem: ({ message }: { message: string }) =>
      void problems.push(message.replace(/^The data of ([\w-]+) could not be loaded: (.*)\.$/, '$1: $2')),
  };
  return { problems, options };
}

const text = (page: Page, tag: string): Promise<string> =>
  page.evaluate((name) => document.querySelector(name)?.shadowRoot?.textContent ?? '', tag);
const shows = (page: Page, tag: string, wanted: string): Promise<unknown> =>
  page.waitForFunction(
    ([name, part]) =>
      document.querySelector(name as string)?.shadowRoot?.textContent?.includes(part as string),
    [tag, wanted],
  );

describe.each(inRun(['/in-page.js', '/ahead.js'], (script) => script === '/ahead.js'))(
  'elements that load, with %s',
  (script) => {
    test('an element shows what it waits for, then what its URL gives', async () => {
      const page = await open(script, '<water-level from="/json/north?held"></water-level>');
      await shows(page, 'water-level', 'Reading the tank …');
      await expect.poll(() => service.asked).toEqual(['/json/north?held']);
      service.release();
      await shows(page, 'water-level', 'north: 5');
      expect(service.asked).toHaveLength(1);
      expect(reported).toEqual([]);
      await page.close();
    });

    test('what could not be loaded is shown and reported, and the rest of the page stands', async () => {
      const page = await open(
        script,
        '<water-level from="/text"></water-level><tank-board from="/json/x?fail"></tank-board><tank-text from="/json/ok"></tank-text>',
      );
      await shows(page, 'water-level', 'No reading: ');
      await shows(page, 'tank-text', 'ok: 2');
      await shows(page, 'tank-board', 'Sorry: the service says 503');
      expect(reported.filter((one) => one.includes('load-failed'))).toHaveLength(2);
      await page.evaluate(`document.querySelector('tank-board').from = '/json/west'`);
      await shows(page, 'tank-board', 'west is <full>');
      await page.close();
    });

    test('of five changes in a row the last one counts, and the others are given up', async () => {
      const page = await open(script, '<water-level from="/json/aa?held"></water-level>');
      await shows(page, 'water-level', 'Reading');
      for (const [at, name] of ['bbb', 'cccc', 'ddddd', 'eeeeee', 'fffffff'].entries()) {
        await page.evaluate(
          (to) => document.querySelector('water-level')?.setAttribute('from', `/json/${to}`),
          at === 4 ? name : `${name}?held`,
        );
        // Each is on its way before the next one comes.
        await expect.poll(() => service.asked.length).toBeGreaterThanOrEqual(at + 2);
      }
      await shows(page, 'water-level', 'fffffff: 7');
      await expect.poll(() => service.stopped.length).toBeGreaterThanOrEqual(5);
      await frame(page);
      expect(await text(page, 'water-level')).toBe('fffffff: 7');
      expect(service.asked).toHaveLength(6);
      expect(service.stopped).toHaveLength(5);
      expect(reported).toEqual([]);
      await page.close();
    });

    test('rows show what is loaded now, also those that stay', async () => {
      const page = await open(script, '<tank-rows from="/json/tank?count"></tank-rows>');
      await shows(page, 'tank-rows', 'b in tank 1');
      await page.locator('tank-rows .again').click();
      await shows(page, 'tank-rows', 'tank 2 is <full> in');
      const both = ['tank 2 is <full> in tank 2', 'b in tank 2'];
      const lines = await page.locator('tank-rows').locator('li').allInnerTexts();
      expect(lines).toEqual([...both, 'tank 2 is <full>', 'b', ...both]);
      await page.locator('tank-rows ol li:last-child button').click();
      expect(await page.locator('tank-rows output').innerText()).toBe('tank 2');
      expect(reported).toEqual([]);
      await page.close();
    });

    test('several props that change in one turn ask once', async () => {
      const page = await open(script, '<tank-board from="/json/a"></tank-board>');
      await shows(page, 'tank-board', 'a is');
      await page.evaluate(
        `{ const one = document.querySelector('tank-board'); one.title = 'T'; one.from = '/json/b'; one.from = '/json/c'; }`,
      );
      await shows(page, 'tank-board', 'c is');
      expect(service.asked).toEqual(['/json/a', '/json/c']);
      await page.close();
    });

    test('an element that is taken out gives up what it waits for, and reports nothing', async () => {
      const page = await open(
        script,
        '<water-level from="/json/aa?held"></water-level><tank-board from="/json/b"></tank-board>',
      );
      await shows(page, 'tank-board', 'b is');
      await page.evaluate(`document.querySelector('tank-board').shadowRoot.querySelector('.slowly').click()`);
      await shows(page, 'tank-board', 'waiting');
      await frame(page);
      await page.evaluate(
        `document.querySelector('water-level').remove(); document.querySelector('tank-board').remove()`,
      );
      await expect.poll(() => service.stopped.length).toBeGreaterThanOrEqual(2);
      await frame(page);
      expect(service.stopped.sort()).toEqual(['/json/aa?held', '/json/slow?held']);
      expect(reported).toEqual([]);
      await page.close();
    });

    test('a handler that waits shows what it is doing', async () => {
      const page = await open(script, '<tank-board from="/json/b"></tank-board>');
      await shows(page, 'tank-board', 'b is');
      await page.evaluate(`document.querySelector('tank-board').shadowRoot.querySelector('.slowly').click()`);
      await shows(page, 'tank-board', 'waiting');
      await expect.poll(() => service.asked).toContain('/json/slow?held');
      service.release();
      await shows(page, 'tank-board', 'done');
      await page.close();
    });

    test('equal elements ask once; loading again by hand keeps what is there until the answer is', async () => {
      const one = '<tank-board from="/json/same?held"></tank-board>';
      const page = await open(script, one + one + one.replace('same', 'other'));
      await expect.poll(() => service.asked).toHaveLength(2);
      service.release();
      await shows(page, 'tank-board', 'same is');
      await frame(page);
      expect(service.asked.sort()).toEqual(['/json/other?held', '/json/same?held']);
      await page.evaluate(`document.querySelector('tank-board').shadowRoot.querySelector('.again').click()`);
      await expect.poll(() => service.asked).toHaveLength(3);
      const busy = `document.querySelector('tank-board').shadowRoot.querySelector('section').getAttribute('aria-busy')`;
      expect(await page.evaluate(busy)).toBe('true');
      expect(await text(page, 'tank-board')).toContain('same is <full>');
      service.release();
      await page.waitForFunction(`${busy} === 'false'`);
      expect(service.asked).toHaveLength(3);
      await page.evaluate(`document.body.insertAdjacentHTML('beforeend', ${JSON.stringify(one)})`);
      await frame(page);
      expect(service.asked).toHaveLength(3);
      await page.close();
    });

    test('what a server loaded is hydrated, and not asked for again', async () => {
      const options = {
        form: 'elements',
        fetch: (path: string | URL) => fetch(new URL(path, service.url)),
      } as never;
      const html = [
        await renderHtmlAsync(TankBoard, { from: '/json/east' }, options),
        await renderHtmlAsync(TankText, { from: '/json/text' }, options),
        await renderHtmlAsync(
          WaterLevel,
          { from: '/none' },
          { ...(options as object), onProblem: () => undefined },
        ),
      ].join('');
      const page = await open(script, html);
      await page.waitForFunction(`customElements.get('tank-board')`);
      await page.evaluate(
        `window.kept = document.querySelector('tank-board').shadowRoot.querySelector('li')`,
      );
      expect(await text(page, 'tank-board')).toContain('east is <full>');
      expect(await text(page, 'tank-text')).toContain('text: 4');
      expect(await text(page, 'water-level')).toContain('No reading');
      await page.evaluate(`document.querySelector('tank-board').title = 'New'`);
      await frame(page);
      expect(await page.evaluate(`kept.isConnected`)).toBe(true);
      expect(await text(page, 'tank-board')).toContain('New');
      expect(service.asked).toEqual([]);
      await page.evaluate(`document.querySelector('tank-board').from = '/json/south'`);
      await shows(page, 'tank-board', 'south is');
      expect(service.asked).toEqual(['/json/south']);
      expect(reported.filter((one) => !one.includes('load'))).toEqual([]);
      await page.close();
    });

    test('nothing of what failed on a server is sent but what the author shows', async () => {
      const { problems, options } = quietly();
      const quiet = await renderHtmlAsync(QuietTank, { from: '/json/x?fail' }, options);
      expect(problems).toEqual([`quiet-tank: 10.0.0.5 answered 503, password=orchard (/json/x?fail)`]);
      expect(quiet).toContain('<p>Sorry.</p>');
      expect(quiet).not.toMatch(/10\.0\.0\.5|password|503/);
      // An author who shows the message shows it: nowhere else it stands, and it stays there.
      const loud = await renderHtmlAsync(WaterLevel, { from: '/none' }, options);
      expect(loud.split('JSON input')).toHaveLength(2);
      const page = await open(script, quiet + loud);
      await page.waitForFunction(`customElements.get('quiet-tank')`);
      await frame(page);
      expect(await text(page, 'quiet-tank')).toBe('Sorry.');
      expect(await text(page, 'water-level')).toMatch(/^No reading: .*JSON input$/);
      expect(service.asked).toEqual([]);
      expect(reported).toEqual([]);
      await page.evaluate(`document.querySelector('quiet-tank').from = '/json/full'`);
      await shows(page, 'quiet-tank', '4 l');
      await page.close();
    });

    test('a prop that is read late counts, also where it changes before it is read', async () => {
      const page = await open(script, '<quiet-tank from="/json/north?held"></quiet-tank>');
      await shows(page, 'quiet-tank', 'Reading');
      await expect.poll(() => service.asked).toHaveLength(1);
      /** What it shows at last, however often it asks. */
      const answered = (): Promise<string> => {
        service.release();
        return text(page, 'quiet-tank');
      };
      await page.evaluate(`document.querySelector('quiet-tank').unit = 'hl'`);
      await expect.poll(answered).toContain('5 hl');
      await page.evaluate(`document.querySelector('quiet-tank').unit = 'm³'`);
      await expect.poll(answered).toContain('5 m³');
      expect(reported).toEqual([]);
      await page.close();
    });

    test('what a server loaded for other props is loaded anew', async () => {
      const { options } = quietly();
      const html = await renderHtmlAsync(QuietTank, { from: '/json/north' }, options);
      const changed = html.replace('<quiet-tank', '<quiet-tank unit="hl"');
      const page = await open(script, html + changed);
      await page.waitForFunction(
        () => document.querySelectorAll('quiet-tank')[1]?.shadowRoot?.textContent === '5 hl',
      );
      expect(await text(page, 'quiet-tank')).toBe('5 l');
      expect(service.asked).toEqual(['/json/north']);
      await page.close();
    });

    test('a load that reads the state loads anew with it, and keeps what it had where it is to', async () => {
      const page = await open(script, '<tank-search held></tank-search>');
      const busy = `document.querySelector('tank-search').shadowRoot.querySelector('section').getAttribute('aria-busy')`;
      await shows(page, 'tank-search', 'Looking …');
      await expect.poll(() => service.asked).toEqual(['/json/first?held']);
      service.release();
      await shows(page, 'tank-search', 'first');
      await page.locator('tank-search .see').click();
      await page.locator('tank-search .second').click();
      await page.locator('tank-search .third').click();
      expect(await page.evaluate(busy)).toBe('true');
      expect(await page.locator('tank-search b').innerText()).toBe('first');
      await expect.poll(() => service.asked.at(-1)).toBe('/json/third?held');
      service.release();
      await page.waitForFunction(`${busy} === 'false'`);
      expect(await page.locator('tank-search b').innerText()).toBe('third');
      expect(service.asked.filter((one) => one.includes('first'))).toHaveLength(1);
      expect(reported).toEqual([]);
      await page.close();
    });

    test('a server loads for the first state, and the page asks for another', async () => {
      const { options } = quietly();
      const html = await renderHtmlAsync(TankSearch, {}, options);
      expect(html).toContain('<b>first</b>');
      const page = await open(script, html);
      await page.waitForFunction(`customElements.get('tank-search')`);
      await frame(page);
      expect(await page.locator('tank-search b').innerText()).toBe('first');
      expect(service.asked).toEqual([]);
      await page.locator('tank-search .second').click();
      await expect.poll(() => page.locator('tank-search b').innerText()).toBe('second');
      expect(service.asked).toEqual(['/json/second']);
      expect(reported).toEqual([]);
      await page.close();
    });

    test('of several calls of a handler that asks the last one counts, and the others are given up', async () => {
      const page = await open(script, '<tank-search></tank-search>');
      await shows(page, 'tank-search', 'first');
      for (const word of ['aa', 'bbb']) {
        await page.locator(`tank-search .${word}`).click();
        await expect.poll(() => service.asked.at(-1)).toBe(`/json/${word}?held`);
      }
      await expect.poll(() => service.stopped).toEqual(['/json/aa?held']);
      service.release();
      await expect.poll(() => page.locator('tank-search output').innerText()).toBe('bbb0');
      await page.locator('tank-search .aa').click();
      await expect.poll(() => service.asked.at(-1)).toBe('/json/aa?held');
      await page.evaluate(`document.querySelector('tank-search').remove()`);
      await expect.poll(() => service.stopped).toHaveLength(2);
      expect(reported).toEqual([]);
      await page.close();
    });

    test('what failed is tried again by hand, and the elements beside it stand', async () => {
      const page = await open(
        script,
        '<tank-retry from="/json/north?fail"></tank-retry><tank-retry from="/json/east" broken></tank-retry><tank-text from="/json/ok"></tank-text>',
      );
      const at = (index: number): Promise<string> =>
        page.evaluate(
          (nth) => document.querySelectorAll('tank-retry')[nth]?.shadowRoot?.textContent ?? '',
          index,
        );
      await expect.poll(() => at(0)).toContain('Sorry: the service says 503');
      await expect.poll(() => at(1)).toContain('no pump');
      await shows(page, 'tank-text', 'ok: 2');
      await page.locator('tank-retry').first().locator('button').click();
      await expect.poll(() => service.asked.filter((one) => one.includes('north'))).toHaveLength(2);
      await expect.poll(() => at(0)).toContain('Sorry: the service says 503');
      await page.evaluate('globalThis.isMended = true');
      await page.locator('tank-retry').nth(1).locator('button').click();
      await expect.poll(() => at(1)).toBe('east');
      await page.evaluate(`document.querySelector('tank-retry').from = '/json/north'`);
      await expect.poll(() => at(0)).toBe('north');
      expect(reported.filter((one) => one.includes('load-failed'))).toHaveLength(2);
      await page.close();
    });

    test('rows that hang end with what stands in for them', async () => {
      const page = await open(script, '<hasty-rows from="/json/north"></hasty-rows>');
      await shows(page, 'hasty-rows', 'Too slow.');
      expect(reported.join()).toContain('it took longer than 300 ms');
      await page.close();
      const { problems, options } = quietly();
      expect(await renderHtmlAsync(HastyRows, { from: '/json/north' }, options)).toContain(
        '<p>Too slow.</p>',
      );
      expect(problems).toEqual(['hasty-rows: it took longer than 300 ms']);
    });

    test('rows that come one after another show as they come', async () => {
      const page = await open(script, '<ticket-rows from="/rows/300?hold"></ticket-rows>');
      const count = `document.querySelector('ticket-rows').shadowRoot.querySelectorAll('li').length`;
      await page.waitForFunction(`${count} > 0`);
      expect(await page.evaluate(count)).toBeLessThan(300);
      await page.evaluate("fetch('/json/rest').then(() => undefined)");
      await page.waitForFunction(`${count} === 300`);
      expect(reported).toEqual([]);
      await page.close();
    });
  },
);
