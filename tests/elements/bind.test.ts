import type { Page } from 'playwright-core';
import { beforeAll, describe, expect, test } from 'vitest';
import { component, el, resolve } from 'zesty-lattice';
import { renderHtml } from 'zesty-lattice/html';
import { useBrowser } from '../support/browser.js';
import { bundle } from '../support/bundle.js';
import { isLong } from '../support/runs.js';
import { frame } from '../support/waiting.js';
import { BoundForm, BoundText } from './bind-parts.js';

const { page: open } = useBrowser();
const scripts: Record<string, string> = {};

beforeAll(async () => {
  const entry = new URL('./bind-page.ts', import.meta.url);
  scripts['in the page'] = await bundle(entry, { production: true });
  scripts.ahead = await bundle(entry, { ahead: true, minify: true, production: true });
});

async function start(how: string, html: string): Promise<Page> {
  const page = await open(`<!doctype html><body>${html}`);
  page.on('pageerror', (error) => {
    throw error;
  });
  await page.addScriptTag({ content: scripts[how] as string, type: 'module' });
  await page.waitForFunction(`document.body.firstElementChild.shadowRoot?.querySelector('form')`);
  return page;
}

const said = async (page: Page): Promise<unknown> => {
  const [draft, day, moment, text] = JSON.parse((await page.textContent('output')) ?? '');
  return { ...draft, day, moment, text };
};
const lines = async (page: Page): Promise<{ text: string; done: boolean; sizes: { kilos: number }[] }[]> =>
  JSON.parse((await page.textContent('p')) ?? '');

/** In a usual run what a page plans itself is held for rows alone, which have all that the others have. */

