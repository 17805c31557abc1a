import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { HtmlValidate } from 'html-validate';
import { describe, expect, test } from 'vitest';
import { resolve } from 'zesty-lattice';
import { renderPage } from 'zesty-lattice/html';
import { FairPage } from '../../examples/orchard/fair-page.js';
import data from '../../examples/orchard/open-day.json' with { type: 'json' };
import { useBrowser } from '../support/browser.js';
import { inRun } from '../support/runs.js';

const { page } = useBrowser();
const props = data as unknown as Parameters<typeof FairPage>[0];
const styles = readFileSync(new URL('../../examples/orchard/page.css', import.meta.url), 'utf8');
const html = renderPage(FairPage(props), { title: data.title, lang: 'en', styles });

describe('the open day page', () => {
  test('has no problems in its tree, and at least 14 components, 4 levels deep, 30 varieties', () => {
    const tree = resolve(FairPage, props);
    const uses = [...tree.walk()];
    expect(tree.problems).toEqual([]);
    expect(new Set(uses.map((use) => use.component)).size).toBeGreaterThanOrEqual(14);
    expect(Math.max(...uses.map((use) => use.path.split(' › ').length))).toBeGreaterThanOrEqual(4);
    expect(html.match(/<article class="variety/g)).toHaveLength(30);
  });

  test('is valid HTML', async () => {
    const report = await new HtmlValidate({ extends: ['html-validate:standard'] }).validateString(html);
    expect(report.results.flatMap((result) => result.messages)).toEqual([]);
  });

  test.each(
    inRun(
      [
        ['light', 1280],
        ['light', 360],
        ['dark', 1280],
        ['dark', 360],
      ] as const,
      ([scheme, width]) => (scheme === 'light') === (width === 360),
    ),
  )(
    'has nothing for axe to find, in %s at %i px, and does not scroll sideways',
    async (colorScheme, width) => {
      const at = await page(html, { colorScheme, viewport: { width, height: 800 } });
      await at.addScriptTag({ path: createRequire(import.meta.url).resolve('axe-core') });
      const violations = await at.evaluate(async () => {
        const { axe } = window as unknown as {
          axe: { run: () => Promise<{ violations: { id: string; nodes: { target: unknown }[] }[] }> };
        };
        return (await axe.run()).violations.map(
          ({ id, nodes }) => `${id}: ${nodes.map((node) => String(node.target)).slice(0, 3)}`,
        );
      });
      expect(violations).toEqual([]);
      expect(await at.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(width);
      await at.close();
    },
  );

  test('gives each panel and dialog an id and an opener of its own, and they work by keyboard', async () => {
    const at = await page(html, { viewport: { width: 1280, height: 800 } });
    const ids = await at.$$eval('[id]', (all) => all.map((element) => element.id));
    expect(new Set(ids).size).toBe(ids.length);
    for (const name of ['How we price', 'Save a seat']) {
      await at.getByRole('button', { name }).focus();
      await at.keyboard.press('Enter');
      const dialog = at.getByRole('dialog');
      expect(await dialog.count()).toBe(1);
      expect(await dialog.getAttribute('aria-labelledby')).toBeTruthy();
      await at.keyboard.press('Escape');
      expect(await dialog.count()).toBe(0);
    }
    await at.getByText('May I bring a dog?').focus();
    await at.keyboard.press('Enter');
    expect(await at.getByText('Yes, on a lead').isVisible()).toBe(true);
    await at.close();
  });
});
