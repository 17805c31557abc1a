import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { describe, expect, test } from 'vitest';
import type { AnyComponent } from 'zesty-lattice';
import * as lattice from 'zesty-lattice';
import { catalog, renderDocument } from 'zesty-lattice/markup';
import { adopt } from 'zesty-lattice-tools/adopt';
import { onlyProblem } from '../support/problems.js';

/** The component of a drawn module, made from its texts as its files would make it. */
function componentGeneric(adopted: ReturnType<typeof adopt>): AnyComponent {
  const { module, markup } = adopted;
  const body = module
    .replace(/^import .*$/gm, '')
    .replace(/markupFile\([^)]*\)/, () => JSON.stringify(markup))
    .replace(/export const \w+ =/, 'return');
  const names = Object.keys(lattice);
  // The module that was just written, not text from outside: this is how a test runs it.
  return new Function(...names, body)(...Object.values(lattice)) as AnyComponent;
}

/** Draws a component both ways and renders its sample again. */
function again(html: string, options: Omit<Parameters<typeof adopt>[1], 'name'> = {}) {
  return (['text', 'builders'] as const).map((as) => {
    const adopted = adopt(html, { name: 'fruit-card', as, ...options });
    const { html: rendered, problems } = renderDocument(
      adopted.sample,
      catalog([componentGeneric(adopted)], { foreign: [/-/] }),
      { styles: false },
    );
    expect(problems.filter(({ severity }) => severity === 'error')).toEqual([]);
    expect(adopted.sample).toContain('<fruit-card');
    return { ...adopted, rendered };
  });
}

const cards = `<ul class="row">
  <li class="card early" id="a"><img src="a.png" alt="" hidden>
    <h5>Dun<b>light</b></h5> <p>Thin &amp; sharp, "dry".</p><!-- kept --></li>
  <li class="card late" id="b"><img src="b.png" alt="" hidden>
    <h5>Salt<i>bell</i></h5> <p>Sweet {{ truly }}.</p><!-- kept --></li>
</ul>
`;

describe('blocks of one shape become a component', () => {
  test('a style’s values that differ are props, and an id and what refers to it are one', () => {
    const html = `<div style="color: red; margin: 0 4px">a</div><div style="color: url(a;b.png); margin: 0 4px">b</div>`;
    for (const { module, rendered, props } of again(html)) {
      expect(rendered).toBe(html);
      expect(props).toEqual(['color', 'text']);
      expect(module).toContain('color: prop.text()');
    }
    const fields = ['north', 'south']
      .map(
        (id) =>
          `<div><label for="${id}">${id} x</label><input id="${id}" type="text"><a href="#${id}">y</a></div>`,
      )
      .join('');
    for (const { rendered, props } of again(fields)) {
      expect(rendered).toBe(fields);
      expect(props).toEqual(['for', 'label']);
    }
  });

  test('whose props hold what differs, and whose sample is the original, byte for byte, in both writings', () => {
    for (const { rendered, props, blocks } of again(cards, { block: 'li', slots: { h5: 'title' } })) {
      expect(rendered).toBe(cards);
      expect(props).toEqual(['look', 'id', 'src', 'text']);
      expect(blocks).toBe(2);
    }
  });

  test('written as a person would', () => {
    const [text, builders] = again(cards, { block: 'li', slots: { h5: 'title' } });
    expect(text?.markup).toBe(`<li class="card {{look}}" id="{{id}}"><img src="{{src}}" alt="" hidden>
    <h5><slot name="title"></slot></h5> <p>{{text}}</p><!-- kept --></li>
`);
    expect(builders?.module).toContain("el.li(\n      { class: ['card', props.look], id: props.id },");
    expect(builders?.module).toContain(
      'props: { look: prop.text(), id: prop.text(), src: prop.text(), text: prop.text() },',
    );
  });

  test('the outermost elements where nothing else is asked for', () => {
    const html = '<p class="a">one</p>\n<p class="a">two</p>\n<hr>';
    for (const { rendered, props } of again(html)) {
      expect(rendered).toBe(html);
      expect(props).toEqual(['text']);
    }
    expect(adopt('<div><p>one</p></div><footer></footer>', { name: 'a-b' }).markup).toBe(
      '<div><p>one</p></div>\n',
    );
  });

  test('with words that look like interpolations kept as words', () => {
    const html = '<p title="{{ a }}">{{ b }} {{</p>';
    for (const { rendered } of again(html)) expect(rendered).toBe(html);
  });

  test('with whole pages around them left as they are', () => {
    const html = `<!DOCTYPE html>\n<html lang=en>\n<head><title>x</title></head>\n<body class=y>\n<nav class="bar"><a href="#a">A</a></nav>\n<br/>\n</body></html>\n`;
    for (const { rendered } of again(html, { slots: { a: 'default' } })) expect(rendered).toBe(html);
  });
});

const read = (path: string): string =>
  readFileSync(fileURLToPath(new URL(`../../node_modules/${path}`, import.meta.url)), 'utf8');

