// npm run bench:browser: elements in Chromium, against custom elements written by hand for the same markup.
//   npm run bench:browser            all of it
//   npm run bench:browser -- rows    keyed rows; or: elements, hydration
//   npm run bench:browser -- rows --in-page    the same, planned by the page
import { createServer } from 'node:http';
import { chromium } from 'playwright-core';
import { build as bundle } from 'vite';
import { browserOptions } from '../scripts/browser.mjs';
import { build, install, needChromium, root } from '../scripts/setup.mjs';

install();
needChromium();
build();
const { component, el } = await import('zesty-lattice');
const { renderPage } = await import('zesty-lattice/html');
const { lattice } = await import('zesty-lattice-tools/vite');
const isInPage = process.argv.includes('--in-page');
const [only] = process.argv.slice(2).filter((one) => one !== '--in-page');

async function built(entry) {
  const [{ output }] = await bundle({
    configFile: false,
    root,
    logLevel: 'warn',
    plugins: [lattice({ ahead: !isInPage })],
    define: { 'process.env.NODE_ENV': '"production"' },
    resolve: { conditions: ['production', 'module', 'browser'] },
    build: { write: false, target: 'es2022', lib: { entry, formats: ['es'], fileName: 'built' } },
  });
  return output[0].code;
}

let body = '<!doctype html><title>Bench</title>';
// A page that is isolated has a clock of five microseconds (https://w3c.github.io/hr-time/#dfn-coarsen-time).
const server = createServer((_request, response) => {
  response.writeHead(200, {
    'content-type': 'text/html',
    'Cross-Origin-Opener-Policy': 'same-origin',
    'Cross-Origin-Embedder-Policy': 'require-corp',
  });
  response.end(body);
});
await new Promise((done) => server.listen(0, '127.0.0.1', done));
const address = `http://127.0.0.1:${server.address().port}/`;
const browser = await chromium.launch({
  ...browserOptions,
  args: [...browserOptions.args, '--js-flags=--expose-gc', '--enable-precise-memory-info'],
});

async function pageWith(code) {
  const page = await browser.newPage();
  await page.goto(address);
  await page.addScriptTag({ content: code, type: 'module' });
  return page;
}

const isWanted = (part) => only === undefined || only === part;
try {
  console.log(
    "Time against a custom element written by hand (1.00 is the same), in turns. The ratio is the middle of the rounds'\nown; again: in one element, once the browser has compiled what it runs.\n",
  );
  if (isWanted('rows')) {
    const code = await built('bench/rows.ts');
    for (const [count, rounds] of [
      [1_000, 32],
      [10_000, 8],
    ]) {
      const page = await pageWith(code);
      await page.waitForFunction('window.measure');
      show(`${count} rows  `, await page.evaluate(`measure(${count}, ${rounds})`));
      show(`${count} rows  again: `, await page.evaluate(`again(${count}, ${count > 5_000 ? 30 : 60})`));
      const [ours, byHand] = await page.evaluate(`heap(${count})`);
      console.log(
        `${count} rows  heap a row: ours ${ours.toFixed(0)} bytes, by hand ${byHand.toFixed(0)} bytes`,
      );
      await page.close();
    }
  }
  const code = await built('bench/elements.ts');
  if (isWanted('elements')) {
    const page = await pageWith(code);
    await page.waitForFunction('window.measureElements');
    show('', await page.evaluate('measureElements(24)'));
    await page.close();
  }
  if (isWanted('hydration')) show('', { 'hydrate 250 elements of 8 nodes': await hydration(code) });
} finally {
  await browser.close();
  server.close();
}

/** A page that a server wrote, opened many times: its elements are hydrated by the library and by hand in turns. */
async function hydration(code) {
  const { tsImport } = await import('tsx/esm/api');
  const { StallSign } = await tsImport('./elements-parts.ts', import.meta.url);
  const Signs = component('signs-page', {
    template: () =>
      el.main(Array.from({ length: 250 }, (_, n) => StallSign({ name: `Stall ${n}`, crates: n % 9 }))),
  });
  body = renderPage(Signs({}), { title: 'Stalls', form: 'elements' });
  const spent = [[], []];
  for (let round = 0; round < 40; round++) {
    for (const which of round % 2 === 0 ? [0, 1] : [1, 0]) {
      const page = await pageWith(code);
      await page.waitForFunction('window.hydrate');
      spent[which].push(await page.evaluate(`hydrate(${which === 0})`));
      await page.close();
    }
  }
  const median = (all) => [...all].sort((a, b) => a - b)[all.length >> 1];
  const [ours, byHand] = spent.map(median);
  return { ours, byHand, ratio: median(spent[0].map((time, at) => time / spent[1][at])) };
}

function show(where, results) {
  for (const [step, { ours, byHand, ratio }] of Object.entries(results)) {
    const figures = `ours ${ours.toFixed(2)} ms, by hand ${byHand.toFixed(2)} ms`;
    console.log(`${(where + step).padEnd(52)} ratio ${ratio.toFixed(2)}   ${figures}`);
  }
}
