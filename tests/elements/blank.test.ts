import type { Page } from 'playwright-core';
import { describe, expect, test } from 'vitest';
import { trusted } from 'zesty-lattice';
import { renderHtml } from 'zesty-lattice/html';
import { hows, useTypedPages } from './typed-open.js';
import { CardList, SlotCard } from './typed-parts.js';

const pages = useTypedPages();

/** What a reader sees of each card, with whether it says that it is filled. */
const read = `{
  const flat = (node) => node instanceof Text ? node.data : node instanceof Comment ? ''
    : (node.localName === 'slot' ? node.assignedNodes({ flatten: true }) : [...(node.shadowRoot ?? node).childNodes]).map(flat).join('');
  const within = document.querySelector('card-list')?.shadowRoot.querySelectorAll('slot-card') ?? [];
  [...document.querySelectorAll('slot-card'), ...within].map((card) =>
    [...card.shadowRoot.children].map((one) => flat(one).trim() + (one.className && ' ' + one.className)).join('|'))
}`;
const seen = (page: Page): Promise<readonly string[]> => page.evaluate(read);
const settled = 'new Promise((done) => setTimeout(done))';

describe('white space and comments alone fill no slot', () => {
  test('in HTML text', () => {
    const bare = '<h3>No title</h3><p class="empty">Nothing yet</p>';
    const titled = bare.replace('No title', '<b>t</b>');
    expect(renderHtml(CardList({}))).toBe(bare + bare + titled + bare + bare);
    for (const content of [' ', '', [' ', '\n'], trusted(''), trusted(' <!-- none -->\n'), [[], null, ' ']])
      expect(renderHtml(SlotCard({}, content))).toBe(bare);
    for (const content of ['\u00a0', trusted('<!-- none --> a'), [' ', 0]])
      expect(renderHtml(SlotCard({}, content))).toContain('class="full"');
  });

  describe.each(hows)('in elements planned %s', (how) => {
    test.each(['<card-list></card-list>', renderHtml(CardList({}), { form: 'elements' })])(
      '%.20s',
      async (html) => {
        const { page, reported } = await pages.opened(how, html);
        const cards = ['No title|Nothing yet empty', 't|Nothing yet empty'];
        const expected = [cards[0], cards[0], cards[1], cards[0], cards[0]];
        if (html.includes('shadowrootmode')) expect(await seen(page)).toEqual(expected);
        await page.evaluate(`startSlots(); ${settled}`);
        expect(await seen(page)).toEqual(expected);
        await page.evaluate(`document.querySelector('card-list').said = 'now'; ${settled}`);
        const full = 'No title|now full';
        expect(await seen(page)).toEqual([...expected.slice(0, 3), full, full]);
        await page.evaluate(`document.querySelector('card-list').said = '\\t'; ${settled}`);
        expect(await seen(page)).toEqual(expected);
        expect(reported).toEqual([]);
        await page.close();
      },
    );

    test('in a page that was written by hand, and later', async () => {
      const html =
        '<slot-card> </slot-card><slot-card>\n<b slot="title">t</b>\n</slot-card><slot-card><!-- c --></slot-card>';
      const { page, reported } = await pages.opened(how, html);
      await page.evaluate(`startSlots(); ${settled}`);
      const bare = 'No title|Nothing yet empty';
      expect(await seen(page)).toEqual([bare, 't|Nothing yet empty', bare]);
      const first = "document.querySelector('slot-card')";
      await page.evaluate(`${first}.append('now'); ${settled}`);
      expect((await seen(page))[0]).toBe('No title|now full');
      await page.evaluate(`${first}.lastChild.data = '\\n'; ${settled}`);
      expect((await seen(page))[0]).toBe(bare);
      await page.evaluate(`${first}.textContent = ''; ${settled}`);
      expect((await seen(page))[0]).toBe(bare);
      // As a browser's own slot, with nothing in between.
      expect(await page.evaluate(`${first}.shadowRoot.querySelectorAll('slot')[1].outerHTML`)).toBe(
        '<slot>Nothing yet</slot>',
      );
      expect(reported).toEqual([]);
      await page.close();
    });
  });
});
