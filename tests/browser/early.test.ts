import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { expect, test } from 'vitest';
import { useBrowser } from '../support/browser.js';
import { bundle } from '../support/bundle.js';

const browser = useBrowser();
const source = new URL('./early-parts.ts', import.meta.url);
const lines = readFileSync(fileURLToPath(source), 'utf8').split('\n');
const lineOf = (words: string): number => lines.findIndex((line) => line.includes(words)) + 1;

/** Opens a page whose server sends this script, with its source map or without, and gives what the console says. */
async function reported(code: string, map?: string): Promise<string> {
  const page = await browser.page('');
  const said: string[] = [];
  page.on('console', (message) => said.push(message.text()));
  page.on('pageerror', (error) => said.push(error.message));
  await page.route('http://orchard.test/**', (route) => {
    const url = route.request().url();
    if (url.endsWith('.map')) return route.fulfill({ contentType: 'application/json', body: map ?? '' });
    if (url.includes('.js')) return route.fulfill({ contentType: 'text/javascript', body: code });
    const script = '<script type="module" src="/assets/parts.js?v=1"></script>';
    return route.fulfill({
      contentType: 'text/html',
      body: `<!doctype html><html lang="en"><title>x</title>${script}<early-part crates="4"></early-part><unplaced-part></unplaced-part></html>`,
    });
  });
  await page.goto('http://orchard.test/');
  await page.waitForFunction('window.start');
  await page.evaluate('start()').catch((thrown) => said.push(String(thrown)));
  await page.close();
  return said.join('\n');
}

const early = new RegExp(`value-used-early.*?early-parts\\.ts:${lineOf('crates > 3')}:`, 's');
const unplaced = new RegExp(`value-unplaced.*?early-parts\\.ts:${lineOf('props.open ?')}:`, 's');

test('a value used early, and one placed nowhere, are reported with the line that was written, through source maps', async () => {
  const code = await bundle(source);
  const said = await reported(code);
  expect(said).toMatch(early);
  expect(said).toMatch(unplaced);
});

test('so they are when the map is a file of its own', async () => {
  const code = await bundle(source);
  const inline = /\/\/# sourceMappingURL=data:[^,]*,(.*)/.exec(code);
  const apart = code.replace(inline?.[0] ?? '', '//# sourceMappingURL=parts.js.map');
  expect(apart.length).toBeLessThan(code.length);
  const said = await reported(apart, Buffer.from(inline?.[1] ?? '', 'base64').toString('utf8'));
  expect(said).toMatch(early);
  expect(said).toMatch(unplaced);
});

test('without a map they are reported with the line of the script', async () => {
  const code = (await bundle(source)).replace(/\/\/# sourceMappingURL=.*/, '');
  expect(await reported(code)).toMatch(/value-used-early[\s\S]*?assets\/parts\.js:\d+:/);
});

test('production carries none of it', async () => {
  const code = await bundle(source, { production: true, minify: true });
  expect(code).not.toContain('XMLHttpRequest');
  expect(code).not.toContain('sourceMappingURL');
});
