import { describe, expect, test } from 'vitest';
import {
  calc,
  component,
  type Expr,
  eachOf,
  el,
  given,
  phrase,
  prop,
  resolve,
  slot,
  trusted,
  uid,
} from 'zesty-lattice';
import { renderHtml } from 'zesty-lattice/html';
import { onlyProblem, problemsOf } from '../support/problems.js';

const part = (template: Parameters<typeof make>[0]): ReturnType<typeof make> => make(template);
const make = (template: (props: Exprs) => unknown) =>
  component('test-part', {
    props: {
      name: prop.text().fallback('Dunlight'),
      count: prop.number().fallback(2),
      open: prop.flag(),
      items: prop.list<{ readonly id: string }>().fallback([]),
      place: prop.record({ row: prop.number() }).optional(),
    },
    template: ({ props }) => template(props as never) as never,
  });
type Exprs = { name: never; count: never; open: never; items: never; place: never };

describe('a template', () => {
  test('runs once, however often its component is rendered', () => {
    let runs = 0;
    const Part = component('once-part', {
      props: { name: prop.text() },
      template: ({ props }) => {
        runs++;
        return el.p(props.name);
      },
    });
    expect(
      renderHtml(Part({ name: 'a' })) + renderHtml(Part({ name: 'b' })) + renderHtml(Part, { name: 'c' }),
    ).toBe('<p>a</p><p>b</p><p>c</p>');
    expect(runs).toBe(1);
  });

  test('that throws becomes a problem with the reason', () => {
    const Part = part(() => {
      throw new RangeError('no such row');
    });
    expect(onlyProblem(() => renderHtml(Part())).words).toContain(
      'The template of test-part stopped with an error: no such row',
    );
  });
});

describe('values', () => {
  test('calculate, join, and reach through missing records', () => {
    const Part = part(({ name, count, place }) => [
      calc(count, name, (n: number, text: string) => text.repeat(n)),
      phrase` ${name}: ${count}`,
      calc(
        calc(count, (n: number) => n + 1),
        (n) => n * 2,
      ),
      (place as { row: never }).row,
    ]);
    expect(renderHtml(Part())).toBe('DunlightDunlight Dunlight: 26');
    expect(renderHtml(Part({ place: { row: 7 } }))).toBe('DunlightDunlight Dunlight: 267');
  });

  test('without inputs are worked out at each rendering, and all others only from their inputs', () => {
    let now = 0;
    const Clock = component('clock-part', { template: () => el.time(calc(() => ++now)) });
    const Page = component('clock-page', { template: () => el.main(Clock(), Clock()) });
    expect(renderHtml(Page)).toBe('<main><time>1</time><time>2</time></main>');
    expect(renderHtml(Page)).toBe('<main><time>3</time><time>4</time></main>');
  });

  test('that fail name the calculation and where it stands', () => {
    const Inner = part(({ name }) =>
      calc(name, (text: string) => (text as unknown as { missing: { x: string } }).missing.x),
    );
    const Page = component('failing-page', {
      props: { n: prop.text() },
      template: ({ props }) => Inner({ name: props.n }),
    });
    const { code, where, message } = onlyProblem(() => renderHtml(Page, { n: 'x' }));
    expect(code).toBe('value-failed');
    expect(where).toBe('failing-page › test-part');
    expect(message).toContain('calc(props.name)');
  });

  test('that are no text where text belongs are refused, and missing ones show nothing', () => {
    const Part = component('show-part', {
      props: { it: prop.list<unknown>() },
      template: ({ props }) => el.p(props.it[0] as never),
    });
    for (const nothing of [null, undefined, false])
      expect(renderHtml(Part, { it: [nothing] })).toBe('<p></p>');
    expect(renderHtml(Part, { it: [12n] })).toBe('<p>12</p>');
    for (const wrong of [true, { a: 1 }, [1], new Date(0)]) {
      const { code, message } = onlyProblem(() => renderHtml(Part, { it: [wrong] }));
      expect(code).toBe('content-not-allowed');
      expect(message).toContain('props.it.0');
    }
  });
});

describe('conditions and rows', () => {
  test('show one of two contents', () => {
    const Part = part(({ open }) => given(open, el.b('yes'), 'no'));
    expect([renderHtml(Part({ open: true })), renderHtml(Part())]).toEqual(['<b>yes</b>', 'no']);
  });

  test('hand the tested value on', () => {
    const Part = part(({ place }) => given(place as Expr<{ row: string }>, (it) => el.b(it.row)));
    expect([renderHtml(Part({ place: { row: 3 } })), renderHtml(Part())]).toEqual(['<b>3</b>', '']);
  });

  test('repeat, number, and say when there is nothing', () => {
    const Part = part(({ items }) =>
      eachOf(items as Expr<{ id: string }[]>, (item, index) => [index, item.id, ' '], {
        key: 'id',
        empty: 'none',
      }),
    );
    expect(renderHtml(Part({ items: [{ id: 'a' }, { id: 'b' }] }))).toBe('0a 1b ');
    expect(renderHtml(Part())).toBe('none');
  });

  test('of something that is no list say so', () => {
    const Part = component('list-part', {
      props: { it: prop.list<unknown>() },
      template: ({ props }) => eachOf(props.it[0] as never, () => 'x'),
    });
    expect(onlyProblem(() => renderHtml(Part, { it: ['abc'] })).words).toContain('is the text "abc"');
    expect(renderHtml(Part, { it: [] })).toBe('');
  });

  test('inside one another keep their items apart', () => {
    const Part = component('grid-part', {
      props: { rows: prop.list<readonly number[]>() },
      template: ({ props }) =>
        eachOf(props.rows, (row, y) => eachOf(row, (cell, x) => [y, x, ':', cell, ' '])),
    });
    expect(renderHtml(Part, { rows: [[5, 6], [7]] })).toBe('00:5 01:6 10:7 ');
  });

  test('made before the row they stand in keep their items apart, too', () => {
    const inner = eachOf(['x', 'y'], (item) => item);
    expect(
      renderHtml(component('twice-part', { template: () => eachOf(['a', 'b'], (item) => [inner, item]) })),
    ).toBe('xyaxyb');
    const Frame = component('frame-part', { props: {}, template: () => null });
    expect(resolve(Frame).problems).toEqual([]);
  });
});

