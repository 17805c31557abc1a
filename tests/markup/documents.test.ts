import { readdirSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { describe, expect, test } from 'vitest';
import { component, eachOf, el, prop, slot } from 'zesty-lattice';
import { catalog, renderDocument } from 'zesty-lattice/markup';
import { onlyProblem } from '../support/problems.js';

const NoticeBox = component('notice-box', {
  props: { title: prop.text(), crates: prop.number().fallback(0) },
  slots: { default: slot.required(), footer: slot() },
  template: ({ props, slots }) => el.section(el.h2(props.title), slots.default(), slots.footer()),
});
const StallSign = component('stall-sign', {
  props: { name: prop.text() },
  styles: 'p { color: red }',
  template: ({ props }) => el.p(props.name),
});
const NameList = component('name-list', {
  props: { names: prop.list(prop.record({ name: prop.text() })) },
  slots: { row: slot.with(prop.record({ name: prop.text() })) },
  template: ({ props, slots }) => el.ul(eachOf(props.names, (name) => el.li(slots.row(name)))),
});
const TapCount = component('tap-count', {
  props: { label: prop.text() },
  state: () => ({ count: 0 }),
  handlers: { add: ({ state }) => ({ count: state.count + 1 }) },
  template: ({ props, state, handlers }) =>
    el.button({ on: { click: handlers.add() } }, props.label, state.count),
});
const all = catalog([NoticeBox, StallSign, NameList, TapCount]);

const frame = (body: string): string => `<!DOCTYPE html>
<!-- top --><HTML lang=en>
<head><title>A &amp; B</title>
</head>
<body class='x'  id=y>
${body}
</body>
</html>
<!-- end -->
`;

describe('a document comes back', () => {
  const root = fileURLToPath(new URL('../../node_modules/', import.meta.url));
  const pages = ['uikit', 'spectre.css', 'dygraphs', 'leaflet'].flatMap((name) =>
    readdirSync(root + name, { recursive: true, encoding: 'utf8' })
      .filter((path) => path.endsWith('.html') && !path.includes('node_modules'))
      .map((path) => `${root}${name}/${path}`),
  );

  test('byte for byte, as 300 pages of documentation do with an empty catalog', () => {
    expect(pages.length).toBeGreaterThanOrEqual(300);
    const empty = catalog([], { foreign: [/-/] });
    for (const path of pages) {
      const html = readFileSync(path, 'utf8');
      expect(renderDocument(html, empty)).toMatchObject({ html, problems: [] });
    }
  });

  test('with the no-break spaces of its content, alone and at its ends', () => {
    const { html, problems } = renderDocument(
      '<notice-box title="A">&nbsp;</notice-box><notice-box title="B"> &nbsp;b&nbsp; </notice-box>',
      all,
    );
    expect(problems).toEqual([]);
    expect(html).toBe('<section><h2>A</h2>&nbsp;</section><section><h2>B</h2>&nbsp;b&nbsp;</section>');
  });

  test('byte for byte but for its components', () => {
    const { html, problems } = renderDocument(
      frame(
        '<NOTICE-BOX title="Rain &amp; wind"  crates=3>\n  In the   <B>barn</B>&nbsp;<br/>\n</NOTICE-BOX><p CLASS=z>&eacute;',
      ),
      all,
    );
    expect(problems).toEqual([]);
    expect(html).toBe(
      frame('<section><h2>Rain &amp; wind</h2>In the   <B>barn</B>&nbsp;<br/></section><p CLASS=z>&eacute;'),
    );
  });

  test('with components inside one another and in plain elements, and slots by name', () => {
    const { html, problems } = renderDocument(
      '<notice-box title="a"><div id=d><stall-sign name="<b>"></stall-sign></div><i class="x" slot="footer">f</i><template slot=footer> g <stall-sign name="n"></stall-sign></template></notice-box>',
      all,
      { styles: false },
    );
    expect(problems).toEqual([]);
    expect(html).toBe(
      '<section><h2>a</h2><div id=d><p data-in="stall-sign">&lt;b&gt;</p></div><i class="x">f</i> g <p data-in="stall-sign">n</p></section>',
    );
  });

  test('with rows from a template that reads their data', () => {
    const { html, problems } = renderDocument(
      `<name-list names='[{"name":"a"},{"name":"<"}]'><template slot="row" as="one"><b title="{{ one.name }}">{{ one.name }}</b></template></name-list>`,
      all,
    );
    expect(problems).toEqual([]);
    expect(html).toBe('<ul><li><b title="a">a</b></li><li><b title="&lt;">&lt;</b></li></ul>');
  });

  test('with the styles of its components once, at the end of the head, or before the first where there is none', () => {
    const twice = '<stall-sign name="a"></stall-sign><stall-sign name="b"></stall-sign>';
    const { html } = renderDocument(frame(twice), all);
    expect(html.match(/<style>/g)).toHaveLength(1);
    expect(html).toContain('color:red}</style></head>');
    expect(renderDocument(`<h1>x</h1>${twice}`, all).html).toMatch(
      /^<h1>x<\/h1><style>.*<\/style><p data-in="stall-sign">a<\/p>/,
    );
  });

  test('with interactive components as elements where asked for, their own attributes kept', () => {
    const { html } = renderDocument('<tap-count label="Taps" id=one class="wide"></tap-count>', all, {
      form: 'elements',
    });
    expect(html).toMatch(
      /^<tap-count label="Taps" id=one class="wide"><template shadowrootmode="open"><button>/,
    );
  });

  test('the same when it is rendered once more: what a shadow root was declared with is no content', () => {
    const Bell = component('grove-bell', {
      state: () => ({ rings: 0 }),
      slots: { default: slot() },
      template: ({ slots, state }) => [el.p(state.rings), slots.default('Ring')],
    });
    const source = frame('<grove-bell></grove-bell><grove-bell>Now <b>here</b></grove-bell>');
    const once = renderDocument(source, catalog([Bell]), { form: 'elements' });
    expect(once.html).toContain('<template shadowrootmode="open">');
    const twice = renderDocument(once.html, catalog([Bell]), { form: 'elements' });
    expect(twice.html).toBe(once.html);
    expect(twice.problems).toEqual([]);
    expect(renderDocument(once.html, catalog([Bell])).html).toBe(
      frame('<p>0</p>Ring<p>0</p>Now <b>here</b>'),
    );
  });

  test('with what stands in templates, scripts and comments left alone', () => {
    const text =
      '<!-- <stall-sign> --><script>"<stall-sign>"</script><template><stall-sign name="x"></stall-sign></template><textarea><stall-sign></textarea>';
    expect(renderDocument(text, all)).toMatchObject({ html: text, problems: [] });
  });
});

describe('what is wrong in a document', () => {
  const wrong = (html: string) =>
    renderDocument(html, all, { file: 'page.html' }).problems.map(
      ({ code, source }) => `${code} ${source?.line}:${source?.column}`,
    );

  test.each([
    ['<p>x</p>\n<notis-box title="x">y</notis-box>', ['component-unknown 2:1']],
    ['<notice-box title="a">x', ['tag-unclosed 1:1']],
    ['<notice-box titel="a">x</notice-box>', ['prop-unknown 1:13', 'prop-missing 1:1']],
    ['<notice-box title="a" crates="many">x</notice-box>', ['prop-invalid 1:23']],
    ['<notice-box title="a"></notice-box>', ['slot-missing 1:1']],
    ['<notice-box title="a">x<b slot="fotter">y</b></notice-box>', ['slot-unknown 1:1']],
    ['<stall-sign name="a">text</stall-sign>', ['slot-untaken 1:1']],
    [
      `<name-list names='[{"name":"a"}]'>\n<template slot="row" as="one">{{ on.name }}</template></name-list>`,
      ['name-unknown 2:34'],
    ],
  ])('%s', (html, places) => {
    expect(wrong(html)).toEqual(places);
    expect(renderDocument(html, all, { styles: false }).html).toContain(
      html.includes('name-list') ? '<ul>' : html,
    );
  });

  test('says which known component is near, and what to do with one from elsewhere', () => {
    const hint = (tag: string): string | undefined =>
      renderDocument(`<${tag}></${tag}>`, all).problems[0]?.hint;
    expect(hint('stal-sign')).toBe('Did you mean <stall-sign>?');
    expect(hint('x-map')).toContain("foreign: ['x-map']");
    expect(renderDocument('<x-map></x-map>', catalog([], { foreign: ['x-map'] })).problems).toEqual([]);
  });

  test('an undefined tag is reported inside a component’s content as well, however deep it stands', () => {
    const inside = '<div><notice-box title="y"><stal-sign></stal-sign></notice-box><x-map></x-map></div>';
    const { problems } = renderDocument(`<notice-box title="x">${inside}</notice-box>`, all);
    expect(problems.map(({ code, hint }) => `${code} ${hint.slice(0, 30)}`)).toEqual([
      'component-unknown Did you mean <stall-sign>?',
      expect.stringMatching(/^component-unknown /),
    ]);
  });

  test('a catalog takes components alone, and one of each name', () => {
    const Other = component('stall-sign', { template: () => null });
    expect(onlyProblem(() => catalog([StallSign, Other])).code).toBe('name-taken');
    expect(onlyProblem(() => catalog([(() => null) as never])).code).toBe('component-unknown');
  });
});
