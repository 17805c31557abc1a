import { describe, expect, test } from 'vitest';
import { component, eachOf, el, prop, slot, trusted } from 'zesty-lattice';
import { escapeAttribute, escapeText, renderHtml, renderPage } from 'zesty-lattice/html';
import { hostile } from '../support/hostile.js';
import { attributesIn, type Plain, parsed, tagsIn } from '../support/parsing.js';
import { problemsOf } from '../support/problems.js';

/** Every context a text from outside can come to stand in, both compiled in a template and built inline. */
const contexts: Record<
  string,
  { readonly compiled: (text: string) => string; readonly spot: (text: string) => string }
> = {
  text: both((it) => el.p('a ', it as never, ' z')),
  attribute: both((it) => el.p({ title: it as never, 'data-it': it as never }, 'x')),
  class: both((it) => el.p({ class: ['a', it as never, { b: it as never }] }, 'x')),
  'class record': both((it) => el.p({ class: { a: it as never, b: true } }, 'x')),
  'JSON block': both((it) => el.script({ type: 'application/json', json: it as never })),
  textarea: both((it) => el.textarea({ name: 'n' }, it as never)),
  title: both((it) => el.title(it as never)),
  'nested slot': both((it) => Outer({}, Inner({}, el.b(it as never)))),
  'noscript text': both((it) => el.noscript(el.p({ title: it as never }, it as never))),
};
const refusing: typeof contexts = {
  URL: both((it) =>
    el.p(el.a({ href: it as never }, 'x'), el.img({ src: it as never, alt: '', srcset: it as never })),
  ),
  style: both((it) => el.p({ style: { color: it as never, '--tone': it as never } }, 'x')),
};

const Inner = component('inner-box', {
  slots: { default: slot() },
  template: ({ slots }) => el.div(slots.default()),
});
const Outer = component('outer-box', {
  slots: { default: slot() },
  template: ({ slots }) => el.section(slots.default()),
});

function both(content: (it: unknown) => unknown): (typeof contexts)[string] {
  const Part = component('context-part', {
    props: { it: prop.text() },
    template: ({ props }) => content(props.it) as never,
  });
  const Frame = component('context-frame', {
    slots: { default: slot() },
    template: ({ slots }) => slots.default(),
  });
  return {
    compiled: (it) => renderHtml(Part, { it }),
    spot: (it) => renderHtml(Frame({}, content(it) as never)),
  };
}

const shape = (html: string): readonly [string[], string[]] => [
  tagsIn(parsed(html)),
  attributesIn(parsed(html)),
];

describe.each(Object.entries(contexts))('hostile text as %s', (name, context) => {
  test.each(hostile)('adds nothing to the page: %j', (text) => {
    for (const render of [context.compiled, context.spot]) {
      expect(shape(render(text))).toEqual(shape(render('plain')));
      if (!/^(JSON|class)/.test(name))
        expect(texts(parsed(render(text)))).toContain(text.replace(/\0/g, '\uFFFD'));
    }
    expect(context.compiled(text)).toBe(context.spot(text));
  });

  if (name === 'JSON block') {
    test.each(hostile)('comes back as the same JSON: %j', (text) => {
      const [script] = parsed(context.compiled(text));
      expect(JSON.parse(String((script as readonly unknown[])[2]))).toBe(text);
    });
  }
});

describe.each(Object.entries(refusing))('hostile text as %s', (_name, context) => {
  test.each(hostile)('is refused, or adds nothing to the page: %j', (text) => {
    for (const render of [context.compiled, context.spot]) {
      let html: string | undefined;
      try {
        html = render(text);
      } catch {
        const problems = problemsOf(() => render(text));
        expect(new Set(problems.map((problem) => problem.code))).toEqual(new Set(['attribute-unsafe']));
      }
      if (html !== undefined) {
        expect(tagsIn(parsed(html))).toEqual(tagsIn(parsed(render('red'))));
        expect(html.replace(/[\s\0-\x1f]/g, '')).not.toMatch(
          /(href|src|srcset)="(javascript|vbscript|data:text)/i,
        );
        expect(attributesIn(parsed(html)).filter((one) => one.startsWith('on'))).toEqual([]);
      }
    }
  });
});

function texts(nodes: readonly Plain[]): string {
  return nodes
    .map((node) => (typeof node === 'string' ? node : Object.values(node[1]).join('\n') + texts(node[2])))
    .join('\n');
}

test.each([
  'javascript:alert(1)',
  'JAVASCRIPT:alert(1)',
  ' \tjava\nscript:alert(1)',
  '\u0001javascript:alert(1)',
  'vbscript:msgbox',
  'data:text/html,<script>alert(1)</script>',
  'data: TEXT/HTML;base64,PHN2Zz4=',
  'data:image/svg+xml,<svg onload=alert(1)>',
])('a link to %j is refused', (href) => {
  const Link = component('link-part', {
    props: { href: prop.text() },
    template: ({ props }) => el.a({ href: props.href }, 'x'),
  });
  expect(() => renderHtml(Link, { href })).toThrow('attribute-unsafe');
  expect(() => renderHtml(component('still-link', { template: () => el.a({ href }, 'x') }))).toThrow(
    'attribute-unsafe',
  );
  expect(() => renderHtml(component('form-part', { template: () => el.form({ action: href }) }))).toThrow(
    'attribute-unsafe',
  );
});

