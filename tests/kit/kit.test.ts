import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { Page } from 'playwright-core';
import { beforeAll, describe, expect, test } from 'vitest';
import { written } from '../../examples/kit/page.js';
import { useBrowser } from '../support/browser.js';
import { bundle } from '../support/bundle.js';
import { looks } from '../support/runs.js';

const { page: open } = useBrowser();
const html = written({ script: '/main.js', sheet: '/page.css' });
const sheet = readFileSync(new URL('../../examples/orchard/page.css', import.meta.url), 'utf8');
const axe = createRequire(import.meta.url).resolve('axe-core/axe.min.js');
let script = '';
beforeAll(async () => {
  script = await bundle(new URL('../../examples/kit/main.ts', import.meta.url), {
    ahead: true,
    minify: true,
    production: true,
  });
});

interface Kit {
  readonly page: Page;
  readonly reported: readonly string[];
  /** What has the focus, through all shadow roots: its label, its text or its value. */
  focused(): Promise<string>;
  press(...keys: readonly string[]): Promise<void>;
  /** The notes that are shown. */
  notes(): Promise<readonly string[]>;
}

/** The page as its server sends it; `before` is what a visitor does until the script runs. */
async function started(
  before?: (page: Page) => Promise<void>,
  options?: Parameters<typeof open>[1],
): Promise<Kit> {
  const page = await open('', options);
  const reported: string[] = [];
  page.on('console', (message) => reported.push(message.text()));
  page.on('pageerror', ({ message }) => reported.push(message));
  let send = (): void => undefined;
  const isAwaited = new Promise<void>((done) => {
    send = done;
  });
  await page.route('http://kit.test/**', async (route) => {
    const { pathname } = new URL(route.request().url());
    if (pathname === '/page.css') return route.fulfill({ contentType: 'text/css', body: sheet });
    if (pathname !== '/main.js') return route.fulfill({ contentType: 'text/html', body: html });
    await isAwaited;
    return route.fulfill({ contentType: 'text/javascript', body: script });
  });
  await page.goto('http://kit.test/', { waitUntil: 'commit' });
  await page.locator('h1').waitFor();
  await before?.(page);
  send();
  await page.waitForFunction("customElements.get('toast-stack')");
  return {
    page,
    reported,
    focused: () =>
      page.evaluate(`{ let one = document.activeElement; while (one.shadowRoot?.activeElement) one = one.shadowRoot.activeElement;
        one.getAttribute('aria-label') ?? (one.textContent.trim() || one.value) }`),
    async press(...keys) {
      for (const key of keys) {
        await page.keyboard.press(key);
        // What a key has changed is shown by then, and has the focus.
        await page.evaluate('new Promise((done) => setTimeout(done))');
      }
    },
    notes: () => page.locator('toast-stack li span').allTextContents(),
  };
}

