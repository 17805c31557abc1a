import { expect, test } from 'vitest';
import { useBrowser } from '../support/browser.js';
import { bundle } from '../support/bundle.js';
import { runsOf } from '../support/runs.js';

const browser = useBrowser();

test('each component of the live example shows what its HTML text says, at first and after each of 20 random changes', async () => {
  const page = await browser.page('<!doctype html><title>Live</title><body></body>');
  const reported: string[] = [];
  page.on('console', (message) => reported.push(message.text()));
  await page.addScriptTag({
    content: await bundle(new URL('./live-demo-parts.ts', import.meta.url)),
    type: 'module',
  });
  await page.waitForFunction('window.compare');
  const names = await page.evaluate('names');
  expect(names).toHaveLength(6);
  for (const name of names as string[]) {
    const { numRuns, seed: first } = runsOf(name, 20);
    for (let seed = first; seed < first + numRuns; seed++) {
      expect(await page.evaluate(`compare('${name}', 20, ${seed})`)).toBeUndefined();
    }
  }
  expect(reported).toEqual([]);
});
