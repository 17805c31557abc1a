// npm run bench:rows: how many frames a second the long list of docs/recipes.md shows while it is scrolled, in Chromium.
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import { chromium } from 'playwright-core';
import { browserOptions } from '../scripts/browser.mjs';
import { bundle } from '../tests/support/bundle.js';

const guide = readFileSync(new URL('../docs/recipes.md', import.meta.url), 'utf8');
const [, sample = ''] = /## Long lists[\s\S]*?```ts browser\n([\s\S]*?)```/.exec(guide) ?? [];
const [list] = sample.split('\nframe.scrollTop = ');
const imports = `import { component, eachOf, el, prop } from 'zesty-lattice';
import { register } from 'zesty-lattice/elements';
`;
const folder = mkdtempSync(join(fileURLToPath(new URL('.', import.meta.url)), 'out-'));
const browser = await chromium.launch(browserOptions);
try {
  const entry = join(folder, 'rows.ts');
  writeFileSync(entry, `${imports}${list}\nObject.assign(globalThis, { frame });\n`);
  const page = await browser.newPage();
  await page.setContent('<!doctype html><html lang="en"><title>Rows</title><body></body></html>');
  const content = await bundle(pathToFileURL(entry), { production: true, minify: true });
  await page.addScriptTag({ content, type: 'module' });
  await page.waitForFunction('globalThis.frame');
  for (const step of [40, 400, 5_000]) {
    const times = await page.evaluate<number[]>(`(async () => {
      const times = [];
      let last = performance.now();
      for (let n = 0; n < 300; n++) {
        frame.scrollTop += ${step};
        await new Promise((shown) => requestAnimationFrame(shown));
        const now = performance.now();
        times.push(now - last);
        last = now;
      }
      return times.sort((a, b) => a - b);
    })()`);
    const at = (part: number): string =>
      `${(times[Math.floor(part * (times.length - 1))] ?? 0).toFixed(1)} ms`;
    console.log(`${step} px a frame: median ${at(0.5)}, one in twenty above ${at(0.95)}, worst ${at(1)}`);
  }
} finally {
  await browser.close();
  rmSync(folder, { recursive: true });
}