describe('the example markup of two CSS frameworks comes back byte for byte', () => {
  test.each([
    [
      'card',
      'uikit/tests/card.html',
      '.uk-card-hover:not(.uk-card-body)',
      { '.uk-card-title': 'title', p: 'default' },
      4,
    ],
    [
      'dialog',
      'uikit/tests/modal.html',
      '#modal-sections',
      { '.uk-modal-title': 'title', '.uk-modal-body': 'default', '.uk-modal-footer': 'footer' },
      1,
    ],
    ['navigation bar', 'uikit/tests/navbar.html', '.uk-navbar-transparent', {}, undefined],
    [
      'card',
      'spectre.css/docs/components/cards.html',
      '.card:has(.btn-group)',
      { '.card-title': 'title', '.card-body': 'default', '.card-footer': 'footer' },
      1,
    ],
    [
      'heading of a card',
      'spectre.css/docs/components/cards.html',
      '.card-header:not(:has(button))',
      {},
      undefined,
    ],
    [
      'dialog',
      'spectre.css/docs/components/modals.html',
      '.modal-sm',
      { '.modal-title': 'title', '.modal-body': 'default' },
      1,
    ],
    [
      'navigation bar',
      'spectre.css/docs/layout/navbar.html',
      '.navbar:has(.navbar-center)',
      { '.navbar-center': 'default' },
      undefined,
    ],
  ] as const)('a %s, from %s', (_what, path, block, slots, blocks) => {
    const html = read(path);
    for (const one of again(html, { block, slots })) {
      expect(one.rendered).toBe(html);
      expect(one.sample).not.toBe(html);
      if (blocks !== undefined) expect(one.blocks).toBe(blocks);
    }
  });
});

describe('what cannot be adopted', () => {
  const fails = (html: string, options: object = {}) =>
    onlyProblem(() => adopt(html, { name: 'a-b', file: 'x.html', ...options }));

  test.each([
    ['<p>a</p><p>b <i>c</i></p>', {}, '1:14'],
    ['<p class="a" id="c">a</p>\n<p id="b" class="a">b</p>', {}, '2:1'],
    ['<p>a</p><p style="color: blue">b</p>', {}, '1:1'],
    ['<p>a</p>', { props: { h5: 'title' } }, 'undefined:undefined'],
    ['<p style="color: red">a</p><p style="margin: 0">b</p>', {}, '1:28'],
    ['just text', {}, '1:1'],
    ['<p>a</p>', { block: 'li' }, 'undefined:undefined'],
    ['<p>a</p>', { block: '((' }, 'undefined:undefined'],
    ['<p>a</p>', { slots: { h5: 'title' } }, '1:1'],
  ])('%s %j is reported with its place', (html, options, place) => {
    const { code, source, hint } = fails(html, options);
    expect(code).toBe('adopt-failed');
    expect(`${source?.line}:${source?.column}`).toBe(place);
    expect(hint.length).toBeGreaterThan(10);
  });

  test('a name that no page takes', () => {
    expect(fails('<p>a</p>', { name: 'Card' }).code).toBe('name-invalid');
  });

  test('handlers written as text are left out, and said to be', () => {
    const { markup, notes } = adopt('<button onclick="go()">x</button>', { name: 'a-b' });
    expect(markup).toBe('<button>x</button>\n');
    expect(notes).toEqual([expect.stringContaining('onclick of <button> was left out')]);
  });
});

describe('what only some blocks have', () => {
  const blocks = `<article class="card"><h5>Dunlight</h5><button type="button">Take</button></article>
<article class="card"><h5 title="Rare">Saltbell</h5><button type="button" disabled>Take</button></article>`;

  test('becomes a flag, or a prop that may be left out, in both writings', () => {
    for (const { module, props, rendered, sample } of again(blocks)) {
      expect(rendered).toBe(blocks);
      expect(props).toEqual(['title', 'title2', 'disabled']);
      expect(module).toContain('title: prop.text().optional()');
      expect(module).toContain('disabled: prop.flag()');
      expect(sample).toContain('title2="Saltbell" disabled></fruit-card>');
    }
  });

  test('of one block, or the same in all, a prop may be asked for', () => {
    const html = '<article><h5>Dunlight</h5><a href="/d">More</a> <p>Thin skin.</p></article>';
    for (const { props, rendered, sample } of again(html, {
      props: { h5: 'fruit', 'a@href': 'to', p: 'note' },
    })) {
      expect(props).toEqual(['fruit', 'to', 'note']);
      expect(rendered).toBe(html);
      expect(sample).toBe('<fruit-card fruit="Dunlight" to="/d" note="Thin skin."></fruit-card>');
    }
  });
});

test.each([
  ['a class', '<p><b class="card__price">1</b></p><p><b class="card__price">2</b></p>', ['price']],
  ['a term', '<dl><dt>Opens at</dt><dd>9</dd></dl><dl><dt>Opens at</dt><dd>10</dd></dl>', ['opensAt']],
  ['the element around', '<div class="note"><p>a</p></div><div class="note"><p>b</p></div>', ['note']],
  [
    'a time with its text',
    '<p><time class="opens" datetime="9:00">nine</time></p><p><time class="opens" datetime="10:00">ten</time></p>',
    ['opensDatetime', 'opens'],
  ],
  ['no word of looks', '<p class="text-muted">a</p><p class="text-muted">b</p>', ['text']],
  ['nothing that every element has', '<p data-remove="a">x</p><p data-remove="b">x</p>', ['removeValue']],
])('props are named by %s', (_what, html, props) => {
  for (const { props: drawn, rendered } of again(html)) {
    expect(drawn).toEqual(props);
    expect(rendered).toBe(html);
  }
});
