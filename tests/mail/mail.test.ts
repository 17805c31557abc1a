import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { calc, component, eachOf, el, prop, resolve, whenLoaded } from 'zesty-lattice';
import { renderHtmlAsync, renderPage } from 'zesty-lattice/html';
import { mail, renderMail, renderMailAsync } from 'zesty-lattice/mail';
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

  test('has a plain text that says the same', () => {
    const { text } = renderMail(Newsletter(props), { title: 'News' });
    expect(text).toContain('New on the stalls');
    expect(text).toContain('Quillrind · orange a few trees only\nSweet from the first bite');
    expect(text).toContain('See the whole day [https://ninefold.example/open-day]');
    expect(text).not.toMatch(/<|cellpadding/);
    for (const line of text.split('\n')) expect(line.length).toBeLessThanOrEqual(80);
  });

  test('tells what mail programs do not show, or cut', () => {
    const Wrong = component('mail-wrong', {
      template: () => [
        el.script({ src: 'https://ninefold.example/x.js' }),
        el.img({ src: '/crate.png' }),
        el.a({ href: 'open-day' }, 'Open day'),
        el.a({ href: 'https://ninefold.example' }, 'Home'),
        eachOf(
          Array.from({ length: 4_000 }, (_, n) => n),
          (n) => el.p('A line that makes it long ', n),
        ),
      ],
    });
    const { html, problems } = renderMail(Wrong(), { title: 'x' });
    expect(problems[0]?.code).toBe('mail-unfit');
    expect(html).not.toContain('<script');
    expect(problems.map(({ code, message }) => `${code}: ${message}`)).toEqual([
      'mail-unfit: The mail has a script, which no mail program runs.',
      'image-unnamed: The image "/crate.png" has no alt text.',
      'mail-unfit: The mail has src="/crate.png", which leads nowhere from a mail.',
      'mail-unfit: The mail has href="open-day", which leads nowhere from a mail.',
      expect.stringMatching(/^mail-unfit: The mail is \d+ KB, and some programs cut/),
    ]);
  });

  test('takes the attributes that only mail programs need where it says so, and nowhere else', () => {
    const Table = component('mail-table', {
      props: { tint: prop.text() },
      template: ({ props }) =>
        mail.table(
          {
            role: 'presentation',
            cellpadding: 0,
            cellspacing: 0,
            border: 0,
            width: '100%',
            bgcolor: props.tint,
          },
          mail.tbody(mail.tr({ valign: 'top' }, mail.td({ align: 'center', width: 40, id: 'x' }, 'a'))),
        ),
    });
    expect(resolve(Table({ tint: '#fff' })).problems).toEqual([]);
    expect(renderPage(Table({ tint: '#fff' }), { title: 'x' })).toContain(
      '<table role="presentation" cellpadding="0" cellspacing="0" border="0" width="100%" bgcolor="#fff"><tbody><tr valign="top"><td align="center" width="40" id="x">a</td></tr></tbody></table>',
    );
    // @ts-expect-error: HTML has no such attribute, and this is no mail's
    const Plain = component('plain-table', { template: () => el.table({ cellpadding: 0 }, el.tbody()) });
    expect(resolve(Plain()).problems.map(({ code }) => code)).toEqual(['attribute-unknown']);
    const Misspelt = component('mail-misspelt', {
      // @ts-expect-error: nor has a mail's table this one
      template: () => mail.table({ cellpading: 0 }, mail.tbody()),
    });
    expect(resolve(Misspelt()).problems.map(({ code }) => code)).toEqual(['attribute-unknown']);
  });

  test('waits for what its components load, and shows colours for light', async () => {
    const Loading = component('mail-loading', {
      props: { name: prop.text() },
      styles: `p { color: light-dark(rgb(1, 2, 3), light-dark(#fff, #000)); background: var(--none, #eee) }`,
      load: async ({ props }) => props.name,
      template: ({ data }) =>
        whenLoaded(data, { loaded: (name) => el.p(calc(name, (text) => `for ${text}`)) }),
    });
    const { html, text } = await renderMailAsync(Loading({ name: 'Ama' }), { title: 'x' });
    expect(text).toBe('for Ama');
    expect(html).toMatch(/<p style="color: rgb\(1, 2, 3\);[^"]*">for Ama<\/p>/);
    expect(await renderHtmlAsync(Loading({ name: 'Ama' }), { page: { title: 'x', mail: true } })).toBe(html);
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
