import { type Browser, chromium, type Page } from 'playwright-core';
import { afterAll, beforeAll } from 'vitest';
import { browserOptions } from '../../scripts/browser.mjs';

/** One Chromium for a test file; each call of `page` gives a new page with the given HTML in it. */
export function useBrowser(): {
  page: (html: string, options?: Parameters<Browser['newPage']>[0]) => Promise<Page>;
} {
  let browser: Browser;
  beforeAll(async () => {
    browser = await chromium.launch(browserOptions);
  });
  afterAll(() => browser.close());
  return {
    async page(html, options) {
      const page = await browser.newPage(options);
      await page.setContent(html);
      return page;
    },
  };
}
