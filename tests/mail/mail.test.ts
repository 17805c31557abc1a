import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { renderPage } from 'zesty-lattice/html';
import { renderMail } from 'zesty-lattice/mail';
import Newsletter from '../../examples/orchard/newsletter/newsletter.js';
import { lattice, root } from '../cli/lattice.js';
import { useBrowser } from '../support/browser.js';

const props = JSON.parse(readFileSync(`${root}/examples/orchard/newsletter/newsletter.json`, 'utf8'));
const { page } = useBrowser();

/** What elements look like, by their tags and classes. */
const looks = `[...document.querySelectorAll('body *')].filter((one) => one.localName !== 'style').map((one) => {
  const { color, backgroundColor, fontSize, fontFamily, fontWeight, padding, margin, borderRadius, display, width, textAlign } = getComputedStyle(one);
  return [one.localName, one.className, color, backgroundColor, fontSize, fontFamily, fontWeight, padding, margin, borderRadius, display, width, textAlign].join(' | ');
})`;

describe('a mail', () => {
  test('looks as the page does, with no style element at all', async () => {
    const options = { title: 'News', styles: 'body { margin: 0 }' };
    const { html, bytes, problems } = renderMail(Newsletter(props), options);
    expect(problems).toEqual([]);
    expect(bytes).toBeLessThan(10_000);
    const viewport = { width: 600, height: 900 };
    const asPage = await page(renderPage(Newsletter(props), options), { viewport });
    const asMail = await page(html.replace(/<style>[\s\S]*?<\/style>/g, ''), { viewport });
    expect(await asMail.evaluate(looks)).toEqual(await asPage.evaluate(looks));
    expect(html).not.toContain('<script');
    expect(html).not.toMatch(/:where|light-dark/);
  });

  test('comes from the command, with its text beside it', () => {
    const base = 'examples/orchard/newsletter/newsletter';
    const { code, err } = lattice(
      'render',
      `${base}.ts`,
      '--props',
      `${base}.json`,
      '--mail',
      '--out',
      'out/test-mail.html',
    );
    expect(code).toBe(0);
    expect(err).toMatch(/^The mail is \d+\.\d KB; some programs cut what is longer than 102 KB\.\n$/);
    expect(readFileSync(`${root}/out/test-mail.txt`, 'utf8')).toContain('Tastings');
    expect(readFileSync(`${root}/out/test-mail.html`, 'utf8')).toContain('style="');
  });
});
