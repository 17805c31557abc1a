import { describe, expect, test } from 'vitest';
import {
  type AnyComponent,
  calc,
  component,
  eachOf,
  el,
  given,
  LatticeError,
  phrase,
  prop,
  resolve,
  slot,
  uid,
} from 'zesty-lattice';
import { renderHtml } from 'zesty-lattice/html';

const Sign = component('stall-sign', {
  props: { name: prop.text(), crates: prop.number().fallback(0), note: prop.text().optional() },
  slots: { default: slot(), head: slot() },
  styles: 'p { margin: 0 }',
  template: ({ props, slots }) =>
    el.div(
      slots.head(el.b('Stall')),
      el.p(props.name, ': ', props.crates),
      given(props.note, (note) => el.i(note)),
      slots.default(),
    ),
});
const Row = component('stall-row', {
  props: { stalls: prop.list<{ readonly name: string }>(), title: prop.text() },
  template: ({ props }) => [
    Sign(
      { name: props.title, crates: calc(props.stalls, (all) => all.length) },
      { head: props.title, default: [el.p('Open'), Sign({ name: 'Inner' })] },
    ),
    eachOf(props.stalls, (stall) => Sign({ name: stall.name, note: phrase`at ${stall.name}` })),
    given(props.title, Sign({ name: 'Yes' }), Sign({ name: 'No' })),
  ],
});

describe('a resolved tree', () => {
  const tree = resolve(Row, { stalls: [{ name: 'Gate' }, { name: 'Well' }], title: 'Stalls' });

  test('has every use, outer before inner, with its path', () => {
    expect([...tree.walk()].map((use) => use.path)).toEqual([
      'stall-row',
      'stall-row › stall-sign[1]',
      'stall-row › stall-sign[1] › stall-sign',
      'stall-row › stall-sign[2]',
      'stall-row › stall-sign[3]',
      'stall-row › stall-sign[4]',
    ]);
  });

  test('says of each prop where it comes from, and its value where it is known', () => {
    const [first, , rows] = tree.root.uses;
    expect(first?.props).toEqual([
      { name: 'name', kind: 'text', from: 'given', expression: 'props.title', value: 'Stalls' },
      { name: 'crates', kind: 'number', from: 'given', expression: 'calc(props.stalls)', value: 2 },
      { name: 'note', kind: 'text', from: 'absent' },
    ]);
    expect(tree.root.uses[1]?.props[0]).toEqual({
      name: 'name',
      kind: 'text',
      from: 'given',
      expression: 'stall.name',
    });
    expect(tree.root.uses[1]?.props[1]).toEqual({
      name: 'crates',
      kind: 'number',
      from: 'fallback',
      value: 0,
    });
    expect(rows?.under).toEqual([{ kind: 'given', of: 'props.title', holds: true }]);
  });

  test('says of each slot whether it is filled, and what stands in it', () => {
    const [first, rows] = tree.root.uses;
    expect(first?.slots.map(({ name, state }) => [name, state])).toEqual([
      ['default', 'filled'],
      ['head', 'filled'],
    ]);
    expect(first?.slots[0]?.content).toMatchObject([{ outline: '<p> "Open"' }, { component: 'stall-sign' }]);
    expect(rows?.slots.map(({ state }) => state)).toEqual(['empty', 'fallback']);
    expect(rows?.under).toEqual([{ kind: 'each', of: 'props.stalls', rows: 2, holds: true }]);
  });

  test('has where each use is written, and the styles each once', () => {
    expect(tree.root.uses[0]?.source?.file).toMatch(/resolve\.test\.ts$/);
    expect(tree.styles).toEqual([{ component: 'stall-sign', css: 'p { margin: 0 }' }]);
    expect(tree.problems).toEqual([]);
  });

  test('comes out as the documented JSON', () => {
    const json = JSON.parse(JSON.stringify(tree));
    expect(Object.keys(json)).toEqual(['version', 'root', 'problems', 'styles']);
    expect(Object.keys(json.root)).toEqual(['component', 'path', 'props', 'slots', 'uses', 'under']);
    expect(json.version).toBe(1);
  });

  test('without props leaves open what depends on them', () => {
    const open = resolve(Row);
    expect(open.root.props.map(({ from }) => from)).toEqual(['open', 'open']);
    expect(open.root.uses[0]?.props[0]).toEqual({
      name: 'name',
      kind: 'text',
      from: 'given',
      expression: 'props.title',
    });
    expect(open.problems).toEqual([]);
  });

  test('of what is no component says so', () => {
    expect(() => resolve((() => null) as never)).toThrow(LatticeError);
    expect(() => renderHtml('x' as unknown as AnyComponent)).toThrow('component-unknown');
  });
});

