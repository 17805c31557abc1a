// npm run bench:browser: keyed rows in Chromium, against a custom element written by hand for the same markup.
import { chromium } from 'playwright-core';
import { build as bundle } from 'vite';
import { browserOptions } from '../scripts/browser.mjs';
import { build, install, needChromium, root } from '../scripts/setup.mjs';

install();
needChromium();
build();
const { lattice } = await import('zesty-lattice-tools/vite');

const { output } = (
  await bundle({
    configFile: false,
    root,
    logLevel: 'warn',
    plugins: [lattice()],
    define: { 'process.env.NODE_ENV': '"production"' },
    resolve: { conditions: ['production'] },
    build: {
      write: false,
      target: 'es2022',
      lib: { entry: 'bench/rows.ts', formats: ['es'], fileName: 'rows' },
    },
  })
)[0];
const address = 'http://localhost:9/';
const browser = await chromium.launch({
  ...browserOptions,
  args: [...browserOptions.args, '--js-flags=--expose-gc', '--enable-precise-memory-info'],
});
try {
  console.log(
    "Keyed rows: time against a custom element written by hand (1.00 is the same), in turns. The ratio is the middle of the\nrounds' own; again: to and fro in one element, once the browser has compiled what it runs.\n",
  );
  for (const [count, rounds] of [
    [1_000, 32],
    [10_000, 14],
  ]) {
    const page = await browser.newPage();
    // A page that is isolated has a clock of five microseconds (https://w3c.github.io/hr-time/#dfn-coarsen-time).
    await page.route(`${address}**`, (route) =>
      route.fulfill({
        contentType: 'text/html',
        headers: {
          'Cross-Origin-Opener-Policy': 'same-origin',
          'Cross-Origin-Embedder-Policy': 'require-corp',
        },
        body: '<!doctype html><title>Rows</title>',
      }),
    );
    await page.goto(address);
    await page.addScriptTag({ content: output[0].code, type: 'module' });
    await page.waitForFunction('window.measure');
    const results = await page.evaluate(`measure(${count}, ${rounds})`);
    tell(count, '', results);
    tell(count, 'again: ', await page.evaluate(`again(${count}, 60)`));
    await page.close();
  }
} finally {
  await browser.close();
}

function tell(count, how, results) {
  for (const [step, { ours, byHand, ratio }] of Object.entries(results)) {
    const figures = `ours ${ours.toFixed(2)} ms, by hand ${byHand.toFixed(2)} ms`;
    console.log(
      `${String(count).padStart(6)} rows  ${(how + step).padEnd(26)} ratio ${ratio.toFixed(2)}   ${figures}`,
    );
  }
}
