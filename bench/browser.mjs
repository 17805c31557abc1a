// npm run bench:browser: keyed rows in Chromium, against a custom element written by hand for the same markup.
import { chromium } from 'playwright-core';
import { build as bundle } from 'vite';
import { browserOptions } from '../scripts/browser.mjs';
import { build, install, needChromium, root } from '../scripts/setup.mjs';

install();
needChromium();
build();
const { lattice } = await import('zesty-lattice/vite');

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
const browser = await chromium.launch({
  ...browserOptions,
  args: [...browserOptions.args, '--js-flags=--expose-gc', '--enable-precise-memory-info'],
});
try {
  console.log(
    'Keyed rows: time against a custom element written by hand (1.00 is the same), medians, in turns\n',
  );
  for (const [count, rounds] of [
    [1_000, 32],
    [10_000, 14],
  ]) {
    const page = await browser.newPage();
    await page.setContent('<!doctype html><title>Rows</title>');
    await page.addScriptTag({ content: output[0].code, type: 'module' });
    await page.waitForFunction('window.measure');
    const results = await page.evaluate(`measure(${count}, ${rounds})`);
    for (const [step, { ours, byHand }] of Object.entries(results)) {
      const figures = `ours ${ours.toFixed(2)} ms, by hand ${byHand.toFixed(2)} ms`;
      console.log(
        `${String(count).padStart(6)} rows  ${step.padEnd(20)} ratio ${(ours / byHand).toFixed(2).padStart(5)}   ${figures}`,
      );
    }
    if (count === 10_000) {
      const warm = await page.evaluate(`again(${count}, 60)`);
      for (const [step, { ours, byHand }] of Object.entries(warm))
        console.log(
          `${count} rows  ${step}, again and again in one element: ratio ${(ours / byHand).toFixed(2)}   ours ${ours.toFixed(2)} ms, by hand ${byHand.toFixed(2)} ms`,
        );
    }
    await page.close();
  }
} finally {
  await browser.close();
}
