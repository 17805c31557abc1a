// npm run bench:taking-over: what it costs to hold all that a server wrote against the component, where nothing differs.
import { chromium } from 'playwright-core';
import { build as bundle } from 'vite';
import { browserOptions } from '../scripts/browser.mjs';
import { build, install, needChromium, root } from '../scripts/setup.mjs';

install();
needChromium();
build();
const { register } = await import('tsx/esm/api');
register();
const { lattice } = await import('zesty-lattice-tools/vite');
const { renderPage } = await import('zesty-lattice/html');
const { component, el } = await import('zesty-lattice');
const { FixedStall } = await import('../tests/elements/fights-parts.ts');

async function code(compareFixed) {
  const [{ output }] = await bundle({
    configFile: false,
    root,
    logLevel: 'error',
    plugins: [lattice({ compareFixed }).filter(({ name }) => name !== 'zesty-lattice:checking')],
    resolve: { conditions: ['production'] },
    build: {
      write: false,
      target: 'es2022',
      lib: { entry: 'bench/taking-over.ts', formats: ['es'], fileName: 'taking-over' },
    },
  });
  return output[0].code;
}

const ways = { 'what changes alone': await code(false), 'all of it': await code(true) };
const count = 1_000;
const Stalls = component('stalls-page', {
  template: () => el.main(Array.from({ length: count }, () => FixedStall({ note: 'four' }))),
});
const html = renderPage(Stalls({}), { title: 'Stalls', form: 'elements' });
const browser = await chromium.launch(browserOptions);
try {
  const page = await browser.newPage();
  const reported = [];
  page.on('console', (message) => reported.push(message.text()));
  await page.route('**/*', (route) => route.fulfill({ contentType: 'text/html', body: html }));
  const times = Object.fromEntries(Object.keys(ways).map((way) => [way, []]));
  for (let round = 0; round < 24; round++) {
    for (const [way, script] of Object.entries(ways)) {
      await page.goto('http://orchard.test/');
      await page.addScriptTag({ content: script, type: 'module' });
      await page.waitForFunction('window.take');
      const time = await page.evaluate('take()');
      if (round >= 4) times[way].push(time);
    }
  }
  if (reported.length > 0) throw new Error(`Something differs: ${reported[0]}`);
  const median = (all) => all.sort((a, b) => a - b)[all.length >> 1];
  for (const [way, all] of Object.entries(times))
    console.log(`${count} elements taken over, looking at ${way.padEnd(18)} ${median(all).toFixed(1)} ms`);
} finally {
  await browser.close();
}
