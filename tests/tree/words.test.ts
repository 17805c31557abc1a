import { describe, expect, test } from 'vitest';
import { calc, component, eachOf, el, given, prop, resolve, slot, trusted } from 'zesty-lattice';

const Box = component('word-box', {
  props: { note: prop.text().optional() },
  slots: { default: slot() },
  template: ({ props, slots }) => el.section(slots.default(), given(props.note, props.note)),
});

/** The outlines of what a box is filled with. */
const outlines = (tree: { toJSON(): unknown }): unknown =>
  JSON.parse(JSON.stringify(tree), (key, value) =>
    key === 'content' && Array.isArray(value) ? value.map(({ outline }) => outline) : value,
  ).root;

describe('what a tree says', () => {
  test('of what fills a slot: data, ready-made HTML, rows and calculations in a line each', () => {
    const data = el.script({ type: 'application/json', json: { rows: 1 } });
    expect(
      outlines(resolve(Box({}, [data, trusted(' <b>x</b>\n y'), trusted(' '), el.p('x')]))),
    ).toMatchObject({
      slots: [{ state: 'filled', content: ['<script> data', 'trusted <b>x</b> y', '<p> "x"'] }],
    });
    const Lines = component('word-lines', {
      props: { html: prop.text(), items: prop.list<string>() },
      template: ({ props }) =>
        Box({}, [
          trusted(props.html),
          eachOf(props.items, (item) => el.p(item)),
          calc(props.html, (text) => text.length),
        ]),
    });
    expect(outlines(resolve(Lines, { html: 'a', items: ['b'] }))).toMatchObject({
      uses: [
        {
          slots: [
            {
              content: [
                'trusted { props.html }',
                'each of props.items: <p> { item }',
                '{ calc(props.html) }',
              ],
            },
          ],
        },
      ],
    });
  });

  test('of what is no component, and of an attribute that ARIA has not', () => {
    expect(() => resolve(null as never)).toThrow('Nothing defines a component "null"');
    expect(() => resolve(undefined as never)).toThrow('Nothing defines a component "undefined"');
    const wrong = Box({ 'aria-lable': 'x' } as never);
    expect(resolve(wrong).problems.map(({ message }) => message)).toEqual([
      '<word-box> has no attribute "aria-lable".',
    ]);
  });

  test('of where a component that stands alone is defined', () => {
    const { root } = JSON.parse(JSON.stringify(resolve(Box)));
    expect(root.source).toMatchObject({ file: expect.stringMatching(/words\.test\.ts$/), line: 4 });
    expect(root.line).toBeUndefined();
  });
});
