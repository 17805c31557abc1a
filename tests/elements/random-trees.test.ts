import { chromium } from 'playwright-core';
import { expect, test } from 'vitest';
import { browserOptions } from '../../scripts/browser.mjs';
import { bundle } from '../support/bundle.js';

test('2,000 random elements show what their HTML text says, at first and after each of 20 changes', async () => {
  const code = await bundle(new URL('./random-trees.ts', import.meta.url), { production: true });
  const browser = await chromium.launch(browserOptions);
  try {
    const page = await browser.newPage();
    await page.setContent('<!doctype html><title>Random</title>');
    await page.addScriptTag({ content: code, type: 'module' });
    await page.waitForFunction('window.compareRandomTrees');
    const told: string[] = [];
    page.on('console', (message) => told.push(message.text()));
    const { compared, writtenOut } = await page.evaluate<{ compared: number; writtenOut: number }>(
      'window.compareRandomTrees(2000, 20261123)',
    );
    expect(compared).toBe(2000);
    // Half of them are tried as the code that a build writes.
    expect(writtenOut).toBeGreaterThan(500);
    expect(told).toEqual([]);
  } finally {
    await browser.close();
  }
}, 180_000);
