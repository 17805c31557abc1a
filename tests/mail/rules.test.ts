// What rules of a mail come to: those of today's CSS are worked out where an attribute can say them, else told.
import { describe, expect, test } from 'vitest';
import { component, el, prop, trusted } from 'zesty-lattice';
import { renderPage } from 'zesty-lattice/html';
import { renderMail } from 'zesty-lattice/mail';

/** A mail of one component with some rules: its body, its style element, and what is said of it. */
function mail(
  styles: string,
  template = () => el.main(el.p({ class: 'a b', id: 'p' }, el.b('x')), el.i('y')),
  page = '',
) {
  const Note = component('rule-note', { styles, template });
  const { html, problems } = renderMail(Note(), { title: 'x', ...(page !== '' && { styles: page }) });
  return {
    body: /<main[\s\S]*<\/main>/.exec(html)?.[0],
    rest: /<style>([\s\S]*?)<\/style>/.exec(html)?.[1],
    said: problems.map(({ message }) => message),
  };
}

describe('rules of a mail', () => {
  test.each([
    ['a list in :is()', ':is(p, i) { color: red }', 'color: red;', 'color: red;'],
    ['what counts', 'p { color: red } p.a { color: blue } .a { color: green }', 'color: blue;', undefined],
    [
      'an id in :is() counts for all of it',
      ':is(#none, p) { color: red } p.a.b { color: blue }',
      'color: red;',
      undefined,
    ],
    ['what is later', '.a { color: red } .b { color: blue }', 'color: blue;', undefined],
    ['important', 'p { color: red !important } p.a { color: blue }', 'color: red !important;', undefined],
    [
      'a shorthand after what it sets',
      '.a { margin-top: 1px } p.a { margin: 2px }',
      'margin-top: 1px; margin: 2px;',
      undefined,
    ],
    [
      'nested rules',
      'main { & > p { color: red } i { color: blue } p { &.a { margin: 0 } } }',
      'color: red; margin: 0;',
      'color: blue;',
    ],
    ['nested lists', 'p, i { main > & { color: red } }', 'color: red;', 'color: red;'],
    [
      'layers',
      '@layer low, high; @layer high { p { color: red } } @layer low { p.a.b { color: blue } }',
      'color: red;',
      undefined,
    ],
    [
      'what stands in no layer',
      '@layer low { p.a.b { color: blue } } p { color: red }',
      'color: red;',
      undefined,
    ],
    [
      'important in layers',
      '@layer low { p { color: blue !important } } p { color: red !important }',
      'color: blue !important;',
      undefined,
    ],
    [
      'layers in layers',
      '@layer a { p { color: red } @layer b { p.a { color: blue } } }',
      'color: red;',
      undefined,
    ],
    [
      'variables',
      'main { --ink: red; --edge: var(--ink) } p { color: var(--edge) } i { color: var(--none, blue) }',
      'color: red;',
      'color: blue;',
    ],
    [
      'a variable that is none',
      'main { --a: var(--a) } p { color: var(--a); margin: 0 } i { color: var(--a, green) }',
      'margin: 0;',
      'color: green;',
    ],
    [
      ':not() with a list, :has(), :nth-child()',
      'p:not(.x, .y):has(b) { color: red } i:nth-child(2) { color: blue }',
      'color: red;',
      'color: blue;',
    ],
    ['light for light and dark', 'p { color: light-dark(red, blue) }', 'color: red;', undefined],
  ])('%s', (_name, rules, ofP, ofI) => {
    const { body, rest, said } = mail(rules);
    expect(body?.replace(/<main[^>]*>/, '<main>')).toBe(
      `<main><p class="a b" id="p"${ofP ? ` style="${ofP}"` : ''}><b>x</b></p><i${ofI ? ` style="${ofI}"` : ''}>y</i></main>`,
    );
    expect(rest).toBeUndefined();
    expect(said).toEqual([]);
  });

  test.each([
    [
      '@supports (display: grid) { p { color: red } }',
      'has rules in @supports, which few mail programs read',
      '@supports (display: grid) {',
    ],
    [
      'p::before { content: "–" }',
      'has rules for "p::before", which few mail programs show',
      'p[data-in~="rule-note"]::before { content: "–" !important }',
    ],
    [
      '@container (width > 1px) { p { color: red } }',
      'has rules in @container',
      '@container (width > 1px) {',
    ],
  ])('%s stays in a style element, and that is told', (rules, said, rest) => {
    const found = mail(rules);
    expect(found.rest).toContain(rest);
    expect(found.said).toEqual([expect.stringContaining(said)]);
  });

  test('for a moment or for some screens stay, and win over what stands in elements', () => {
    const { body, rest, said } = mail(
      'p { color: red } @media (prefers-color-scheme: dark) { p { color: white; margin: 0 } i { color: gray } } i:hover { color: blue }',
    );
    expect(body).toContain('style="color: red;"');
    expect(rest?.replace(/\[data-in[^\]]*\]/g, '')).toBe(
      '@media (prefers-color-scheme: dark) {\np { color: white !important; margin: 0 !important }\ni { color: gray !important }}\n\ni:hover { color: blue !important }',
    );
    expect(said).toEqual([]);
  });

  test('@import and what no mail program knows are told and left out; nothing stops', () => {
    const { body, rest, said } = mail(
      'p { color: red }',
      undefined,
      '@import url("x.css"); @page { margin: 0 } @charset "utf-8"; p:foo(bar) { color: blue } i { margin: 0 }',
    );
    expect(body).toContain('<p class="a b" id="p" style="color: red;">');
    expect(body).toContain('<i style="margin: 0;">');
    expect(rest).toBeUndefined();
    expect(said).toEqual([
      'The mail has @import, which no mail program follows.',
      'The mail has @page, which no mail program knows.',
      'The mail has rules for "p:foo(bar)", which are left out.',
    ]);
  });

  test('that cannot be read are left out and told, and no others with them; those of a medium stay of it', () => {
    const said: string[] = [];
    const Still = component('still-note', {
      styles: 'i { color: red }',
      template: () => el.main(el.i('y')),
    });
    const still = renderPage(Still(), {
      title: 'x',
      mail: true,
      head: trusted('<style>p { color: red</style>'),
      onProblem: ({ message }) => said.push(message),
    });
    expect(said).toEqual([expect.stringMatching(/^The mail has rules that cannot be read: /)]);
    expect(still).toContain('<i style="color: red;">');
    const Note = component('media-note', { template: () => el.main(el.p('x')) });
    const head = trusted('<style media="print">p { color: black }</style>');
    const html = renderPage(Note(), { title: 'x', mail: true, head, onProblem: () => undefined });
    expect(html).toContain('<p>x</p>');
    expect(html).toContain('@media print {\np { color: black !important }}');
  });

  test('sizes stand in attributes, too, where mail programs read them there', () => {
    const Sized = component('sized-note', {
      styles: 'table { width: 100% } td { width: 44px; height: 2em } img { width: 60px; height: 40px }',
      template: () =>
        el.table(
          el.tbody(el.tr(el.td(el.img({ src: 'https://ninefold.example/a.png', alt: '', width: 30 })))),
        ),
    });
    const { html } = renderMail(Sized(), { title: 'x' });
    expect(html).toContain('<table width="100%" style="width: 100%;">');
    expect(html).toContain('<td width="44" style="width: 44px; height: 2em;">');
    expect(html).toContain('width="30" height="40" style="width: 60px; height: 40px;">');
  });
});

