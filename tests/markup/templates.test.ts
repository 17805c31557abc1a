import { describe, expect, test } from 'vitest';
import { type AnyComponent, component, el, prop, resolve, slot, trusted } from 'zesty-lattice';
import { renderHtml } from 'zesty-lattice/html';
import { onlyProblem } from '../support/problems.js';

/** The HTML of a text whose component has a few props. */
function html(template: string, values: object = {}, more: object = {}): string {
  const Part = component('text-part', {
    props: {
      title: prop.text().fallback('Dunlight'),
      crates: prop.number().fallback(3),
      rare: prop.flag(),
      note: prop.text().optional(),
      missing: prop.list(prop.text()).optional(),
      items: prop.list<unknown>().fallback(['a', 'b']),
    },
    ...more,
    template,
  });
  return renderHtml(Part as AnyComponent, values as never);
}

describe('text', () => {
  test('stays as it is written, white space, references and comments too; only the ends of the whole are trimmed', () => {
    expect(html('\n <p>a  b\n\t<b>c</b> </p>\n<!-- note --> &lt;&amp;&eacute; \n')).toBe(
      '<p>a  b\n\t<b>c</b> </p>\n<!-- note --> &lt;&amp;é',
    );
  });

  test('keeps every no-break space: at its ends, in content for a slot, and where just white space may stand', () => {
    const Box = component('text-box', {
      slots: { default: slot() },
      template: '<div><slot>none</slot></div>',
    });
    expect(html('&nbsp;<p>a</p>&nbsp;')).toBe('\u00a0<p>a</p>\u00a0');
    const uses = { uses: [Box] };
    expect(html('<text-box>&nbsp;</text-box>', {}, uses)).toBe('<div>\u00a0</div>');
    expect(html('<text-box> &nbsp;3 crates&nbsp; </text-box>', {}, uses)).toBe(
      '<div>\u00a03 crates\u00a0</div>',
    );
    expect(html('<text-box> \n </text-box>', {}, uses)).toBe('<div>none</div>');
    expect(html('<p>a\n  &nbsp;b\n</p>', {}, { joinLines: true })).toBe('<p>a \u00a0b</p>');
    const apart = () =>
      html('<template given="title"><p>yes</p></template>&nbsp;<template otherwise>no</template>');
    expect(apart).toThrow('otherwise');
  });

  test('keeps comments, but for those that mark places in a live root', () => {
    expect(html('<!--(c) the orchard--><p>x<!--(--></p><!--)-->')).toBe('<!--(c) the orchard--><p>x</p>');
  });

  test('in an interpolation is escaped, in text and in attributes', () => {
    expect(html('<p title="{{ title }}">{{ title }}</p>', { title: '"<b>&' })).toBe(
      '<p title="&quot;&lt;b&gt;&amp;">"&lt;b&gt;&amp;</p>',
    );
  });

  test('holds braces as themselves where they are written as a text', () => {
    expect(html("<p>{{ '{{' }} x }}</p>")).toBe('<p>{{ x }}</p>');
  });

  test('joins its lines where asked for, and only layout is dropped', () => {
    const text = `
      <p>
        Two words
        and {{ crates }}
        more <b>x</b>
      </p>
      <pre>
 a
   b</pre>
    `;
    expect(html(text, {}, { joinLines: true })).toBe(
      '<p>Two words and 3 more <b>x</b></p><pre> a\n   b</pre>',
    );
  });

  test('is reported where an interpolation holds no content', () => {
    expect(onlyProblem(() => html('<p>{{ items }}</p>')).code).toBe('content-not-allowed');
  });
});

describe('attributes', () => {
  test.each([
    ['<i class="a {{ title }} {{ rare and \'r\' }} b-{{ crates }}"></i>', '<i class="a Dunlight b-3"></i>'],
    ['<i class="{{ note }}"></i>', '<i></i>'],
    ['<i title="{{ note }}" lang="en"></i>', '<i lang="en"></i>'],
    ['<i title="a {{ note }} b"></i>', '<i title="a  b"></i>'],
    ['<input disabled value="">', '<input disabled value="">'],
    ['<input disabled="{{ rare }}" required="{{ not rare }}">', '<input required>'],
    ['<p aria-hidden="{{ rare }}"></p>', '<p aria-hidden="false"></p>'],
    [
      '<p style="color: red; --n: {{ crates }}; margin: {{ note }}"></p>',
      '<p style="color: red; --n: 3"></p>',
    ],
    ['<p style="background: url(a;b.png)"></p>', '<p style="background: url(a;b.png)"></p>'],
    [
      '<svg viewBox="0 0 {{ crates }} 9"><path d="M0 0"/></svg>',
      '<svg viewBox="0 0 3 9"><path d="M0 0"></path></svg>',
    ],
    ['<p data-x=\'{{ title + "!" }}\'></p>', '<p data-x="Dunlight!"></p>'],
    ['<a href="#{{ title }}">x</a>', '<a href="#Dunlight">x</a>'],
  ])('%s → %s', (text, wanted) => {
    expect(html(text)).toBe(wanted);
  });

  test('never carry a script, whatever an interpolation holds', () => {
    expect(onlyProblem(() => html('<a href="{{ title }}">x</a>', { title: 'java\tscript:go()' })).code).toBe(
      'attribute-unsafe',
    );
    expect(onlyProblem(() => html('<a href="java{{ title }}">x</a>', { title: 'script:go()' })).code).toBe(
      'attribute-unsafe',
    );
    expect(
      onlyProblem(() => html('<p style="color: {{ title }}"></p>', { title: 'red;background:url(x)' })).code,
    ).toBe('attribute-unsafe');
    expect(onlyProblem(() => html('<iframe srcdoc="{{ title }}"></iframe>')).code).toBe('attribute-unsafe');
  });
});

