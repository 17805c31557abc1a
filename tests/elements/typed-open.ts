import type { Page } from 'playwright-core';
import { beforeAll } from 'vitest';
import { useBrowser } from '../support/browser.js';
import { bundle } from '../support/bundle.js';
import { inRun } from '../support/runs.js';

/** How elements are planned in a page: tests/same compares both ways in each run. */
export type How = 'in the page' | 'at build time';
export const hows = inRun<How>(['in the page', 'at build time'], (how) => how === 'at build time');

/** A page with the functions of `typed-page.ts`, which register components when they are called. */
export interface Opened {
  readonly page: Page;
  /** What was said on the console, and errors. */
  readonly reported: string[];
}

/** One Chromium and the two scripts for a test file: `opened` gives a page with HTML in it, before anything is registered. */
export function useTypedPages(): {
  readonly opened: (how: How, html: string) => Promise<Opened>;
  readonly plainPage: () => Promise<Page>;
  readonly script: (how: How) => string;
} {
  const { page: open } = useBrowser();
  const scripts = new Map<How, string>();
  beforeAll(async () => {
    const entry = new URL('./typed-page.ts', import.meta.url);
    scripts.set('in the page', await bundle(entry));
    scripts.set('at build time', await bundle(entry, { ahead: true, minify: true, production: true }));
  });
  const script = (how: How): string => scripts.get(how) ?? '';
  return {
    plainPage: () => open('<!doctype html>'),
    script,
    async opened(how, html) {
      const page = await open(`<!doctype html><body>${html}`);
      const reported: string[] = [];
      page.on('console', (message) => reported.push(message.text()));
      page.on('pageerror', (error) => reported.push(error.message));
      await page.addScriptTag({ content: script(how), type: 'module' });
      await page.waitForFunction('window.startTyped');
      return { page, reported };
    },
  };
}
