import { describe, expect, test } from 'vitest';
import { calc, component, eachOf, el, given, prop, resolve } from 'zesty-lattice';
import { componentCore } from '../../packages/lattice/src/component/index.js';
import { ItemPlace, planOf } from '../../packages/lattice/src/plan/index.js';
import { describe as words } from '../../packages/lattice/src/template/index.js';

interface Line {
  readonly id: number;
  readonly text: string;
}

/** The ways from fields of the state to what the controls of a component show. */
function bound(made: unknown): readonly string[] {
  const core = componentCore(made);
  if (!core) throw new Error('no component');
  return planOf(core)
    .content.all('element')
    .flatMap(({ attributes }) =>
      attributes.flatMap((one) =>
        one.kind === 'binding'
          ? [
              [
                one.field,
                ...one.path.map((key) => {
                  if (typeof key === 'string') return key;
                  return key instanceof ItemPlace
                    ? `(${key.key ?? 'itself'} of ${words(key.value)})`
                    : `[${words(key)}]`;
                }),
              ].join('.'),
            ]
          : [],
      ),
    );
}

const state = (): { lines: readonly Line[]; draft: { title: string }; word: string } => ({
  lines: [],
  draft: { title: '' },
  word: '',
});
const sorted = (lines: readonly Line[]): readonly Line[] => [...lines].reverse();

describe('a control is tied', () => {
  test('to a field, a part of one, a part of a row', () => {
    const Form = component('bound-parts', {
      state,
      template: (t) => [
        el.input({ bind: t.state.word }),
        el.input({ bind: t.state.draft.title }),
        eachOf(t.state.lines, (line) => el.input({ bind: line.text })),
      ],
    });
    expect(bound(Form)).toEqual(['word', 'draft.title', 'lines.[index].text']);
  });

  test('to the item of the state that a row was calculated from, by its key or as it is', () => {
    const rows = (key: object) =>
      component('bound-rows', {
        state,
        template: (t) =>
          eachOf(calc(t.state.lines, sorted), (line) => el.input({ bind: line.text }), {
            ...key,
            of: t.state.lines,
          }),
      });
    expect(bound(rows({ key: 'id' }))).toEqual(['lines.(id of line.id).text']);
    expect(bound(rows({}))).toEqual(['lines.(itself of line).text']);
    // A key that is no field of the item is not what finds it.
    expect(bound(rows({ key: (line: { id: never }) => calc(line.id, (id) => `n${id}`) }))).toEqual([
      'lines.(itself of line).text',
    ]);
    const Text = component('bound-text', {
      state,
      helpers: { sorted },
      template:
        '<template each-of="sorted(lines)" as="line" key="id" of="lines"><input bind="line.text"></template>',
    });
    expect(bound(Text)).toEqual(['lines.(id of line.id).text']);
  });

  test('to nothing that is given or calculated, which is reported', () => {
    const Wrong = component('bound-wrong', {
      props: { lines: prop.list<Line>() },
      state,
      template: (t) => [
        eachOf(t.props.lines, (line) => el.input({ bind: line.text as never })),
        el.input({ bind: calc(t.state.word, (word) => word) as never }),
        eachOf(calc(t.state.lines, sorted), (line) => el.input({ bind: line.text as never })),
        given(t.state.word, el.input({ bind: t.state.word })),
      ],
    });
    expect(bound(Wrong)).toEqual(['word']);
    expect(
      resolve(Wrong, { lines: [] }).problems.filter(({ code }) => code === 'attribute-invalid'),
    ).toHaveLength(3);
  });
});
