// Takes a picture of a page: node scripts/shot.mjs <url or file> <out.png> [width] [height] [dark] [full]
import { pathToFileURL } from 'node:url';
import { chromium } from 'playwright-core';
import { browserOptions } from './browser.mjs';

const [target, out, width = '1280', height = '800', ...flags] = process.argv.slice(2);
const url = /^(https?|file):/.test(target) ? target : pathToFileURL(target).href;
const browser = await chromium.launch(browserOptions);
const page = await browser.newPage({
  viewport: { width: Number(width), height: Number(height) },
  colorScheme: flags.includes('dark') ? 'dark' : 'light',
});
await page.goto(url);
await page.screenshot({ path: out, fullPage: flags.includes('full') });
await browser.close();