test.each([
  '/a',
  'a:b/c',
  '#top',
  'https://x.example/?q=javascript:',
  'mailto:a@b.example',
  'data:text/plain,hi',
])('a link to %j stands', (href) => {
  expect(renderHtml(component('fine-link', { template: () => el.a({ href }, 'x') }))).toContain('href=');
});

test('a picture may be data, a frame may not', () => {
  const data = 'data:image/svg+xml,<svg/>';
  expect(renderHtml(component('img-part', { template: () => el.img({ src: data, alt: '' }) }))).toContain(
    '<img src="data:image',
  );
  expect(() => renderHtml(component('frame-part', { template: () => el.iframe({ src: data }) }))).toThrow(
    'attribute-unsafe',
  );
});

test('scripts as text are refused: event attributes, srcdoc, script and style content', () => {
  const refused = (content: () => unknown, words: string): void => {
    const Part = component('bad-part', { template: content as never });
    expect(() => renderHtml(Part)).toThrow(words);
  };
  refused(() => el.p({ onclick: 'go()' } as never, 'x'), 'on: { click: handlers.… }');
  refused(() => el.iframe({ srcdoc: '<p>' } as never), 'trusted(html)');
  refused(() => el.script('go()'), 'json: value');
  refused(() => el.style('p { }'), 'trusted(css)');
  refused(() => el.script(trusted('let a = "</script>"')), '</script');
  refused(() => el.p({ 'a b="c"': 'x' } as never), 'no attribute can have');
  expect(
    renderHtml(
      component('ok-part', {
        template: () => [el.script(trusted('go()')), el.iframe({ srcdoc: trusted('<p>"</p>') })],
      }),
    ),
  ).toBe('<script>go()</script><iframe srcdoc="&lt;p&gt;&quot;&lt;/p&gt;"></iframe>');
});

test('hostile keys of rows render nothing in ids', async () => {
  const { uid } = await import('zesty-lattice');
  const Row = component('key-row', { template: () => el.i({ id: uid('row') }) });
  const Rows = component('key-rows', {
    props: { keys: prop.list<string>() },
    template: ({ props }) => eachOf(props.keys, () => Row(), { key: (key) => key }),
  });
  const ids = [...renderHtml(Rows, { keys: [...hostile] }).matchAll(/<i id="([^"]*)"><\/i>/g)].map(
    ([, id]) => id ?? '',
  );
  expect(ids).toHaveLength(hostile.length);
  expect(new Set(ids).size).toBe(hostile.length);
  for (const id of ids) expect(id).toMatch(/^[\w.-]+$/);
});

test('a hostile title and description of a page stay text', () => {
  for (const text of hostile) {
    const html = renderPage(component('bare-page', { template: () => el.main('x') })(), {
      title: text,
      description: text,
      lang: text,
    });
    expect((html.match(/<(script|img|svg|iframe)/g) ?? []).length).toBe(0);
    expect(html.match(/<title>/g)).toHaveLength(1);
  }
});

test('hostile names in a class record stay one attribute', () => {
  const Frame = component('record-frame', {
    slots: { default: slot() },
    template: ({ slots }) => slots.default(),
  });
  for (const text of hostile) {
    const html = renderHtml(Frame({}, el.p({ class: { [text]: true } }, 'x')));
    expect(shape(html)).toEqual([['p'], ['class']]);
  }
});

test('the two escapes are there for hand-written text', () => {
  expect(escapeText('a < b & "c" > d\r\0')).toBe('a &lt; b &amp; "c" &gt; d&#13;\uFFFD');
  expect(escapeAttribute('"<a&b>"')).toBe('&quot;&lt;a&amp;b&gt;&quot;');
});

test('a list for an element stands in the quotes in which it is shorter, and comes back as it was', () => {
  const List = component('variety-list', {
    props: { items: prop.list<Record<string, string>>() },
    state: () => ({}),
    template: ({ props }) => el.ul(eachOf(props.items, (item) => el.li(item.name))),
  });
  const written = (items: readonly Record<string, string>[]): string =>
    /<variety-list items=([^>]*)>/.exec(renderHtml(List, { items }, { form: 'elements' }))?.[1] ?? '';
  expect(written([{ name: 'Candlewick' }])).toBe(`'[{"name":"Candlewick"}]'`);
  expect(written([{ name: "Fen's" }])).toBe(`'[{"name":"Fen&#39;s"}]'`);
  const many = "'".repeat(20);
  expect(written([{ name: many }])).toBe(`"[{&quot;name&quot;:&quot;${many}&quot;}]"`);
  for (const text of [...hostile, `' onclick='alert(1)`, `"' x=">`, "&#39;'&apos;"]) {
    for (const items of [[{ name: text }], [{ [text]: 'a', b: text }]]) {
      const html = renderHtml(List, { items }, { form: 'elements' });
      const [element] = parsed(html);
      const { items: value, ...others } = (element as Exclude<Plain, string>)[1];
      expect(JSON.parse(value as string)).toEqual(
        JSON.parse(JSON.stringify(items).replaceAll('\0', '\uFFFD')),
      );
      expect(others).toEqual({});
    }
  }
});
