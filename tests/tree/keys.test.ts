import { describe, expect, test } from 'vitest';
import { component, eachOf, el, prop, resolve } from 'zesty-lattice';

const CrateRows = component('crate-rows', {
  props: { crates: prop.list(prop.record({ id: prop.number().optional(), fruit: prop.text() })) },
  template: ({ props }) => el.ul(eachOf(props.crates, (crate) => el.li(crate.fruit), { key: 'id' })),
});
const reported = (crates: readonly { id?: number; fruit: string }[]): readonly string[] =>
  resolve(CrateRows, { crates }).problems.map(({ code, message, hint }) => `${code}: ${message} ${hint}`);

describe('the keys of rows, where the list is known', () => {
  test('that differ are right', () => {
    expect(
      reported([
        { id: 1, fruit: 'a' },
        { id: 2, fruit: 'b' },
      ]),
    ).toEqual([]);
    expect(reported([{ fruit: 'a' }])).toEqual([]);
    expect(resolve(CrateRows).problems).toEqual([]);
  });

  test('two that are the same are reported', () => {
    expect(
      reported([
        { id: 1, fruit: 'a' },
        { id: 2, fruit: 'b' },
        { id: 1, fruit: 'c' },
      ]),
    ).toEqual([
      'key-doubled: Two rows of props.crates have the key 1. Use a key that is different for each item.',
    ]);
  });

  test('one that no row has is reported, with what that is', () => {
    const [problem] = reported([{ fruit: 'a' }, { fruit: 'b' }]);
    expect(problem).toContain('have the key undefined. No item has the field that is named as the key');
  });
});
