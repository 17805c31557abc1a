import axe from 'axe-core';
import { expect, test } from 'vitest';
import { check } from 'zesty-lattice-tools/check';
import { useBrowser } from '../support/browser.js';
import { runsOf } from '../support/runs.js';

// What axe-core names on random pages is named by the check as well, for all of its rules of WCAG A and AA that need no
// layout, and for those about headings and landmarks that the check is about.

/** Rules that look at a page as it is drawn. */
const drawn = [
  'color-contrast',
  'target-size',
  'scrollable-region-focusable',
  'link-in-text-block',
  'css-orientation-lock',
];
const others = ['empty-heading', 'heading-order', 'landmark-no-duplicate-main'];

const pieces = [
  '<button type="button">TEXT</button>',
  '<button type="button" ATTR></button>',
  '<button type="button"><img src="data:," ALT></button>',
  '<button type="button"><svg viewBox="0 0 1 1" aria-hidden="true"><path d="M0 0"></path></svg>TEXT</button>',
  '<a href="#x1">TEXT</a>',
  '<a href="#x1" ATTR></a>',
  '<a href="#x1"><img src="data:," ALT></a>',
  '<a href="#x1"><span hidden>x</span></a>',
  '<a href="#x1"><b aria-label="x" role="img"></b></a>',
  '<input type="text" ATTR>',
  '<input type="checkbox" id="IDN">',
  '<label for="IDN">TEXT</label><input type="text" id="IDN">',
  '<label>TEXT <input type="text"></label>',
  '<input type="submit">',
  '<input type="submit" value="">',
  '<input type="button" ATTR>',
  '<input type="button" value="x">',
  '<input type="image" src="data:," ALT>',
  '<input type="hidden" name="x">',
  '<select ATTR><option>x</option></select>',
  '<label>x <select><option>x</option></select></label>',
  '<textarea ATTR></textarea>',
  '<textarea placeholder="TEXT"></textarea>',
  '<img src="data:," ALT>',
  '<iframe src="about:blank" ATTR></iframe>',
  '<details><summary>TEXT</summary><p>x</p></details>',
  '<details><summary ATTR></summary><p>x</p></details>',
  '<h2>TEXT</h2>',
  '<h2></h2>',
  '<h2><img src="data:," ALT></h2>',
  '<h4>deep</h4>',
  '<main><p>x</p></main>',
  '<div role="button" tabindex="0" ATTR></div>',
  '<div role="img" ATTR></div>',
  '<svg role="img" viewBox="0 0 1 1" ATTR><path d="M0 0"></path></svg>',
  '<svg role="img" viewBox="0 0 1 1"><title>TEXT</title><path d="M0 0"></path></svg>',
  '<span role="checkbox" aria-checked="false" tabindex="0" ATTR></span>',
  '<p id="IDN">x</p>',
  '<ul><li>x</li></ul>',
  '<div aria-hidden="true"><img src="data:,"></div>',
  '<div hidden><button type="button"></button></div>',
  '<table><tbody><tr><td>x</td></tr></tbody></table>',
];
const attributes = [
  '',
  '',
  'aria-label="x"',
  'aria-label=""',
  'title="x"',
  'aria-labelledby="x1"',
  'aria-labelledby="gone"',
  'aria-label="  "',
];
const alts = ['', 'alt=""', 'alt="x"'];
const texts = ['x', 'x', ' ', ''];

function pageOf(random: (below: number) => number): string {
  const one = (list: readonly string[]): string => list[random(list.length)] ?? '';
  let number = 0;
  const body = Array.from({ length: 3 + random(8) }, () => {
    if (random(3) > 0) number++;
    return one(pieces)
      .replaceAll('ATTR', one(attributes))
      .replaceAll('ALT', one(alts))
      .replaceAll('TEXT', one(texts))
      .replaceAll('IDN', `n${number}`);
  });
  const lang = one([
    ' lang="en"',
    ' lang="en"',
    ' lang="en"',
    '',
    ' lang="zz-zz-wrong-12"',
    ' lang="xyzzy"',
    ' lang=""',
  ]);
  const title = one(['<title>x</title>', '<title>x</title>', '<title>x</title>', '', '<title> </title>']);
  return `<!doctype html>\n<html${lang}><head>${title}</head><body><h1 id="x1">x</h1>\n${body.map((piece, index) => `<div data-line="${index + 3}">${piece}</div>`).join('\n')}\n</body></html>`;
}

const browser = useBrowser();

test('all that axe-core names is named', { timeout: 300_000 }, async () => {
  const { numRuns, seed } = runsOf('heard', 200);
  let state = seed;
  const random = (below: number): number => {
    state = (state * 16_807 + 11) % 2_147_483_647;
    return state % below;
  };
  const page = await browser.page('');
  let named = 0;
  for (let run = 0; run < numRuns; run++) {
    const html = pageOf(random);
    const { problems } = await check([], { input: html });
    await page.setContent(html);
    await page.evaluate(axe.source);
    const found = await page.evaluate(
      async ({ drawn, others }) => {
        const { axe } = window as unknown as { axe: typeof import('axe-core') };
        const { violations } = await axe.run(document, {
          runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'],
          rules: {
            ...Object.fromEntries(drawn.map((id) => [id, { enabled: false }])),
            ...Object.fromEntries(others.map((id) => [id, { enabled: true }])),
          },
        });
        return violations.flatMap(({ id, nodes }) =>
          nodes.map(({ html, target }) => {
            const around = document.querySelector(String(target[0]))?.closest('[data-line]');
            return { id, html, line: Number(around?.getAttribute('data-line') ?? 2) };
          }),
        );
      },
      { drawn, others },
    );
    for (const { html: element, id, line } of found) {
      named++;
      // Of two, one is named by each.
      const met = problems.some(({ code, source }) =>
        id === 'landmark-no-duplicate-main' ? code === 'main-doubled' : source?.line === line,
      );
      expect(
        met,
        `${id}: ${element}\n${html}\n${problems.map(({ code, source }) => `${source?.line} ${code}`).join('\n')}`,
      ).toBe(true);
    }
  }
  expect(named).toBeGreaterThan(numRuns);
});
