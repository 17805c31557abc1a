import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  calc,
  component,
  eachOf,
  el,
  given,
  type LatticeError,
  phrase,
  prop,
  slot,
  type Use,
} from 'zesty-lattice';
import { type RenderOptions, renderBytes, renderHtml, renderPage, renderPageBytes } from 'zesty-lattice/html';
import { componentCore, propNameFaults } from '../../packages/lattice/src/component/index.js';
import { codeOf } from '../../packages/lattice/src/html/code/ahead.js';
import { inEachWay } from '../same/ways.js';
import { runsOf } from '../support/runs.js';

const hostile = fc.oneof(
  fc.string({ unit: 'binary', maxLength: 12 }),
  fc.constantFrom(
    `');process.exit(77);('`,
    '${process.exit(77)}',
    '`+process.exit(77)+`',
    '*/ process.exit(77) /*',
    '</script><script>',
    '\u2028\u2029\\\'"\n\r\0',
    '\\"',
    '__proto__',
    'constructor',
    'default',
    'frame',
    'out',
  ),
);
const word = hostile.filter((text) => text !== '');
/** A prop's name may be whatever an attribute's may. */
const propName = fc
  .oneof(
    fc.string({ unit: 'binary', maxLength: 8 }),
    fc.constantFrom('a`b', '${a}', 'a;b', '(a)', 'a\\', '*/', 'class', '柑橘'),
  )
  .filter(
    (text) => !/[\s"'<>/=\0-\x1f\x7f]|^$|^on/i.test(text) && propNameFaults('any-sign', [text]).length === 0,
  );

describe('code is made of the plan alone', () => {
  test('whatever stands in texts, names, keys, words and values is text in it', () => {
    fc.assert(
      fc.property(
        fc.record({ text: hostile, word, propName, key: word, value: hostile, other: hostile }),
        ({ text, word, propName: named, key, value, other }) => {
          // A record made so has a field of any name.
          const field = (all: object, one: string): never => (all as Record<string, never>)[one] as never;
          const Any = component('any-sign', {
            props: Object.fromEntries([
              [named, prop.text()],
              ['words', prop.choice([word, 'other']).fallback(word)],
              ['rows', prop.list<Record<string, unknown>>()],
            ]),
            slots: { default: slot() },
            template: ({ props, slots }: { props: object; slots: { default: (one: string) => never } }) =>
              el.section(
                { title: text, class: [word.replace(/\s/g, '-'), field(props, 'words')] },
                text,
                el.b({ title: field(props, named) }, field(props, named)),
                given(
                  calc(field(props, named), (one) => one === value),
                  el.i(phrase`${field(props, named)}${text}`),
                  text,
                ),
                eachOf(field(props, 'rows'), (row) =>
                  el.li(field(row as never, key), el.q(field(row as never, key))),
                ),
                slots.default(text),
              ),
          } as never) as unknown as (props: object, content?: unknown) => Use;
          const row = JSON.parse(`{ ${JSON.stringify(key)}: ${JSON.stringify(value)} }`);
          const props = JSON.parse(`{ ${JSON.stringify(named)}: ${JSON.stringify(other)} }`);
          const use = (by?: RenderOptions): string =>
            renderHtml(Any({ ...props, rows: [row, { [key]: other }] }, other), by);
          const wanted = outcome(() => use());
          for (const [way, got] of inEachWay(Any as never, (by) => outcome(() => use(by))))
            expect([way, got]).toEqual([way, wanted]);
        },
      ),
      runsOf('hostile code', 1500),
    );
  });
});

/** What is written, or what is wrong. */
function outcome(write: () => string): string {
  try {
    return write();
  } catch (thrown) {
    return String(thrown);
  }
}

const Sign = component('crate-sign', {
  props: { name: prop.text(), count: prop.number().fallback(1), note: prop.text().optional() },
  slots: { default: slot() },
  template: ({ props, slots }) =>
    el.p(
      { title: props.name },
      props.name,
      ' ',
      props.count,
      given(props.note, (note) => el.i(note)),
      slots.default(),
    ),
});
const Signs = component('crate-signs', {
  props: { names: prop.list<string>() },
  template: ({ props }) => el.main(eachOf(props.names, (one) => Sign({ name: one }, el.b(one)))),
});

test('the code of a component reads as if a person had written it', () => {
  expect(codeOf(componentCore(Signs) as never)).toBe(
    `const { escapeAttribute, escapeText, isSafe, listOf, quoted, settleLate } = lattice;
const [rows_0, check_1] = values;
return function crateSigns_(frame, out, names0) {
  if (frame.locals.length <= 2) frame.locals = new Array(3);
  out += "<main>";
  const items$0 = Array.isArray(names0) ? names0 : listOf(frame, rows_0, names0);
  for (let n2 = 0; n2 < items$0.length; n2++) {
    const one1 = items$0[n2];
    frame.locals[2] = n2;
    let name3 = one1;
    if (typeof name3 !== 'string') name3 = settleLate(frame, check_1, name3);
    const name3IsSafe = isSafe(name3);
    const name3Text = name3IsSafe ? name3 : escapeText(name3);
    out += '<p title="' + (name3IsSafe ? name3 : quoted(name3Text)) + '">' + name3Text + " 1<b>" + name3Text + "</b></p>";
    if (out.length > 16384) out = frame.pass.hand(out);
  }
  return out + "</main>";
};`,
  );
});

test('long pages are the same in pieces, as text and as bytes', () => {
  const names = Array.from({ length: 3000 }, (_, n) => `Crate ${n} ${['', '柑橘', '🍊', 'é & <b>'][n % 4]}`);
  const text = renderHtml(Signs, { names });
  expect(text.length).toBeGreaterThan(100_000);
  expect(text).toBe(
    `<main>${names.map((one) => renderHtml(Sign({ name: one }, el.b(one)))).join('')}</main>`,
  );
  for (let round = 0; round < 8; round++) {
    expect(Buffer.from(renderBytes(Signs, { names })).equals(Buffer.from(text))).toBe(true);
    expect(renderHtml(Signs, { names })).toBe(text);
  }
  expect(Buffer.from(renderBytes(Sign({ name: 'é' }))).toString()).toBe('<p title="é">é 1</p>');
});

test('long content stands where it belongs, in whatever it is', () => {
  const names = Array.from({ length: 2000 }, (_, n) => `Crate ${n}`);
  const inner = renderHtml(Signs, { names });
  const Box = component('crate-box', {
    slots: { default: slot(), end: slot() },
    template: ({ slots }) => el.div(el.b('before'), slots.default('none'), el.i('after'), slots.end()),
  });
  const Outer = component('crate-outer', {
    props: { names: prop.list<string>() },
    template: ({ props }) =>
      el.section(
        Box({}, { default: Signs({ names: props.names }), end: el.pre(Signs({ names: props.names })) }),
      ),
  });
  const boxed = `<div><b>before</b>${inner}<i>after</i></div>`;
  const twice = `<section><div><b>before</b>${inner}<i>after</i><pre>${inner}</pre></div></section>`;
  for (let round = 0; round < 8; round++) {
    expect(renderHtml(Box({}, Signs({ names })))).toBe(boxed);
    expect(renderHtml(Box({}, [el.q('quote'), Signs({ names })]))).toBe(
      boxed.replace('</b>', '</b><q>quote</q>'),
    );
    expect(Buffer.from(renderBytes(Box({}, Signs({ names })))).toString()).toBe(boxed);
    expect(renderHtml(Outer({ names }))).toBe(twice);
  }
  for (const [way, got] of inEachWay(Outer as never, (by) => [
    renderHtml(Box({}, Signs({ names })), by),
    renderHtml(Outer({ names }), by),
  ]))
    expect([way, ...got]).toEqual([way, boxed, twice]);
});

test('numbers beside each other are two texts, never one sum', () => {
  const Counts = component('crate-counts', {
    props: {
      crates: prop.number(),
      baskets: prop.number().fallback(0),
      names: prop.list(prop.text()),
      some: prop.flag(),
    },
    slots: { default: slot() },
    template: ({ props: { crates, baskets, names, some }, slots }) => {
      const rows = eachOf(names, (name) => el.i(name));
      const half = calc(crates, (count) => count / 2);
      return [
        el.p(rows, crates, baskets, rows, half, crates, rows),
        given(some, [crates, baskets, half], [half, crates]),
        given(some, [crates, given(some, baskets, half), half]),
        slots.default(),
        crates,
        baskets,
      ];
    },
  });
  const texts = inEachWay(Counts, (by) => [
    renderHtml(Counts, { crates: 8, baskets: 3, names: ['a'], some: true }, by),
    renderHtml(Counts, { crates: 8, names: [], some: false }, by),
    renderHtml(Counts({ crates: 8, names: [], some: true }, [1, 2]), by),
  ]);
  for (const [way, all] of texts)
    expect([way, ...all]).toEqual([
      way,
      '<p><i>a</i>83<i>a</i>48<i>a</i></p>83483483',
      '<p>8048</p>4880',
      '<p>8048</p>8048041280',
    ]);
});

test('a function may render while a rendering calls it', () => {
  const Outer = component('outer-sign', {
    props: { name: prop.text() },
    slots: { default: slot() },
    template: ({ props, slots }) =>
      el.div(
        calc(props.name, (one) => renderHtml(Sign({ name: one }, 'inner')).length),
        slots.default(),
      ),
  });
  for (let round = 0; round < 8; round++)
    expect(renderHtml(Outer({ name: 'ab' }, el.b('outer')))).toBe('<div>27<b>outer</b></div>');
});

test('what is wrong far inside inline content has its whole path', () => {
  const Bad = component('bad-sign', {
    props: { name: prop.text() },
    template: ({ props }) =>
      el.p(
        calc(props.name, (one) => {
          if (one === 'bad') throw new RangeError('it is bad');
          return one;
        }),
      ),
  });
  const Box = component('box-sign', {
    slots: { default: slot() },
    template: ({ slots }) => el.div(slots.default()),
  });
  const page = (one: string) => Box({}, [el.i('text'), Box({}, [Bad({ name: 'good' }), Bad({ name: one })])]);
  expect(renderHtml(page('fine'))).toContain('<p>fine</p>');
  for (let round = 0; round < 8; round++)
    expect(() => renderHtml(page('bad'))).toThrow(/in box-sign › box-sign › bad-sign\[2\]/);
});

test.each([
  ['no rules', ''],
  ['few rules', 'p { color: red }'],
  ['rules that are longer than the room for them', `p { color: red }\n`.repeat(2_000)],
])('bytes are the text of a page, with %s before it', (_name, styles) => {
  const Note = component('noted-page', {
    props: { text: prop.text() },
    styles: 'b { color: green }',
    template: ({ props }) => el.p(el.b(props.text)),
  });
  for (const text of ['short', 'wide 柑 '.repeat(9_000)]) {
    const options = { title: 'Notes', styles };
    const bytes = renderPageBytes(Note({ text }), options);
    expect(new TextDecoder().decode(bytes)).toBe(renderPage(Note({ text }), options));
    expect(new TextDecoder().decode(renderBytes(Note({ text }), { styles: true }))).toBe(
      renderHtml(Note({ text }), { styles: true }),
    );
    // Who keeps a short page keeps no long buffer with it.
    expect(bytes.buffer.byteLength).toBeLessThan(Math.max(20_000, bytes.length * 4));
  }
});

describe('calls that share a frame', () => {
  interface Branch {
    readonly name: unknown;
    readonly branches?: readonly Branch[];
  }
  const Branches = component('branch-tree', {
    props: { branch: prop.record<Branch>() },
    template: ({ props }): ReturnType<typeof el.li> =>
      el.li(
        props.branch.name as never,
        el.ul(eachOf(props.branch.branches, (inner) => Branches({ branch: inner }))),
      ),
  });

  test('tell each its own path, with the numbers of the rows around it', () => {
    const branch: Branch = {
      name: 'a',
      branches: [
        { name: 'b', branches: [{ name: 'c' }, { name: 'd' }] },
        { name: 'e', branches: [{ name: 'f' }, { name: { no: 'text' } }, { name: 'g' }] },
        { name: [1] },
      ],
    };
    for (const [, reported] of inEachWay(Branches, (by) =>
      problemsOf(() => renderHtml(Branches, { branch }, by)),
    ))
      expect(reported).toEqual([
        'branch-tree › branch-tree[2] › branch-tree[2]: content-not-allowed',
        'branch-tree › branch-tree[3]: content-not-allowed',
      ]);
  });

  test('of records of whatever class', () => {
    class Twig {
      readonly name = 'twig';
    }
    const branch = { name: 'a', branches: [new Twig()] };
    for (const [, html] of inEachWay(Branches, (by) => renderHtml(Branches, { branch }, by)))
      expect(html).toBe('<li>a<ul><li>twig<ul></ul></li></ul></li>');
  });
});

test('a value that is shown in quotes and between tags is reported once for each, in their order', () => {
  const Quoted = component('quoted-sign', {
    props: { row: prop.record<{ readonly name: unknown }>() },
    template: ({ props: { row } }) =>
      el.p(
        { title: row.name as never },
        row.name as never,
        el.b({ title: row.name as never }, row.name as never),
      ),
  });
  for (const [, reported] of inEachWay(Quoted, (by) =>
    problemsOf(() => renderHtml(Quoted, { row: { name: {} } }, by)),
  ))
    expect(reported).toEqual([
      'quoted-sign: attribute-invalid',
      'quoted-sign: content-not-allowed',
      'quoted-sign: attribute-invalid',
      'quoted-sign: content-not-allowed',
    ]);
  for (const [, html] of inEachWay(Quoted, (by) => renderHtml(Quoted, { row: { name: '"a" & <b>' } }, by)))
    expect(html).toBe(
      '<p title="&quot;a&quot; &amp; &lt;b&gt;">"a" &amp; &lt;b&gt;<b title="&quot;a&quot; &amp; &lt;b&gt;">"a" &amp; &lt;b&gt;</b></p>',
    );
});

function problemsOf(work: () => unknown): readonly string[] {
  try {
    work();
  } catch (thrown) {
    return (thrown as LatticeError).problems.map(({ code, where }) => `${where}: ${code}`);
  }
  return [];
}

test('bytes are those of the text, whatever the same component came to before', () => {
  const Row = component('byte-rows', {
    props: { rows: prop.list<string>() },
    template: ({ props }) => el.ul(eachOf(props.rows, (row) => el.li(row))),
  });
  for (const [text, count] of [
    ['short', 1],
    ['plain', 4000],
    ['plain', 4100],
    ['柑橘', 4000],
    ['plain', 9000],
    ['é 🍊 & \ud83c', 300],
    ['', 0],
  ] as const) {
    const rows = Array.from({ length: count }, (_, n) => `${text} ${n}`);
    for (const options of [{}, { styles: true }])
      expect(
        Buffer.compare(renderBytes(Row, { rows }, options), Buffer.from(renderHtml(Row, { rows }, options))),
      ).toBe(0);
  }
});
