import { describe, expect, test } from 'vitest';
import { type calc, component, eachOf, el, given, prop, resolve, slot } from 'zesty-lattice';
import { renderHtml } from 'zesty-lattice/html';
import { onlyProblem } from '../support/problems.js';

const Panel = component('side-panel', {
  slots: { default: slot(), title: slot(), footer: slot() },
  template: ({ slots }) => [
    el.h5(slots.title('Untitled')),
    slots.default(),
    given(slots.footer.filled, el.footer(slots.footer())),
  ],
});
const loose = Panel as (...args: unknown[]) => ReturnType<typeof Panel>;

describe('content', () => {
  test('given alone goes to the default slot', () => {
    expect(renderHtml(Panel({}, 'Text'))).toBe('<h5>Untitled</h5>Text');
  });

  test('goes to the slots it names, the default one too', () => {
    const html = renderHtml(
      Panel({}, { title: 'Frost', default: [el.p('Cold.'), 'Stay in.'], footer: el.small('6 am') }),
    );
    expect(html).toBe('<h5>Frost</h5><p>Cold.</p>Stay in.<footer><small>6 am</small></footer>');
  });

  test('is never wrapped: a heading slot holds just the text', () => {
    expect(renderHtml(Panel({}, { title: 'Frost' }))).toBe('<h5>Frost</h5>');
  });

  test('of nothing counts as not given: the fallback shows and the wrapper is gone', () => {
    for (const nothing of [null, undefined, false, '', [], [null, [false]]] as const) {
      expect(renderHtml(Panel({}, { title: nothing, footer: nothing }))).toBe('<h5>Untitled</h5>');
    }
  });

  test('under a condition that does not hold counts as not given', () => {
    const Page = component('panel-page', {
      props: { cold: prop.flag(), notes: prop.list<string>() },
      template: ({ props }) =>
        Panel({}, { title: given(props.cold, 'Frost'), footer: eachOf(props.notes, (note) => el.i(note)) }),
    });
    expect(renderHtml(Page, { notes: [] })).toBe('<h5>Untitled</h5>');
    expect(renderHtml(Page, { cold: true, notes: ['a'] })).toBe('<h5>Frost</h5><footer><i>a</i></footer>');
  });

  test('passes through several levels, and stays empty through them', () => {
    const Middle = component('middle-panel', {
      slots: { default: slot(), head: slot() },
      template: ({ slots }) => Panel({}, { title: slots.head(), footer: slots.default() }),
    });
    const Outer = component('outer-panel', {
      slots: { default: slot(), top: slot() },
      template: ({ slots }) => Middle({}, { head: slots.top(), default: slots.default() }),
    });
    expect(renderHtml(Outer({}, { top: 'A', default: 'B' }))).toBe('<h5>A</h5><footer>B</footer>');
    expect(renderHtml(Outer({}))).toBe('<h5>Untitled</h5>');
  });

  test('reads the props of where it is written, not of where it is shown', () => {
    const Inner = component('inner-part', {
      props: { name: prop.text() },
      slots: { default: slot() },
      template: ({ props, slots }) => el.p(props.name, slots.default()),
    });
    const Outer = component('outer-part', {
      props: { name: prop.text() },
      template: ({ props }) => Inner({ name: 'inner' }, el.b(props.name)),
    });
    expect(renderHtml(Outer({ name: 'outer' }))).toBe('<p>inner<b>outer</b></p>');
  });

  test('for a slot that is not there names the component, the slot and the nearest one', () => {
    const { code, words, where } = onlyProblem(() => renderHtml(loose({}, { titel: 'x' })));
    expect(code).toBe('slot-unknown');
    expect(where).toBe('side-panel');
    expect(words).toContain('side-panel received content for the slot "titel"');
    expect(words).toContain('Did you mean "title"?');
  });

  test('for a component without a default slot is never dropped in silence', () => {
    const Bare = component('bare-part', {
      slots: { head: slot() },
      template: ({ slots }) => el.p(slots.head()),
    });
    const { code, words } = onlyProblem(() => renderHtml((Bare as typeof loose)({}, 'lost')));
    expect(code).toBe('slot-untaken');
    expect(words).toContain('bare-part received content, but has no default slot');
    expect(words).toContain('slots: { default: slot() }');
  });

  test('that a slot needs and does not get is asked for by name', () => {
    const Needs = component('needs-part', {
      slots: { default: slot.required() },
      template: ({ slots }) => el.p(slots.default()),
    });
    expect(onlyProblem(() => renderHtml((Needs as typeof loose)({}))).code).toBe('slot-missing');
    const Page = component('needs-page', { template: () => el.div((Needs as typeof loose)({})) });
    const [problem] = resolve(Page).problems;
    expect(problem).toMatchObject({ code: 'slot-missing', where: 'needs-page › needs-part' });
    expect(problem?.source?.file).toMatch(/slots\.test\.ts$/);
  });
});