describe('a kit of elements', () => {
  test.each(looks('dark'))(
    'has nothing for axe to find, with all of it open, %s at %i px',
    async (colorScheme, width) => {
      const { page, reported } = await started(undefined, { colorScheme, viewport: { width, height: 900 } });
      const faults = async (): Promise<unknown> => {
        await page.addScriptTag({ path: axe });
        return page.evaluate(
          'axe.run().then(({ violations }) => violations.map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html)}`))',
        );
      };
      expect(await faults()).toEqual([]);
      await page.locator('action-menu .opener').click();
      await page.getByRole('menuitem', { name: 'Swap with' }).click();
      expect(await faults()).toEqual([]);
      await page.locator('day-range .opener').click();
      expect(await faults()).toEqual([]);
      await page.keyboard.press('Escape');
      await page.getByRole('tab', { name: 'Harvest' }).click();
      await page.getByRole('combobox').fill('r');
      await page.getByRole('option').first().waitFor();
      expect(await faults()).toEqual([]);
      // Nothing is wider than the page.
      expect(await page.evaluate('document.documentElement.scrollWidth - innerWidth')).toBeLessThanOrEqual(0);
      expect(reported).toEqual([]);
      await page.close();
    },
  );

  test('keeps what is typed before its script runs, and goes on with it', async () => {
    const { page, press, reported } = await started(async (early) => {
      await early.getByRole('combobox').click();
      await early.keyboard.type('ga');
    });
    expect(await page.getByRole('combobox').inputValue()).toBe('ga');
    await page.keyboard.type('t');
    await page.getByRole('option', { name: 'North gate' }).waitFor();
    await press('ArrowDown', 'Enter');
    expect(await page.getByRole('combobox').inputValue()).toBe('North gate');
    expect(reported).toEqual([]);
    await page.close();
  });

  test('a field with suggestions: arrows, Enter, Escape; of several searches the last one counts', async () => {
    const { focused, notes, page, press, reported } = await started();
    const field = page.getByRole('combobox');
    const chosen = (): Promise<string | null> =>
      page.evaluate(`{ const root = document.querySelector('day-planner').shadowRoot.querySelector('suggest-box').shadowRoot;
        root.getElementById(root.querySelector('input').getAttribute('aria-activedescendant'))?.textContent ?? null }`);
    await field.focus();
    await page.keyboard.type('jugg', { delay: 5 });
    await press('Backspace');
    await expect.poll(() => page.getByRole('option').allTextContents()).toEqual(['Jug and glass bar']);
    await field.fill('r');
    await expect.poll(() => page.getByRole('option').count()).toBe(6);
    expect(await chosen()).toBe(null);
    await press('ArrowDown', 'ArrowDown');
    expect(await chosen()).toBe('North gate');
    await press('ArrowUp', 'ArrowUp');
    expect(await chosen()).toBe('Jug and glass bar');
    await press('Escape');
    expect(await field.getAttribute('aria-expanded')).toBe('false');
    await press('Alt+ArrowDown');
    expect([await field.getAttribute('aria-expanded'), await chosen()]).toEqual(['true', null]);
    await press('ArrowDown', 'Enter');
    expect(await field.inputValue()).toBe('Juice press');
    await expect.poll(notes).toEqual(['Juice press is marked on the map.']);
    expect(await focused()).toBe('Juice press');
    // Enter submits where there is nothing to take.
    await press('Enter');
    await expect.poll(async () => (await notes()).at(-1)).toBe('Saved. stall: Juice press');
    await press('Escape');
    expect(await field.inputValue()).toBe('');
    expect(reported).toEqual([]);
    await page.close();
  });

  test('tabs: arrows go round, Home and End, and Tab goes into the panel', async () => {
    const { focused, page, press, reported } = await started();
    await page.getByRole('tab', { name: 'Groves' }).focus();
    const isShown = (tag: string): Promise<boolean> => page.locator(tag).isVisible();
    await press('ArrowRight');
    expect([await focused(), await isShown('data-table'), await isShown('grove-tree')]).toEqual([
      'Harvest',
      true,
      false,
    ]);
    await press('ArrowRight', 'ArrowRight');
    expect(await focused()).toBe('Groves');
    await press('ArrowLeft');
    expect(await focused()).toBe('Helpers');
    await press('Home');
    expect(await focused()).toBe('Groves');
    await press('End', 'Tab');
    expect(await focused()).toContain('Helpers meet at the press');
    await press('Shift+Tab');
    expect(await focused()).toBe('Helpers');
    expect(reported).toEqual([]);
    await page.close();
  });

  test('a menu: opened from both ends, its menus to the right, letters, and out by Escape and Tab', async () => {
    const { focused, notes, page, press, reported } = await started();
    const opener = page.locator('action-menu .opener');
    const isOpen = (): Promise<string | null> => opener.getAttribute('aria-expanded');
    await opener.focus();
    await press('ArrowUp');
    expect(await focused()).toBe('Leave the shift');
    await press('ArrowDown');
    expect(await focused()).toBe('Take the shift');
    await press('ArrowUp', 'Home', 'End');
    expect(await focused()).toBe('Leave the shift');
    await press('s');
    expect(await focused()).toBe('Swap with');
    await press('s');
    expect(await focused()).toBe('Share the shift');
    await press('s', 'ArrowRight');
    expect(await focused()).toBe('The morning shift');
    await press('ArrowDown', 'ArrowLeft');
    expect(await focused()).toBe('Swap with');
    await press('Enter', 'End', 'Escape');
    expect(await focused()).toBe('Swap with');
    await press('Escape');
    expect([await focused(), await isOpen()]).toEqual(['Shift actions', 'false']);
    await press('Enter', 'ArrowDown', 'Space', 'ArrowDown', 'Enter');
    expect([await focused(), await isOpen()]).toEqual(['Shift actions', 'false']);
    await expect.poll(notes).toEqual(['Done: noon.']);
    await press('ArrowDown', 'Tab');
    expect([await focused(), await isOpen()]).toEqual(['Save', 'false']);
    expect(reported).toEqual([]);
    await page.close();
  });

  test('a tree: open and shut, in and out, letters, all at once', async () => {
    const { focused, page, press, reported } = await started();
    const lines = (): Promise<readonly string[]> =>
      page
        .locator('grove-tree li')
        .evaluateAll((all) =>
          all.map((one) => `${one.ariaLevel} ${one.ariaExpanded ?? '-'} ${one.lastChild?.textContent}`),
        );
    await page.getByRole('treeitem', { name: 'Hill grove' }).focus();
    await press('ArrowRight', 'ArrowRight');
    expect(await focused()).toContain('East rows');
    await press('ArrowRight', 'ArrowDown');
    expect(await focused()).toContain('Old row by the well');
    expect(await lines()).toEqual([
      '1 true Hill grove',
      '2 true East rows',
      '3 - Old row by the well',
      '2 - West rows',
      '1 false River grove',
      '1 - Nursery',
    ]);
    await press('ArrowLeft', 'ArrowLeft', 'ArrowLeft');
    expect(await focused()).toContain('Hill grove');
    await press('n');
    expect(await focused()).toContain('Nursery');
    await press('*');
    expect((await lines()).filter((line) => line.includes('true'))).toEqual([
      '1 true Hill grove',
      '1 true River grove',
    ]);
    await press('Home', 'End', 'ArrowUp', 'Enter');
    expect(await page.locator('.groves [role=status]').innerText()).toContain('Chosen: river-low');
    await press('Tab', 'Shift+Tab');
    expect(await focused()).toContain('Low terrace');
    expect(reported).toEqual([]);
    await page.close();
  });

  test('a range of days: by days, weeks, months and years, and what is wrong is said', async () => {
    const { focused, page, press, notes, reported } = await started();
    await page.locator('day-range .opener').focus();
    await press('Enter');
    expect(await focused()).toBe('Tuesday, December 1, 2026');
    await press('ArrowRight', 'ArrowDown');
    expect(await focused()).toBe('Wednesday, December 9, 2026');
    await press('Home');
    expect(await focused()).toBe('Monday, December 7, 2026');
    await press('End', 'ArrowLeft', 'ArrowUp');
    expect(await focused()).toBe('Saturday, December 5, 2026');
    await press('PageDown', 'Shift+PageDown');
    expect(await focused()).toBe('Wednesday, January 5, 2028');
    await press('Shift+PageUp', 'PageUp', 'Escape');
    expect(await focused()).toBe('Choose days');
    const said = (): Promise<unknown> =>
      page.evaluate(`{ const { validationMessage, validity } = document.querySelector('day-planner').shadowRoot.querySelector('day-range');
        [validationMessage, validity.valueMissing, validity.rangeUnderflow] }`);
    expect(await said()).toEqual(['Choose a first and a last day.', true, false]);
    await press('Enter', 'ArrowUp', 'Enter', 'ArrowRight', 'Enter');
    expect((await said()) as unknown[]).toEqual(['The orchard is shut then.', false, true]);
    await press('Enter', 'PageDown', 'Space', 'ArrowDown', 'Space');
    expect(await said()).toEqual(['', false, false]);
    await expect.poll(notes).toContain('The planner shows 2026-12-28 to 2027-01-04.');
    await page.getByRole('button', { name: 'Save' }).click();
    await expect
      .poll(async () => (await notes()).at(-1))
      .toBe('Saved. days-from: 2026-12-28, days-until: 2027-01-04');
    expect(reported).toEqual([]);
    await page.close();
  });

  test('a table of 5,000 rows: sorted, chosen, scrolled, with cells of the page', async () => {
    const { page, press, reported } = await started();
    await page.getByRole('tab', { name: 'Harvest' }).click();
    const first = (): Promise<string> => page.locator('data-table .row').first().innerText();
    expect(await page.locator('data-table .row').count()).toBe(40);
    expect(await first()).toMatch(/C00001\s+Dunlight\s+12 kg\s+Hill grove/);
    await page.getByRole('button', { name: 'Kilos' }).focus();
    await press('Enter');
    expect(await page.getByRole('columnheader', { name: 'Kilos' }).getAttribute('aria-sort')).toBe(
      'ascending',
    );
    await press('Enter');
    expect(await first()).toMatch(/20\.9 kg/);
    const all = page.getByRole('checkbox', { name: 'Choose all rows' });
    const count = (): Promise<string> => page.locator('data-table + p').innerText();
    await page.locator('data-table .row input').first().focus();
    await press('Space');
    expect([await count(), await all.evaluate((one) => (one as HTMLInputElement).indeterminate)]).toEqual([
      '1 crates are chosen.',
      true,
    ]);
    await all.focus();
    await press('Space');
    expect(await count()).toBe('5000 crates are chosen.');
    const frame = page.locator('data-table .frame');
    await frame.evaluate((one) => {
      one.scrollTop = one.scrollHeight;
    });
    await expect
      .poll(() => page.locator('data-table .row').last().getAttribute('aria-rowindex'))
      .toBe('5001');
    expect(await page.locator('data-table .row').last().getAttribute('aria-selected')).toBe('true');
    expect(await page.locator('data-table .row').count()).toBeLessThanOrEqual(40);
    expect(reported).toEqual([]);
    await page.close();
  });

  test('notes go by themselves and by their button, and the focus goes on to the next', async () => {
    const { focused, notes, page, press, reported } = await started();
    const say = (text: string): Promise<unknown> =>
      page.evaluate(
        `document.querySelector('day-planner').shadowRoot.querySelector('toast-stack').show(${JSON.stringify(text)})`,
      );
    await say('One');
    await say('Two');
    await say('Three');
    await page.getByRole('button', { name: 'Close: Two' }).focus();
    await press('Enter');
    expect(await focused()).toBe('Close: Three');
    await expect.poll(notes).toEqual(['One', 'Three']);
    await press('Enter');
    expect(await focused()).toBe('Close: One');
    await page.evaluate(
      "document.querySelector('day-planner').shadowRoot.querySelector('toast-stack').seconds = 0.05",
    );
    await say('Four');
    await expect.poll(notes).toEqual(['One']);
    expect(reported).toEqual([]);
    await page.close();
  });
});
