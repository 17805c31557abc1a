import { chromium } from 'playwright-core';
import { expect, test } from 'vitest';
import { browserOptions } from '../../scripts/browser.mjs';
import { bundle } from '../support/bundle.js';
import { isLong, runsOf } from '../support/runs.js';
import { frame } from '../support/waiting.js';

const plannings = [
  ['planned as the page was built', './parts-ahead.ts', true],
  ['planned in the page', './parts-page.ts', false],
] as const;
test.each(isLong ? plannings : plannings.slice(0, 1))(
  'rounds of coming and going leave heap, nodes and listeners as they were, %s',
  async (_how, parts, ahead) => {
    const code = await bundle(new URL(parts, import.meta.url), { production: true, ahead });
    const browser = await chromium.launch(browserOptions);
    try {
      const page = await browser.newPage();
      await page.setContent('<!doctype html><title>Leaks</title><body></body>');
      await page.evaluate('window.lifeLog = { push() {} }');
      await page.addScriptTag({ content: code, type: 'module' });
      await page.waitForFunction('window.parts');
      await page.evaluate('register(...Object.values(parts))');
      const devtools = await page.context().newCDPSession(page);
      await devtools.send('Performance.enable');
      const figures = async (): Promise<Record<string, number>> => {
        await frame(page);
        await devtools.send('HeapProfiler.collectGarbage');
        await devtools.send('HeapProfiler.collectGarbage');
        const { metrics } = await devtools.send('Performance.getMetrics');
        return Object.fromEntries(metrics.map(({ name, value }) => [name, value]));
      };
      const rounds = (count: number): Promise<unknown> =>
        page.evaluate(`(async () => {
        for (let round = 0; round < ${count}; round++) {
          const hosts = ['life-log', 'crate-counter', 'pick-list'].map((name) => document.createElement(name));
          hosts[1].label = 'Crates';
          hosts[2].items = [{ id: 1, name: 'a' }, { id: 2, name: 'b' }];
          document.body.append(...hosts);
          hosts[1].start = round;
          await Promise.resolve();
          for (const host of hosts) host.remove();
          if (round % 200 === 0) await new Promise((done) => setTimeout(done));
        }
      })()`);
      await rounds(500);
      const before = await figures();
      await rounds(runsOf('comings and goings', 10_000).numRuns);
      const after = await figures();
      expect(after.JSEventListeners).toBeLessThanOrEqual((before.JSEventListeners ?? 0) + 5);
      expect(after.Nodes).toBeLessThanOrEqual((before.Nodes ?? 0) + 50);
      expect(after.JSHeapUsedSize).toBeLessThan((before.JSHeapUsedSize ?? 0) * 1.1 + 300_000);
    } finally {
      await browser.close();
    }
  },
  120_000,
);