describe.each(['in the page', 'ahead'])('a control is tied to the state, planned %s', (how) => {
  const usual = isLong || how === 'ahead' ? test : test.skip;

  usual('by a field inside a record, at any depth', async () => {
    const page = await start(how, '<bound-form></bound-form>');
    await page.fill('#title', 'Rind');
    await page.fill('#note', 'deeper');
    expect(await said(page)).toMatchObject({ title: 'Rind', count: 3, more: { note: 'deeper' } });
    await page.close();
  });

  test.each(['bound-form', 'bound-text'])(
    'by a row of a list that is calculated from the state, in %s',
    async (tag) => {
      const page = await start(how, `<${tag}></${tag}>`);
      const order = (): Promise<string[]> =>
        page
          .locator('label input')
          .evaluateAll((all) => all.map((one) => `${one.id} ${(one as HTMLInputElement).value}`));
      const texts = (): Promise<unknown> =>
        page.evaluate(`document.querySelector('${tag}').shadowRoot.querySelector('p').textContent`);
      expect(await order()).toEqual(['sorted-1 one', 'sorted-2 two']);
      await page.fill('#sorted-2', 'the longest');
      await page.fill('#sorted-1', 'long');
      expect(await order()).toEqual(['sorted-2 the longest', 'sorted-1 long']);
      expect(await page.inputValue('#line-1')).toBe('long');
      // What is not shown any more is still in the state.
      await page.fill('#sorted-1', '');
      expect(await order()).toEqual(['sorted-2 the longest']);
      await page.fill('#line-1', 'back');
      expect(await order()).toEqual(['sorted-2 the longest', 'sorted-1 back']);
      expect(await texts()).toMatch(/back.*the longest/);
      await page.close();
    },
  );

  test('by a part of a row, which is still its own after rows have moved', async () => {
    const page = await start(how, '<bound-form></bound-form>');
    await page.fill('#line-1', 'first');
    await page.check('#done-1');
    await page.fill('#size-1-1', '2.5');
    await page.click('#swap');
    await page.fill('#line-2', 'second');
    expect(await lines(page)).toEqual([
      { id: 2, text: 'second', done: true, sizes: [] },
      { id: 1, text: 'first', done: true, sizes: [{ kilos: 1 }, { kilos: 2.5 }] },
    ]);
    await page.focus('#line-1');
    await page.keyboard.type('!');
    expect(await page.evaluate(`document.querySelector('bound-form').shadowRoot.activeElement.id`)).toBe(
      'line-1',
    );
    await page.close();
  });

  usual('by a number that may be empty, and one that may not', async () => {
    const page = await start(how, '<bound-form></bound-form>');
    await page.fill('#weight', '4.5');
    expect(await said(page)).toMatchObject({ weight: 4.5 });
    await page.fill('#weight', '');
    expect(await said(page)).toMatchObject({ weight: null });
    await page.fill('#count', '');
    expect(await said(page)).toMatchObject({ count: 3 });
    await page.close();
  });

  usual('by dates, which stay dates, and by texts, which stay texts', async () => {
    const page = await start(how, '<bound-form></bound-form>');
    expect(await page.inputValue('#day')).toBe('2026-11-28');
    await page.fill('#day', '2026-12-24');
    await page.fill('#moment', '2026-12-24T18:30');
    await page.fill('#text', '2027-01-01');
    const moment = await page.evaluate(`new Date('2026-12-24T18:30').toISOString()`);
    expect(await said(page)).toMatchObject({ day: '2026-12-24T00:00:00.000Z', moment, text: '2027-01-01' });
    await page.fill('#day', '');
    expect(await said(page)).toMatchObject({ day: null });
    await page.close();
  });

  usual('by files, as files', async () => {
    const page = await start(how, '<bound-form></bound-form>');
    const file = (name: string) => ({ name, mimeType: 'text/plain', buffer: Buffer.from(name) });
    await page.setInputFiles('#file', file('a.txt'));
    await page.setInputFiles('#files', [file('b.txt'), file('c.txt')]);
    expect(await page.textContent('b')).toBe('a.txt,b.txt,c.txt');
    await page.close();
  });

  usual('a reset sets the state and the controls back together', async () => {
    const page = await start(how, '<bound-form></bound-form>');
    const before = [await said(page), await lines(page)];
    await page.fill('#title', 'x');
    await page.fill('#line-2', 'y');
    await page.fill('#day', '2020-01-01');
    await page.setInputFiles('#file', { name: 'a.txt', mimeType: 'text/plain', buffer: Buffer.from('a') });
    await page.click('#reset');
    await frame(page);
    expect([await said(page), await lines(page)]).toEqual(before);
    expect(await page.inputValue('#title')).toBe('Peel');
    expect(await page.inputValue('#line-2')).toBe('two');
    expect(await page.inputValue('#day')).toBe('2026-11-28');
    expect(await page.textContent('b')).toBe('none');
    await page.close();
  });

  usual('in HTML text by the same paths', async () => {
    const page = await start(how, '<bound-text></bound-text>');
    await page.fill('#title', 'Rind');
    await page.fill('#note', 'x');
    await page.fill('#line-1', 'first');
    await page.fill('#second', 'second');
    expect(await page.textContent('output')).toBe('Rind x');
    expect(await page.textContent('p')).toBe('first second');
    expect(await page.inputValue('#line-2')).toBe('second');
    await page.fill('#size-1-0', '7');
    await page.click('#reset');
    await frame(page);
    expect(await page.textContent('p')).toBe('one two');
    expect(await page.inputValue('#size-1-0')).toBe('1');
    await page.close();
  });

  usual('hydrated from a server, which writes the same', async () => {
    const page = await start(how, renderHtml(BoundForm, {}, { form: 'elements' }));
    await page.fill('#line-1', 'first');
    expect((await lines(page))[0]?.text).toBe('first');
    await page.close();
  });
});

test('a server writes what controls show', () => {
  const html = renderHtml(BoundForm);
  expect(html).toContain('<input id="day" type="date" value="2026-11-28">');
  expect(html).toContain('<input id="title" value="Peel">');
  expect(html).toContain('<input id="done-2" type="checkbox" checked>');
  expect(html).toContain('<input id="size-1-0" type="number" value="1">');
  expect(html).toContain('<input id="size-1-1" type="number">');
  expect(renderHtml(BoundText)).toContain('<input id="second" value="two">');
});

test('what cannot be set is reported', () => {
  const reported = (template: string): readonly string[] =>
    resolve(
      component('bound-wrong', {
        state: () => ({ draft: { title: '' } }),
        template,
        helpers: { f: (x: string) => x },
      }),
      {},
    ).problems.map(({ code }) => code);
  expect(reported('<input bind="draft.title">')).toEqual([]);
  expect(reported('<input bind="draft.__proto__">')).toEqual(['attribute-invalid']);
  expect(reported('<input bind="draft.constructor">')).toEqual(['attribute-invalid']);
  expect(reported('<input bind="none.title">')).toContain('name-unknown');
  expect(reported('<input bind="f(draft.title)">')).toContain('name-unknown');
  const Calculated = component('bound-calculated', {
    state: () => ({ list: [{ a: 'x' }] }),
    template: () => el.input({ bind: 'x' as never }),
  });
  expect(resolve(Calculated()).problems[0]?.hint).toContain('state.draft.title');
});
