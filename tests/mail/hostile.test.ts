import fc from 'fast-check';
import { type DefaultTreeAdapterTypes, parse } from 'parse5';
import { describe, expect, test } from 'vitest';
import { component, eachOf, el, prop } from 'zesty-lattice';
import { renderPage } from 'zesty-lattice/html';
import { renderMail } from 'zesty-lattice/mail';
import { hostile } from '../support/hostile.js';
import { runsOf } from '../support/runs.js';

const Row = prop.record({ title: prop.text(), note: prop.text(), about: prop.text(), stall: prop.text() });
const GroveMail = component('grove-mail', {
  props: { rows: prop.list(Row) },
  styles:
    'p { margin: 0 0 4px; color: #333 } .stall { font-weight: bold } pre { --tint: #eee; background: var(--tint) }',
  template: ({ props }) =>
    eachOf(props.rows, (row) => [
      el.p({ title: row.title, lang: 'en' }, row.note),
      el.a(
        { class: ['stall', row.stall], href: 'https://ninefold.example/', 'aria-label': row.about },
        row.title,
      ),
      el.pre({ 'data-note': row.note, style: { color: '#123' } }, row.about),
      el.textarea({ placeholder: row.stall }, row.title),
    ]),
});

/** What two fields of one row make together was the way in: signs of other languages, begun in one and ended in another. */
const signs = [
  '{{',
  '}}',
  '<%',
  '%>',
  'JUICE_CODE_BLOCK_0_',
  'JUICE_CODE_BLOCK_1_=""',
  'x-kept-0-',
  '$&',
  "$'",
];
const piece = fc.oneof(
  fc.constantFrom(...signs),
  fc.constantFrom(...hostile),
  fc.constantFrom(
    '"',
    "'",
    '<',
    '>',
    '&',
    '&quot;',
    ' onmouseover=',
    ';',
    ':',
    '\n',
    '\r',
    '\0',
    '\u00a0',
    '--!>',
  ),
  fc.string({ maxLength: 6 }),
);
const text = fc.array(piece, { maxLength: 5 }).map((all) => all.join(''));
const row = fc.record({ title: text, note: text, about: text, stall: text });

type Seen = readonly [tag: string, attributes: Readonly<Record<string, string>>, text: string];
const onlyInMail = /^(style|data-in|data-in-host)$/;

/** The elements of a document's body with their attributes, but for those that mails have instead of rules, and their text. */
function seen(html: string): readonly Seen[] {
  const all: Seen[] = [];
  const walk = (node: DefaultTreeAdapterTypes.Node): void => {
    if (!('childNodes' in node)) return;
    if ('tagName' in node && node.tagName !== 'style') {
      const attributes = node.attrs.filter(({ name }) => !onlyInMail.test(name));
      const own = node.childNodes.map((one) => ('value' in one ? one.value : '')).join('');
      all.push([node.tagName, Object.fromEntries(attributes.map(({ name, value }) => [name, value])), own]);
    }
    for (const child of node.childNodes) walk(child);
  };
  const whole = parse(html).childNodes.find(({ nodeName }) => nodeName === 'html');
  const body =
    whole && 'childNodes' in whole ? whole.childNodes.find(({ nodeName }) => nodeName === 'body') : undefined;
  if (body) walk(body);
  return all;
}

describe('data in a mail', () => {
  test('is what it is in a page, whatever it holds', () => {
    const { numRuns, seed } = runsOf('hostile texts in mails', 750);
    let texts = 0;
    fc.assert(
      fc.property(fc.array(row, { minLength: 100, maxLength: 100 }), (rows) => {
        const target = GroveMail({ rows });
        expect(seen(renderMail(target, { title: 'News' }).html)).toEqual(
          seen(renderPage(target, { title: 'News' })),
        );
        texts += rows.length * 4;
      }),
      { numRuns, seed },
    );
    expect(texts).toBeGreaterThanOrEqual(10_000);
    console.log(`${texts} hostile texts through renderMail`);
  });

  test('keeps no rule from being inlined', () => {
    const rows = [{ title: '{{ name', note: 'end }}', about: '<% x %>', stall: 'y' }];
    const { html } = renderMail(GroveMail({ rows }), { title: '{{ title }}' });
    expect(html).toMatch(/<p [^>]*style="margin: 0 0 4px; color: #333;?"/);
    expect(html).toContain('background: #eee');
    expect(html).toContain('<title>{{ title }}</title>');
  });

  test('is kept in inline styles, with quotes and addresses as they were', () => {
    const Banner = component('grove-banner', {
      props: { font: prop.text(), image: prop.text() },
      styles: 'p { color: #333; font-family: serif }',
      template: ({ props }) =>
        el.p({ style: { 'font-family': props.font, background: props.image, margin: '0' } }, 'Open day'),
    });
    const given = { font: `"Grove; Sans {{", 'x&y', serif`, image: `url("https://x.example/?a=1&b='2';3")` };
    const styleOf = (html: string): string | undefined =>
      seen(html.replaceAll('style=', 'data-look='))[1]?.[1]['data-look'];
    const looks = styleOf(renderMail(Banner(given), { title: 'x' }).html);
    expect(looks).toContain(`font-family: ${given.font}`);
    expect(looks).toContain(`background: ${given.image}`);
    expect(looks).toContain('margin: 0');
    expect(looks).toContain('color: #333');
  });
});
