import type { Page } from 'playwright-core';
import { describe, expect, test } from 'vitest';
import { el } from 'zesty-lattice';
import { renderHtml } from 'zesty-lattice/html';
import { hows, useTypedPages } from './typed-open.js';
import { CrateRows, ShiftForm } from './typed-parts.js';

const pages = useTypedPages();

describe.each(hows)('planned %s', (how) => {
  let reported: readonly string[] = [];
  async function opened(html: string): Promise<Page> {
    const found = await pages.opened(how, html);
    reported = found.reported;
    return found.page;
  }
  const start = (page: Page): Promise<unknown> =>
    page.evaluate('startTyped(); new Promise((done) => setTimeout(done))');
  const stateOf = async (page: Page): Promise<unknown[]> => {
    const [first, second] = (await page.locator('shift-form output').innerText()).split('][');
    const rest = await page.locator('shift-form p').innerText();
    return [...JSON.parse(`${first}]`), ...JSON.parse(`[${second}`), ...JSON.parse(rest)];
  };
  const control = (page: Page, id: string) => page.locator(`shift-form #${id}`);
  const shown = async (page: Page): Promise<unknown[]> => [
    await control(page, 'name').inputValue(),
    await control(page, 'note').inputValue(),
    await control(page, 'count').inputValue(),
    await control(page, 'weight').inputValue(),
    await control(page, 'day').inputValue(),
    await control(page, 'rides').isChecked(),
    await control(page, 'shift').inputValue(),
    await control(page, 'tools').evaluate((one: HTMLSelectElement) =>
      [...one.selectedOptions].map(({ value }) => value),
    ),
    await control(page, 'bus').isChecked(),
    await page
      .locator('shift-form .line')
      .evaluateAll((all: HTMLInputElement[]) => all.map(({ value }) => value)),
  ];

  test('what a visitor did before the script ran goes to the state, with focus and selection as they were', async () => {
    const page = await opened(renderHtml(ShiftForm, {}, { form: 'elements' }));
    await control(page, 'note').fill('two\nlines');
    await control(page, 'count').fill('7');
    await control(page, 'weight').fill('3.5');
    await control(page, 'day').fill('2026-12-01');
    await control(page, 'rides').check();
    await control(page, 'shift').selectOption('evening');
    await control(page, 'tools').selectOption(['crate', 'ladder']);
    await control(page, 'bus').check();
    await page.locator('shift-form .line').last().fill('second');
    await control(page, 'name').fill('Otto');
    await control(page, 'name').evaluate((one: HTMLInputElement) => {
      one.setSelectionRange(1, 3);
      Object.assign(window, { sent: one });
    });
    await start(page);
    const typed = [
      'Otto',
      'two\nlines',
      '7',
      '3.5',
      '2026-12-01',
      true,
      'evening',
      ['crate', 'ladder'],
      true,
      ['one', 'second'],
    ];
    expect(await shown(page)).toEqual(typed);
    expect(await stateOf(page)).toEqual([
      'Otto',
      'two\nlines',
      7,
      3.5,
      '2026-12-01',
      true,
      'evening',
      ['crate', 'ladder'],
      'bus',
      'one',
      'second',
    ]);
    expect(
      await control(page, 'name').evaluate((one: HTMLInputElement) => [
        one === (window as unknown as { sent: unknown }).sent,
        one.matches(':focus'),
        one.selectionStart,
        one.selectionEnd,
      ]),
    ).toEqual([true, true, 1, 3]);
    await page.keyboard.type('x');
    expect((await stateOf(page))[0]).toBe('Oxo');
    expect(reported).toEqual([]);
    await page.close();
  });

  test('what nobody touched is as the server wrote it, and follows the state', async () => {
    const page = await opened(renderHtml(ShiftForm, {}, { form: 'elements' }));
    const before = await shown(page);
    await start(page);
    expect(await shown(page)).toEqual(before);
    expect((await stateOf(page)).slice(0, 3)).toEqual(['Ines', '\nfirst', 2]);
    await page.locator('shift-form button').click();
    expect(await control(page, 'shift').inputValue()).toBe('evening');
    expect(reported).toEqual([]);
    await page.close();
  });

  test('a select whose chosen option goes has in its state what it shows', async () => {
    const page = await opened('<shift-form></shift-form>');
    await start(page);
    const shifts = (all: readonly string[]): Promise<unknown> =>
      page.evaluate((now) => {
        Object.assign(document.querySelector('shift-form') as object, { shifts: now });
        return new Promise((done) => setTimeout(done));
      }, all);
    const both = async (): Promise<unknown[]> => [
      await control(page, 'shift').inputValue(),
      (await stateOf(page))[6],
    ];
    expect(await both()).toEqual(['noon', 'noon']);
    await shifts(['evening', 'noon', 'morning']);
    expect(await both()).toEqual(['noon', 'noon']);
    await shifts(['evening', 'morning']);
    expect(await both()).toEqual(['evening', 'evening']);
    // Options that are on their way are waited for.
    await shifts([]);
    await shifts(['morning', 'evening']);
    expect(await both()).toEqual(['evening', 'evening']);
    await page.close();
  });

  test('what a server filled a slot with data with stays until there is other data', async () => {
    const html = renderHtml(CrateRows({ names: ['One', 'Two'] }, { row: (name) => el.b('row ', name) }), {
      form: 'elements',
    });
    const page = await opened(html);
    const rows = (): Promise<string[]> => page.locator('crate-rows li').allInnerTexts();
    await start(page);
    expect(await rows()).toEqual(['row One', 'row Two']);
    expect(reported).toEqual([]);
    await page.evaluate("document.querySelector('crate-rows').names = ['One', 'Two', 'Three']; null");
    await expect.poll(rows).toEqual(['row One', 'row Two', 'no filler for Three']);
    await page.evaluate(
      "document.querySelector('crate-rows').fillers = { row: (name) => document.createTextNode('now ' + name) }; null",
    );
    await expect.poll(rows).toEqual(['now One', 'now Two', 'now Three']);
    await page.close();
  });

  test('a value that cannot be read, set before the element was defined, keeps nothing else from being shown', async () => {
    const page = await opened('<fold-note></fold-note>');
    await page.evaluate(() => {
      const note = document.querySelector('fold-note') as Element;
      const get = (): never => {
        throw new Error('not ready');
      };
      Object.defineProperty(note, 'count', { configurable: true, enumerable: true, get });
      Object.assign(note, { open: true });
    });
    await start(page);
    expect(await page.locator('fold-note b').innerText()).toBe('open 0');
    expect(reported.join()).toContain('not ready');
    await page.close();
  });

  test('setting a prop to the value that it has is no change, whatever the element did by itself', async () => {
    const page = await opened('<fold-note open></fold-note>');
    await start(page);
    const says = (): Promise<string> => page.locator('fold-note b').innerText();
    const set = (code: string): Promise<unknown> =>
      page.evaluate(`{ const note = document.querySelector('fold-note'); ${code} } null`);
    expect(await says()).toBe('open 0');
    await page.locator('fold-note button').click();
    expect(await says()).toBe('shut 0');
    await set('note.open = true');
    await set("note.setAttribute('open', '')");
    expect(await says()).toBe('shut 0');
    await set('note.open = false; note.open = true');
    await expect.poll(says).toBe('open 2');
    await page.close();
  });

  test('a reaction that changes what it reacts to is reported, and stops', async () => {
    const page = await opened('<endless-note></endless-note><echo-box></echo-box>');
    await start(page);
    await page.evaluate("document.querySelector('endless-note').count = 1; null");
    const loops = (): number => reported.filter((one) => one.includes('update-loop')).length;
    await expect.poll(loops).toBeGreaterThan(0);
    expect(reported.join()).toMatch(/endless-note/);
    expect(reported.join()).toMatch(/count/);
    const before = reported.length;
    await page.evaluate(
      "document.querySelector('echo-box').shadowRoot.querySelector('echo-note').count = 5; null",
    );
    await expect
      .poll(() => reported.slice(before).join())
      .toMatch(/update-loop[\s\S]*(?:echo-box|echo-note)/);
    // The page goes on.
    expect(await page.evaluate('new Promise((done) => setTimeout(() => done(1)))')).toBe(1);
    await page.close();
  });
});
