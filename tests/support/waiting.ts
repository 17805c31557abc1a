import type { Page } from 'playwright-core';

/** Waits until a page has drawn a frame: what was started before has run by then, and its messages have arrived. */
export function frame(page: Page): Promise<void> {
  return page.evaluate(
    () => new Promise<void>((done) => requestAnimationFrame(() => setTimeout(() => done()))),
  );
}
