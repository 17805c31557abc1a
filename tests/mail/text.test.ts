import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { calc, component, eachOf, el, prop, resolve, slot, whenLoaded } from 'zesty-lattice';
import { renderHtmlAsync, renderPage } from 'zesty-lattice/html';
import { mail, renderMail, renderMailAsync } from 'zesty-lattice/mail';
import Newsletter from '../../examples/orchard/newsletter/newsletter.js';

const props = JSON.parse(
  readFileSync(new URL('../../examples/orchard/newsletter/newsletter.json', import.meta.url), 'utf8'),
);

describe('the text of a mail', () => {
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

  test('follows selectors in selectors, by what they count; what its slots are given is reached', () => {
    const Letter = component('mail-letter', {
      slots: { default: slot() },
      styles: `b:where(section :not(.x, .y)) { color: red } section :is(b, i), u { color: blue }
        section ::slotted(i) { color: green } :where(b) { font-weight: 300 }`,
      template: ({ slots }) => el.section(slots.default(), el.b('own'), el.u('u')),
    });
    const { html, problems } = renderMail(Letter({}, el.i('given')), { title: 'x' });
    expect(/<section[\s\S]*section>/.exec(html)?.[0]).toBe(
      '<section><i style="color: green;">given</i><b style="font-weight: 300; color: blue;">own</b><u style="color: blue;">u</u></section>',
    );
    expect(problems).toEqual([]);
  });

  test('keeps marks only where rules for some screens need them, and texts that look like its own signs', () => {
    const rules = (styles: string): string => {
      const Note = component('mail-note', { styles, template: () => el.p('x-kept-0- x-kept0-1- x-kept') });
      return renderMail(Note(), { title: 'x' }).html;
    };
    expect(rules('p { color: red }')).not.toContain('data-in');
    expect(rules('@media (width < 400px) { p { color: red } }')).toMatch(
      /<style[\s\S]*data-in[\s\S]*<p data-in="mail-note">/,
    );
    expect(rules('p { color: red }')).toContain('>x-kept-0- x-kept0-1- x-kept</p>');
  });

  test('says how long a mail is that programs cut', () => {
    const Long = component('mail-long', { template: () => el.p('line '.repeat(30_000)) });
    const { html, problems } = renderMail(Long(), { title: 'x' });
    const size = Math.ceil(new TextEncoder().encode(html).length / 1024);
    expect(problems.map(({ message }) => message)).toEqual([
      `The mail is ${size} KB, and some programs cut what is longer than 102 KB.`,
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
});