describe('addresses of a mail', () => {
  const Links = component('link-note', {
    props: { at: prop.text() },
    styles: 'p { background: url("peel.png") }',
    template: ({ props }) =>
      el.main(
        el.p({ style: { 'list-style-image': 'url(dot.svg)' } }, 'x'),
        el.a({ href: props.at }, 'a'),
        el.a({ href: '#p' }, 'b'),
        el.img({ src: '/a.png', srcset: '/a.png 1x, b.png 2x,https://other.example/c.png 3x', alt: '' }),
        el.form({ action: 'order' }),
      ),
  });

  test('are those of a base, wherever they stand', () => {
    const { html, problems } = renderMail(Links({ at: 'day?x=1&y=2' }), {
      title: 'x',
      base: 'https://ninefold.example/news/',
    });
    expect(problems).toEqual([]);
    const whole = [...html.matchAll(/(?:href|src|srcset|action|style)="([^"]*)"/g)].map(([, value]) => value);
    expect(whole).toEqual([
      'background: url(&quot;https://ninefold.example/news/peel.png&quot;); list-style-image: url(&quot;https://ninefold.example/news/dot.svg&quot;);',
      'https://ninefold.example/news/day?x=1&amp;y=2',
      '#p',
      'https://ninefold.example/a.png',
      'https://ninefold.example/a.png 1x, https://ninefold.example/news/b.png 2x,https://other.example/c.png 3x',
      'https://ninefold.example/news/order',
    ]);
  });

  test('are looked at once, however long the text is that they stand in', () => {
    const Hostile = component('hostile-note', {
      props: { text: prop.text() },
      template: ({ props }) =>
        el.p(
          { style: { 'font-family': props.text } },
          el.img({ src: 'https://ninefold.example/a.png', srcset: props.text, alt: '' }),
        ),
    });
    // What grows with the square of 200,000 characters takes minutes.
    for (const text of [`a${','.repeat(200_000)}b`, `a${' '.repeat(200_000)}b`, `"${'\t'.repeat(200_000)}"`])
      expect(renderMail(Hostile({ text }), { title: 'x' }).html.length).toBeGreaterThan(200_000);
  });

  test('without one are told, each', () => {
    const said = renderMail(Links({ at: 'day' }), { title: 'x' }).problems.map(({ message }) => message);
    expect(said).toEqual(
      [
        'style="peel.png"',
        'style="dot.svg"',
        'href="day"',
        'src="/a.png"',
        'srcset="/a.png"',
        'srcset="b.png"',
        'action="order"',
      ].map((what) => `The mail has ${what}, which leads nowhere from a mail.`),
    );
  });
});