describe('problems of a tree', () => {
  const loose = Sign as unknown as (...args: unknown[]) => ReturnType<typeof Sign>;

  test('are all collected, first those of what is given and then those of where it stands, and all thrown when it is rendered', () => {
    const Page = component('broken-page', {
      template: () => [
        loose({}),
        el.p(el.p('x')),
        loose({ name: 1 }, { default: loose({ nam: 'x' }) }),
        el.a({ href: 'javascript:x' }, 'x'),
      ],
    });
    const codes = [
      'prop-missing',
      'prop-invalid',
      'prop-missing',
      'prop-unknown',
      'attribute-unsafe',
      'content-not-allowed',
    ];
    expect(resolve(Page).problems.map(({ code }) => code)).toEqual(codes);
    try {
      renderHtml(Page);
      expect.unreachable();
    } catch (thrown) {
      expect((thrown as LatticeError).problems.map(({ code }) => code)).toEqual(codes);
    }
  });

  test('say which row they are in, when they come up while rendering', () => {
    const Page = component('row-page', {
      props: { names: prop.list<unknown>() },
      template: ({ props }) => el.ul(eachOf(props.names, (name) => el.li(Sign({ name: name as never })))),
    });
    try {
      renderHtml(Page, { names: ['a', 2, 'c', null] });
      expect.unreachable();
    } catch (thrown) {
      expect((thrown as LatticeError).problems.map(({ where }) => where)).toEqual([
        'row-page › stall-sign[2]',
        'row-page › stall-sign[4]',
      ]);
    }
  });

  test('are found in values that are known ahead', () => {
    const Page = component('known-page', {
      props: { n: prop.text() },
      template: ({ props }) => Sign({ name: 'x', crates: props.n as never }),
    });
    expect(resolve(Page, { n: 'many' }).problems).toMatchObject([
      { code: 'prop-invalid', where: 'known-page › stall-sign' },
    ]);
    expect(resolve(Page).problems).toEqual([]);
  });
});

describe('ids and references', () => {
  const codes = (content: () => unknown): string[] =>
    resolve(component('id-page', { template: content as never })()).problems.map(
      ({ code, message }) => `${code} ${message}`,
    );

  test('that stand twice are reported, save on the two sides of one condition', () => {
    expect(codes(() => [el.p({ id: 'a' }), el.b({ id: 'a' })])[0]).toContain(
      'id-doubled The id "a" is used 2 times',
    );
    const Either = component('either-part', {
      props: { on: prop.flag() },
      template: ({ props }) => given(props.on, el.p({ id: 'a' }), el.b({ id: 'a' })),
    });
    expect(resolve(Either()).problems).toEqual([]);
  });

  test('in rows are reported, and made with uid they are fine', () => {
    const rows = (id: () => unknown) => codes(() => eachOf(['x', 'y'], () => el.p({ id: id() as never })));
    expect(rows(() => 'a')[0]).toContain('once for each row');
    expect(rows(() => uid('a'))).toEqual([]);
  });

  test('of a copied block that still has the old target are reported, with the nearest id', () => {
    const found = codes(() => [
      el.button({ popovertarget: 'prices' }, 'a'),
      el.div({ id: 'price' }),
      el.a({ href: '#top' }),
      el.a({ href: '#price' }),
    ]);
    expect(found).toEqual([
      'reference-dangling popovertarget="prices" of <button> points to an element that is not on the page.',
    ]);
  });

  test('given as props are followed as far as they are known', () => {
    const Anchor = component('anchor-part', {
      props: { to: prop.text(), id: prop.text() },
      template: ({ props }) => [el.a({ href: phrase`#${props.to}` }, 'x'), el.p({ id: props.id })],
    });
    expect(resolve(Anchor({ to: 'a', id: 'a' })).problems).toEqual([]);
    expect(resolve(Anchor({ to: 'b', id: 'a' })).problems[0]?.code).toBe('reference-dangling');
    expect(
      resolve(
        component('two-anchors', {
          template: () => [Anchor({ to: 'a', id: 'a' }), Anchor({ to: 'a', id: 'a' })],
        })(),
      ).problems[0]?.code,
    ).toBe('id-doubled');
  });
});

describe('elements that a parser would move', () => {
  const reported = (content: () => unknown): string =>
    resolve(component('nest-page', { template: content as never }))
      .problems.map(({ message, hint }) => `${message} ${hint}`)
      .join();

  test.each([
    [() => el.p(el.ul(el.li('x'))), '<ul> cannot stand inside <p>.'],
    [() => el.ul(el.li(el.li('x'))), '<li> cannot stand inside <li>.'],
    [() => el.table(el.tr(el.td('x'))), 'Write el.table(el.tbody(el.tr(…)))'],
    [() => el.a({ href: '/' }, el.b(el.a({ href: '/' }, 'x'))), '<a> cannot stand inside another <a>.'],
    [() => el.button(el.button('x')), '<button> cannot stand inside another <button>.'],
    [() => el.select(el.p('x') as never), '<p> cannot stand straight in <select>.'],
    [() => el.svg(el.div('x')), '<div> cannot stand in <svg>.'],
    [() => el.div(el.circle({ r: 1 })), '<circle> cannot stand outside <svg>.'],
    [() => el.table('text'), 'The text "text" cannot stand straight in <table>.'],
    [() => el.h2(el.h3('x')), '<h3> cannot stand in <h2>.'],
    [() => el.body('x'), 'renderPage writes html, head and body'],
    [() => (el.br as unknown as (content: string) => unknown)('x'), '<br> takes no content'],
  ])('are reported: %s', (content, words) => {
    expect(reported(content)).toContain(words);
  });

  test('are found through slots, too', () => {
    const Para = component('para-part', {
      slots: { default: slot() },
      template: ({ slots }) => el.p(slots.default()),
    });
    expect(reported(() => Para({}, el.div('x')))).toContain('<div> cannot stand inside <p>.');
    expect(reported(() => Para({}, el.b('x')))).toBe('');
  });
});