describe('conditions and rows', () => {
  test.each([
    ['<template given="rare">r</template><template otherwise>o</template>', 'o'],
    [
      '<template given="crates > 9">a</template> <!-- x --> <template otherwise given="crates > 2">b</template><template otherwise>c</template>',
      'b',
    ],
    ['<template given="note">x</template>', ''],
    ['<p>n<template given="crates"> ({{ crates }})</template></p>', '<p>n (3)</p>'],
    ['<template each-of="items" as="one" index="n">{{ n }}{{ one }} </template>', '0a 1b'],
    ['<template each-of="[]" as="one">x</template><template otherwise>none</template>', 'none'],
    ['<template each-of="missing" as="one">x</template><template otherwise>none</template>', 'none'],
    [
      '<template each-of="items" as="a"><template each-of="items" as="b">{{ a + b }},</template></template>',
      'aa,ab,ba,bb,',
    ],
    [
      '<table><tbody><template each-of="items" as="one"><tr><td>{{ one }}</td></tr></template></tbody></table>',
      '<table><tbody><tr><td>a</td></tr><tr><td>b</td></tr></tbody></table>',
    ],
    ['<table><tr><td>x</table>', '<table><tbody><tr><td>x</td></tr></tbody></table>'],
    ['<template each-of="items"><i>{{ item }}</i></template>', '<i>a</i><i>b</i>'],
  ])('%s → %s', (text, wanted) => {
    expect(html(text).trim()).toBe(wanted);
  });

  test('an item’s name hides a prop’s inside its rows alone', () => {
    expect(html('<template each-of="items" as="title">{{ title }}</template>{{ title }}')).toBe('abDunlight');
  });
});

describe('slots', () => {
  const Box = component('slot-box', {
    template:
      '<section><slot name="head"><i>no head</i></slot><slot></slot><template given="slots.foot.filled"><hr><slot name="foot"></slot></template></section>',
  });

  test('are declared by standing in the text', () => {
    expect(renderHtml(Box({}, { head: 'H', default: 'D' }))).toBe('<section>HD</section>');
    expect(renderHtml(Box({}, el.p('x')))).toBe('<section><i>no head</i><p>x</p></section>');
    expect(onlyProblem(() => renderHtml(Box({}, { haed: 'x' }))).code).toBe('slot-unknown');
  });

  const use = (content: string, more: object = {}): string =>
    html(`<slot-box>${content}</slot-box>`, {}, { uses: [Box], ...more });

  test.each([
    ['text', '<section><i>no head</i>text</section>'],
    ['\n  <b slot="head">H</b>\n  a <i>b</i>\n', '<section><b>H</b>a <i>b</i></section>'],
    ['<template slot="head"> H </template>', '<section> H </section>'],
    ['<p slot="foot">1</p><p slot="foot">2</p>', '<section><i>no head</i><hr><p>1</p><p>2</p></section>'],
    ['<template slot="foot" given="rare">x</template>', '<section><i>no head</i></section>'],
    [
      '<template slot="foot" given="rare">x</template><template otherwise>y</template>',
      '<section><i>no head</i><hr>y</section>',
    ],
    ['<template slot="head" each-of="items" as="one">{{ one }}</template>', '<section>ab</section>'],
    [
      '<slot-box slot="foot">in</slot-box>',
      '<section><i>no head</i><hr><section><i>no head</i>in</section></section>',
    ],
    ['  \n ', '<section><i>no head</i></section>'],
  ])('take %j', (content, wanted) => {
    expect(use(content)).toBe(wanted);
  });

  test('are passed on to another component', () => {
    const Outer = component('outer-box', {
      uses: [Box],
      template: '<slot-box><slot name="title" slot="head">T</slot><slot></slot></slot-box>',
    });
    expect(renderHtml(Outer({}, { title: 'X', default: 'D' }))).toBe('<section>XD</section>');
    expect(renderHtml(Outer({}, { default: 'D' }))).toBe('<section>TD</section>');
  });

  test('pass data to their content', () => {
    const Rows = component('row-list', {
      props: { items: prop.list<{ name: string }>() },
      template:
        '<ul><template each-of="items" as="one" index="n"><li><slot name="row" data="{{ one }}">{{ n }}</slot></li></template></ul>',
    });
    const items = [{ name: 'a' }, { name: '<b>' }];
    const Page = component('row-page', {
      props: { items: prop.list<{ name: string }>() },
      uses: [Rows],
      template:
        '<row-list items="{{ items }}"><template slot="row" as="one"><b>{{ one.name }}</b></template></row-list><row-list items="{{ items }}"></row-list>',
    });
    expect(renderHtml(Page, { items })).toBe(
      '<ul><li><b>a</b></li><li><b>&lt;b&gt;</b></li></ul><ul><li>0</li><li>1</li></ul>',
    );
    expect(renderHtml(Rows({ items }, { row: ((one: { name: string }) => el.i(one.name)) as never }))).toBe(
      '<ul><li><i>a</i></li><li><i>&lt;b&gt;</i></li></ul>',
    );
  });
});