describe('the plain text', () => {
  const Letter = component('text-letter', {
    template: () =>
      el.main(
        el.div({ hidden: true }, 'What the list of mails shows'),
        el.h1('Open day'),
        el.p(
          'Walk the rows, taste at the long table, and carry a crate home, as every year since the first grove was planted.',
        ),
        el.ul(
          el.li('Early rows'),
          el.li('Peels ', el.a({ href: 'https://ninefold.example/peels' }, 'and oils')),
        ),
        el.table(
          el.tbody(
            el.tr(el.th('Variety'), el.th('Crates')),
            el.tr(el.td('Dunlight'), el.td('3')),
            el.tr(el.td('Saltbell'), el.td('12')),
          ),
        ),
        el.p(
          el.a({ href: 'https://ninefold.example' }, 'https://ninefold.example'),
          ' ',
          el.a({ href: 'mailto:open@ninefold.example' }, 'open@ninefold.example'),
        ),
        el.p(
          el.a({ href: 'https://ninefold.example/peels' }, 'Again'),
          ' ',
          el.a({ href: '#top' }, 'Up'),
          ' ',
          el.a(
            { href: 'https://ninefold.example/day' },
            el.img({ src: 'https://ninefold.example/a.png', alt: 'Map' }),
          ),
        ),
      ),
  });

  test('has lists, tables by columns, links in place, in lines of 72, and nothing twice', () => {
    expect(renderMail(Letter(), { title: 'x' }).text).toBe(`Open day

Walk the rows, taste at the long table, and carry a crate home, as every
year since the first grove was planted.

- Early rows
- Peels and oils [https://ninefold.example/peels]

Variety    Crates
Dunlight   3
Saltbell   12

https://ninefold.example open@ninefold.example

Again [https://ninefold.example/peels] Up [https://ninefold.example/day]`);
  });

  test('or has links at the end, each address once', () => {
    const { text } = renderMail(Letter(), { title: 'x', links: 'at the end' });
    expect(text).toContain('- Peels and oils [1]\n');
    expect(text).toContain(
      'Again [1] Up [2]\n\n[1] https://ninefold.example/peels\n[2] https://ninefold.example/day\n',
    );
    expect(text.match(/peels/g)).toHaveLength(1);
  });
});
