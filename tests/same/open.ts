import type { Browser, Page } from 'playwright-core';

/** A page that compares: with the code of `page.ts` in it. */
export async function openSame(browser: Browser, code: string): Promise<Page> {
  const page = await browser.newPage();
  page.on('pageerror', (error) => console.log(error));
  await page.setContent('<!doctype html><title>Same</title>');
  await page.addScriptTag({ content: code, type: 'module' });
  await page.waitForFunction('window.compareCase');
  return page;
}
