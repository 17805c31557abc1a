import { chromium } from 'playwright-core';
import { expect, test } from 'vitest';
import { browserOptions } from '../../scripts/browser.mjs';
import { bundle } from '../support/bundle.js';
import { isLong } from '../support/runs.js';

const plannings = [
  ['planned as the page was built', './demo-ahead.ts', true],
  ['planned in the page', './demo-page.ts', false],
] as const;
test.runIf(isLong).each(plannings)(
  'every component of the orchard page shows as an element what its HTML text says, also after changes, %s',
  async (_how, parts, ahead) => {
    const code = await bundle(new URL(parts, import.meta.url), { ahead });
    const browser = await chromium.launch(browserOptions);
    try {
      const page = await browser.newPage();
      const reported: string[] = [];
      page.on('console', (message) => reported.push(message.text()));
      await page.setContent('<!doctype html><title>Demo</title><body></body>');
      await page.addScriptTag({ content: code, type: 'module' });
      await page.waitForFunction('window.both');
      const [shown, wanted] = (await page.evaluate('both()')) as [string, string];
      expect(shown).toBe(wanted);
      expect(shown.length).toBeGreaterThan(50_000);
      const changes = [
        '{ title: "Rain day", hours: "9 to 5" }',
        '{ varieties: [...data.varieties].reverse() }',
        '{ varieties: data.varieties.filter((one) => one.season === "late").map((one) => ({ ...one, crates: one.crates + 1, badge: "Late" })) }',
        '{ tastings: [], notices: [...data.notices, { tone: "good", title: "New", text: "Come <b>early</b>" }] }',
        '{ shifts: data.shifts.slice(1).map((one) => ({ ...one, names: [] })), log: [] }',
        '{ varieties: [], nav: [] }',
        '{ ...data }',
      ];
      for (const change of changes) {
        const [after, fresh] = (await page.evaluate(`alter(${change})`)) as [string, string];
        expect(after).toBe(fresh);
      }
      expect(reported).toEqual([]);
    } finally {
      await browser.close();
    }
  },
);