describe('a slot that passes data', () => {
  const RowList = component('row-list', {
    props: { items: prop.list<{ readonly name: string }>() },
    slots: { row: slot.with<{ readonly name: string }>(), header: slot() },
    template: ({ props, slots }) => [
      slots.header(),
      el.ul(eachOf(props.items, (item) => el.li(slots.row(item, el.i(item.name))))),
    ],
  });
  const items = [{ name: 'Dunlight' }, { name: 'Saltbell' }];

  test('is filled by a function of the data, which runs once', () => {
    let runs = 0;
    const html = renderHtml(
      RowList(
        { items },
        {
          row: (item) => {
            runs++;
            return el.b(item.name);
          },
        },
      ),
    );
    expect(html).toBe('<ul><li><b>Dunlight</b></li><li><b>Saltbell</b></li></ul>');
    expect(runs).toBe(1);
  });

  test('has a fallback that sees the data too', () => {
    expect(renderHtml(RowList({ items }))).toBe('<ul><li><i>Dunlight</i></li><li><i>Saltbell</i></li></ul>');
  });

  test('mixes the data with the props around it, inside one another', () => {
    const Page = component('rows-page', {
      props: {
        prefix: prop.text(),
        groups: prop.list<{ readonly name: string; readonly items: typeof items }>(),
      },
      template: ({ props }) =>
        eachOf(props.groups, (group) =>
          RowList(
            { items: group.items },
            {
              header: el.h2(group.name),
              row: (item) => [
                props.prefix,
                group.name,
                item.name,
                RowList({ items: group.items }, { row: (inner) => [inner.name, item.name] }),
              ],
            },
          ),
        ),
    });
    const html = renderHtml(Page, {
      prefix: '>',
      groups: [{ name: 'G', items: [{ name: 'a' }, { name: 'b' }] }],
    });
    expect(html).toBe(
      '<h2>G</h2><ul><li>&gt;Ga<ul><li>aa</li><li>ba</li></ul></li><li>&gt;Gb<ul><li>ab</li><li>bb</li></ul></li></ul>',
    );
  });

  test('given plain content, or a plain slot given a function, says so', () => {
    const looseList = RowList as (...args: unknown[]) => ReturnType<typeof RowList>;
    expect(onlyProblem(() => renderHtml(looseList({ items }, { row: 'text' }))).words).toContain(
      'Pass a function',
    );
    expect(onlyProblem(() => renderHtml(looseList({ items }, { header: () => 'text' }))).words).toContain(
      'accepts plain content',
    );
  });
});

test('a component may contain itself under a condition or in rows', () => {
  interface Branch {
    readonly name: string;
    readonly inside: readonly Branch[];
  }
  const BranchList: (props: {
    items: readonly Branch[] | ReturnType<typeof calc<[], readonly Branch[]>>;
  }) => ReturnType<typeof Panel> = component('branch-list', {
    props: { items: prop.list<Branch>() },
    template: ({ props }) =>
      el.ul(
        eachOf(props.items, (branch) =>
          el.li(branch.name, given(branch.inside.length, BranchList({ items: branch.inside as never }))),
        ),
      ),
  }) as never;
  const html = renderHtml(BranchList({ items: [{ name: 'a', inside: [{ name: 'b', inside: [] }] }] }));
  expect(html).toBe('<ul><li>a<ul><li>b</li></ul></li></ul>');
});

test('a component that contains itself without end is found before it is rendered', () => {
  const Inner = component('inner-loop', {
    slots: { default: slot() },
    template: ({ slots }) => el.div(slots.default()),
  });
  const Loop: () => ReturnType<typeof Inner> = component('outer-loop', {
    template: () => Inner({}, Loop()),
  }) as never;
  const { code, words } = onlyProblem(() => renderHtml(Loop()));
  expect(code).toBe('component-cycle');
  expect(words).toContain('outer-loop › inner-loop › outer-loop');
  expect(words).toContain('given(…)');
});
