import type { Page } from 'playwright-core';
import { beforeAll, describe, expect, test } from 'vitest';
import { deeds, run } from './field-deeds.js';
import { hows, useTypedPages } from './typed-open.js';

const pages = useTypedPages();

describe.each(hows)('a field, planned %s', (how) => {
  let page: Page;
  let reported: readonly string[] = [];
  beforeAll(async () => {
    ({ page, reported } = await pages.opened(how, ''));
  });

  test('keeps a value that was set before it was defined', async () => {
    await page.evaluate(
      `document.body.innerHTML = '<form><note-field name="n"></note-field></form>'; document.querySelector('note-field').value = 'early'; startFields()`,
    );
    expect(
      await page.evaluate(
        `[document.querySelector('note-field').value, new FormData(document.forms[0]).get('n')]`,
      ),
    ).toEqual(['early', 'early']);
    await expect
      .poll(() =>
        page.evaluate(`document.querySelector('note-field').shadowRoot.querySelector('input').value`),
      )
      .toBe('early');
  });

  test.each(Object.entries(deeds))('is as a native control when %s', async (_name, deed) => {
    const native = await page.evaluate(run('input', deed));
    expect(native).not.toEqual([]);
    expect(await page.evaluate(run('note-field', deed))).toEqual(native);
  });

  test('tells whoever hears its events the state after them', async () => {
    const deed = `let heard = []; one.addEventListener('changed', () => heard.push(one.value, sent())); await type('q'); see(...heard);`;
    expect(await page.evaluate(run('note-field', deed))).toEqual(['q', 'n=q']);
  });

  test('keeps a prop of its own that has the name of a member', async () => {
    const deed = `see(typeof one.value); one.value = 5; await turn(); see(one.value, sent()); one.value = undefined; await turn(); see(typeof one.value, sent());`;
    expect(await page.evaluate(run('kilos-field', deed))).toEqual(['undefined', 5, 'n=5', 'undefined', '']);
  });

  test('had no mistake of its own all the while', () => {
    expect(reported).toEqual([]);
  });
});
