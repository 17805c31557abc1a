import type { Browser, Page } from 'playwright-core';
import { type Engine, type EnginePage, reporting, serveTexts } from '../support/engines.js';

/** A page that compares: with the code of `page.ts` in it. */
export async function openSame(browser: Browser, code: string): Promise<Page> {
  const page = await browser.newPage();
  page.on('pageerror', (error) => console.log(error));
  await page.setContent('<!doctype html><title>Same</title>');
  await page.addScriptTag({ content: code, type: 'module' });
  await page.waitForFunction('window.compareCase');
  return page;
}

/** The same in an engine of one’s choice. A page that is opened again is a new one. */
export async function sameIn(
  engine: Engine,
  code: string,
): Promise<{ open(): Promise<EnginePage>; close(): void }> {
  const server = await serveTexts((path) =>
    path === '/'
      ? [
          'text/html; charset=utf-8',
          `<!doctype html><title>Same</title>${reporting}<body><script type="module" src="/code.js"></script>`,
        ]
      : path === '/code.js'
        ? ['text/javascript; charset=utf-8', code]
        : undefined,
  );
  return {
    async open() {
      const page = await engine.open(server.url);
      await page.until('window.compareCase');
      return page;
    },
    close: server.close,
  };
}
