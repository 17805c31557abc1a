import { mkdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative, resolve } from 'node:path';
import type { Browser, Page } from 'playwright-core';
import { chromium } from './browser.js';
import type { SamplePage } from './sample-pages.js';

export type Scheme = 'light' | 'dark';

export interface ShotOptions {
  /** Where the pictures go. */
  readonly folder: string;
  /** In CSS pixels. */
  readonly widths: readonly number[];
  readonly schemes: readonly Scheme[];
  /** Where Chromium is, where it is not looked for. */
  readonly browser?: string | undefined;
}

/**
 * Takes a picture of each sample, in each width and scheme: `variety-card/sold-out.360-dark.png`. Nothing moves, no caret
 * blinks.
 *
 * @returns their paths in the folder
 */
export async function shoot(pages: readonly SamplePage[], options: ShotOptions): Promise<readonly string[]> {
  if (pages.length === 0) return [];
  const browser = await chromium(options.browser);
  const written: string[] = [];
  const names = fileNames(pages);
  try {
    for (const colorScheme of options.schemes)
      for (const width of options.widths) {
        const page = await opened(browser, width, colorScheme);
        for (const sample of pages) {
          const file = `${names.get(sample)}.${width}-${colorScheme}.png`;
          mkdirSync(dirname(join(options.folder, file)), { recursive: true });
          await loadSample(page, sample);
          await page.screenshot({
            path: join(options.folder, file),
            fullPage: true,
            animations: 'disabled',
            caret: 'hide',
          });
          written.push(file);
        }
        await page.close();
      }
  } finally {
    await browser.close();
  }
  return written.sort();
}

/** As low as can be, so that a picture is as high as its sample. */
const height = 80;

function opened(browser: Browser, width: number, colorScheme: Scheme): Promise<Page> {
  return browser.newPage({ viewport: { width, height }, colorScheme, reducedMotion: 'reduce' });
}

/** A host that is nobody's (https://www.rfc-editor.org/rfc/rfc2606#section-2). */
const host = 'http://samples.test/';

/** Opens a sample; files that it asks for come from its own folder, and nothing from elsewhere. */
async function loadSample(page: Page, { folder, html }: SamplePage): Promise<void> {
  await page.unrouteAll();
  await page.route('**/*', (route) => {
    const url = route.request().url();
    if (url === host) return route.fulfill({ contentType: 'text/html; charset=utf-8', body: html });
    const path = resolve(folder, decodeURIComponent(new URL(url).pathname).replace(/^\/+/, ''));
    if (!url.startsWith(host) || relative(folder, path).startsWith('..')) return route.abort();
    try {
      return route.fulfill({ path, body: readFileSync(path) });
    } catch {
      return route.fulfill({ status: 404 });
    }
  });
  await page.goto(host);
  await page.evaluate('document.fonts.ready');
}

/** A sample's name as a file has it: `With a paragraph` is `with-a-paragraph`. */
export function slugOf(name: string): string {
  const slug = name
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-|-$/g, '');
  return slug || 'sample';
}

/** A name for each sample that a file can have, each once. */
function fileNames(pages: readonly SamplePage[]): ReadonlyMap<SamplePage, string> {
  const names = new Map<SamplePage, string>();
  const taken = new Set<string>();
  for (const page of pages) {
    const slug = slugOf(page.name);
    let name = `${page.group}/${slug}`;
    for (let n = 2; taken.has(name); n++) name = `${page.group}/${slug}-${n}`;
    taken.add(name);
    names.set(page, name);
  }
  return names;
}