describe('a value used while the template runs', () => {
  const wrong = (template: (props: never) => unknown) =>
    onlyProblem(() => renderHtml(part(template as never)()));

  test.each([
    ['joined as text', (props: Exprs) => `${props.name}!`, 'phrase`… ${props.name}`'],
    ['calculated with', (props: Exprs) => (props.count as number) * 2, 'calc(props.count, (value) => …)'],
    [
      'mapped over',
      (props: Exprs) => (props.items as unknown[]).map(String),
      'eachOf(props.items, (item) => …)',
    ],
    [
      'asked for a method',
      (props: Exprs) => (props.name as string).toUpperCase(),
      'calc(props.name, (value) => value.toUpperCase(…))',
    ],
    ['walked through', (props: Exprs) => [...(props.items as unknown[])], 'eachOf(props.items, (item) => …)'],
    ['turned to JSON', (props: Exprs) => JSON.stringify(props.place), 'calc(props.place'],
  ])('%s says what to write instead, and where', (_how, template, hint) => {
    const { code, words, source } = wrong(template as never);
    expect(code).toBe('value-used-early');
    expect(words).toContain(hint);
    expect(source?.file).toMatch(/expressions\.test\.ts$/);
    expect(source?.line).toBeGreaterThan(100);
  });

  test.each([
    ['tested by "? :"', (props: Exprs) => (props.open ? 'a' : 'b')],
    [
      'tested by "if"',
      (props: Exprs) => {
        if (props.open) return 'a';
        return 'b';
      },
    ],
    ['read and dropped', (props: Exprs) => [props.name, void (props as { open: unknown }).open]],
  ])('%s leaves a trace: it is placed nowhere', (_how, template) => {
    const { code, words, source } = wrong(template as never);
    expect(code).toBe('value-unplaced');
    expect(words).toContain('given(props.open, …, …)');
    expect(source?.file).toMatch(/expressions\.test\.ts$/);
  });

  test('of a prop or slot that was never declared names the nearest one', () => {
    const Typo = component('typo-part', {
      props: { title: prop.text() },
      slots: {},
      template: ({ props }) => el.p((props as unknown as { titel: string }).titel, props.title),
    });
    const [problem] = problemsOf(() => renderHtml(Typo({ title: 'x' })));
    expect(problem).toMatchObject({ code: 'prop-unknown', where: 'typo-part' });
    expect(problem?.hint).toContain('Did you mean "title"?');
  });
});

describe('ids', () => {
  const Field = component('field-row', {
    props: { label: prop.text() },
    template: ({ props }) => {
      const input = uid('input');
      return [
        el.label({ for: input }, props.label),
        el.input({ id: input, 'aria-describedby': uid('help') }),
        el.small({ id: uid('help') }),
      ];
    },
  });
  const idsIn = (html: string): string[] => [...html.matchAll(/\sid="([^"]+)"/g)].map(([, id]) => id ?? '');
  const Form = component('field-form', {
    props: { names: prop.list<string>() },
    template: ({ props }) => [
      Field({ label: 'a' }),
      Field({ label: 'b' }),
      eachOf(props.names, (name) => Field({ label: name }), { key: (name) => name }),
    ],
  });

  test('differ for each use and meet their references', () => {
    const html = renderHtml(Form, { names: ['x', 'y', '<"z'] });
    const ids = idsIn(html);
    expect(ids).toHaveLength(10);
    expect(new Set(ids).size).toBe(10);
    for (const [, target = ''] of html.matchAll(/(?:for|describedby)="([^"]+)"/g))
      expect(ids).toContain(target);
    for (const id of ids) expect(id).toMatch(/^[A-Za-z][\w.-]*$/);
  });

  test('are the same on every render of the same tree, and follow their row’s key', () => {
    expect(renderHtml(Form, { names: ['x', 'y'] })).toBe(renderHtml(Form, { names: ['x', 'y'] }));
    const [inX] = idsIn(renderHtml(Form, { names: ['x', 'y'] })).slice(4);
    expect(idsIn(renderHtml(Form, { names: ['y', 'x'] })).slice(6)).toContain(inX);
  });

  test('differ in inline content, and take a prefix', () => {
    const Box = component('box-part', {
      slots: { default: slot() },
      template: ({ slots }) => el.div(slots.default()),
    });
    const html = renderHtml(Box({}, [Field({ label: 'a' }), Field({ label: 'b' })]), { idPrefix: 'mail' });
    expect(new Set(idsIn(html)).size).toBe(4);
    for (const id of idsIn(html)) expect(id).toContain('mail');
  });
});

test('trusted HTML goes in as it is, and nothing else does', () => {
  const html = '<em title="a&b">ready</em>';
  expect(renderHtml(part(() => [trusted(html), html])())).toBe(
    `${html}&lt;em title="a&amp;b"&gt;ready&lt;/em&gt;`,
  );
});
