import { chromium } from 'playwright-core';
import { expect, test } from 'vitest';
import { component, el, prop } from 'zesty-lattice';
import { renderHtml } from 'zesty-lattice/html';
import { plainHtml, readableHtml } from 'zesty-lattice-tools/testing';
import { browserOptions } from '../../scripts/browser.mjs';
import { bundle } from '../support/bundle.js';

const Sign = component('tree-sign', {
  props: { text: prop.text() },
  styles: 'b { margin: 0 } :host { display: block }',
  template: ({ props }) =>
    el.section(el.p(el.b(props.text), ' stands', el.br(), 'here'), el.pre(' kept\n as is')),
});

test('HTML text is compared without marks, and read in lines', () => {
  expect(plainHtml(Sign, { text: 'data-in="x" <' })).toBe(
    '<section><p><b>data-in="x" &lt;</b> stands<br>here</p><pre> kept\n as is</pre></section>',
  );
  expect(readableHtml(Sign({ text: 'Dunlight' }))).toBe(
    '<section>\n  <p><b>Dunlight</b> stands<br>here</p>\n  <pre> kept\n as is</pre>\n</section>',
  );
  expect(renderHtml(Sign, { text: 'x' }, { pretty: true })).toMatch(
    /^<lattice-host data-in-host="tree-sign">\n {2}<section data-in="tree-sign">\n {4}<p /,
  );
});

test('what is laid out for people says the same to a parser, but for white space', async () => {
  const browser = await chromium.launch(browserOptions);
  const page = await browser.newPage();
  const html = [
    '<!doctype html><ul><li>a<li>b</ul><!-- <p> --><p>one<p>two <b>x</i></b> <',
    '<div title="a>b" hidden data-x=\'"\'>x < y &amp; <span> z </span></div><script>if (a < b) "</p>"</script><textarea> </p> </textarea>',
    `<p>${'<b>long</b> words '.repeat(20)}</p><svg viewBox="0 0 1 1"><path d="M0 0"/><circle r="1"></circle></svg>`,
  ];
  for (const one of html) {
    const { pretty } = await import('../../packages/lattice/src/html/pretty.js');
    const read = (text: string): Promise<unknown> =>
      page.evaluate((given) => {
        const said = (node: Node): unknown =>
          node instanceof Element
            ? [
                node.localName,
                [...node.attributes].map(({ name, value }) => `${name}=${value}`),
                [...node.childNodes].map(said),
              ]
            : (node.textContent ?? '').replace(/\s+/g, '');
        const merged = (value: unknown): string =>
          JSON.stringify(value).replaceAll('"",', '').replaceAll(',""', '').replaceAll('""', '');
        return merged(said(new DOMParser().parseFromString(given, 'text/html').documentElement));
      }, text);
    expect(await read(pretty(one))).toEqual(await read(one));
  }
  await browser.close();
});

test('an element is mounted, set, waited for and taken out', async () => {
  const browser = await chromium.launch(browserOptions);
  const page = await browser.newPage();
  await page.setContent('<!doctype html><title>Mounted</title><body></body>');
  await page.addScriptTag({
    content: await bundle(new URL('./mount-page.ts', import.meta.url)),
    type: 'module',
  });
  await page.waitForFunction('globalThis.counted');
  const found = (await page.evaluate('counted()')) as Record<string, unknown>;
  expect(found).toMatchObject({
    shown: '1',
    sent: [{ name: 'changed', detail: { label: 'Dunlight', count: 1 } }],
    isFull: true,
    isThere: false,
  });
  expect(found.missing).toMatch(/^<crate-counter> shows no table\. It shows:\n<button /);
  expect(found.html).toMatch(/^<button type="button" aria-label="One crate of Dunlight less"/);
  expect(await page.evaluate('filled()')).toEqual(['Bring <b>a lamp</b>.', 3]);
  expect(await page.evaluate('waited()')).toEqual({
    shown: 'North 12 kg0',
    detail: { kilos: 12 },
    said: [[expect.stringMatching(/^error handler-failed: /), 'Error: the crate fell']],
    late: 'No event "weighed" came within 20 milliseconds.',
  });
  expect(await page.evaluate('refused()')).toEqual([
    expect.stringMatching(/^error prop-invalid: The prop "from" of weighing-note expects text/),
    expect.stringMatching(/^error prop-unknown: /),
    'mounted',
    'LatticeError',
  ]);
  expect(await page.evaluate('inContent()')).toBe('West 12 kg0');
  await browser.close();
});