describe('a component’s tag', () => {
  const Sign = component('stall-sign', {
    props: {
      name: prop.text(),
      sowIn: prop.date().optional(),
      crates: prop.number().fallback(0),
      rare: prop.flag(),
      tags: prop.list(prop.text()).fallback([]),
    },
    template: ({ props }) =>
      el.p({ 'data-rare': props.rare, 'data-n': props.tags.length }, props.name, ' ', props.crates),
  });
  const sign = (attributes: string): string =>
    html(`<stall-sign ${attributes}></stall-sign>`, {}, { uses: [Sign] });

  test.each([
    ['name="North" crates="4"', '<p data-n="0">North 4</p>'],
    ['name="{{ title }} {{ crates }}" crates="{{ crates * 2 }}"', '<p data-n="0">Dunlight 3 6</p>'],
    ['name="x" crates="1{{ crates }}"', '<p data-n="0">x 13</p>'],
    ['name="x" rare', '<p data-rare data-n="0">x 0</p>'],
    ['name="x" rare="{{ rare }}" sow-in="2026-03-01"', '<p data-n="0">x 0</p>'],
    [`name="x" tags='["a","b"]'`, '<p data-n="2">x 0</p>'],
    [`name="x" tags="{{ ['a'] }}"`, '<p data-n="1">x 0</p>'],
    ['name=""', '<p data-n="0"> 0</p>'],
  ])('%s gives %s: text is read by the prop’s kind, a hole hands its value over', (attributes, wanted) => {
    expect(sign(attributes)).toBe(wanted);
  });

  test('may stand in its own text, where it ends', () => {
    const Tree: AnyComponent = component('fruit-tree', {
      props: { depth: prop.number() },
      template:
        '<i>{{ depth }}</i><template given="depth > 0"><fruit-tree depth="{{ depth - 1 }}"></fruit-tree></template>',
    });
    expect(renderHtml(Tree, { depth: 2 } as never)).toBe('<i>2</i><i>1</i><i>0</i>');
  });

  test('of one that stands in for several elements takes the attributes of the one chosen', () => {
    const Line = component('text-line', {
      props: { tag: prop.tag(['p', 'label']) },
      slots: { default: slot() },
      accepts: 'tag',
      template: ({ props, slots, accepted }) =>
        el.of(props.tag, { class: 'line', ...accepted }, slots.default()),
    });
    expect(html('<text-line tag="label" for="{{ title }}">x</text-line>', {}, { uses: [Line] })).toBe(
      '<label class="line" for="Dunlight">x</label>',
    );
  });

  test('of a custom element from elsewhere stays, where it is named as foreign', () => {
    const text = '<x-map zoom="{{ crates }}"><b>m</b></x-map>';
    expect(html(text, {}, { foreign: [/^x-/] })).toBe('<x-map zoom="3"><b>m</b></x-map>');
    expect(onlyProblem(() => html(text)).code).toBe('component-unknown');
  });
});

test('a text’s problems point into the module that holds it, letter by letter', () => {
  const Part = component('wrong-part', {
    template: `<p>
      {{ nothing }}</p>`,
  });
  const [problem] = resolve(Part).problems;
  expect(problem?.source?.file).toMatch(/tests\/markup\/templates\.test\.ts$/);
  const here = resolve(
    component('other-part', { template: ({ props }) => [(props as Record<string, never>).nope] }),
  );
  expect((here.problems[0]?.source?.line ?? 0) - (problem?.source?.line ?? 0)).toBe(5);
  expect(problem?.source?.column).toBe(10);
});

test('state, shared data and ready-made HTML work as in built templates', () => {
  const Part = component('live-part', {
    props: {
      html: prop.schema({
        '~standard': { version: 1, vendor: 'x', validate: (value: unknown) => ({ value }) },
      } as const),
    },
    state: () => ({ count: 7, html: 'state' }),
    handlers: { add: () => ({}) },
    template:
      '<button handles="click: add()">{{ count }} {{ html }} {{ props.html }}</button><input bind="count" type="number">',
  });
  expect(renderHtml(Part({ html: 'prop' }))).toBe(
    '<button>7 state prop</button><input type="number" value="7">',
  );
  expect(onlyProblem(() => renderHtml(Part({ html: trusted('<b>') as never }))).code).toBe(
    'content-not-allowed',
  );
});
