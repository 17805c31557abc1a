import { describe, expect, test } from 'vitest';
import { type AnyComponent, calc, component, el, phrase, prop, resolve } from 'zesty-lattice';
import { renderHtml } from 'zesty-lattice/html';
import { z } from 'zod';
import { onlyProblem, problemsOf } from '../support/problems.js';

const Stall = component('stall-sign', {
  props: {
    name: prop.text(),
    season: prop.choice(['early', 'late']).fallback('early'),
    crates: prop.number().fallback(0),
    note: prop.text().optional(),
    rare: prop.flag(),
  },
  template: ({ props }) =>
    el.p(
      phrase`${props.name} ${props.season} ${props.crates}`,
      props.note,
      el.input({ disabled: props.rare }),
    ),
});

/** A use as JavaScript or JSON would write it, without types. */
const loose = (props: unknown): ReturnType<typeof Stall> =>
  (Stall as (props: unknown) => ReturnType<typeof Stall>)(props);

describe('a prop', () => {
  test('that is left out shows its fallback, or nothing when it is optional', () => {
    expect(renderHtml(Stall({ name: 'Gate' }))).toBe('<p>Gate early 0<input></p>');
  });

  test('that is given is shown', () => {
    const html = renderHtml(Stall({ name: 'Gate', season: 'late', crates: 4, note: '!', rare: true }));
    expect(html).toBe('<p>Gate late 4!<input disabled></p>');
  });

  test('given as undefined counts as left out', () => {
    expect(renderHtml(Stall({ name: 'Gate', season: undefined, note: undefined }))).toBe(
      '<p>Gate early 0<input></p>',
    );
  });

  test('that is required and missing is named, with what it takes', () => {
    const { code, words, where } = onlyProblem(() => renderHtml(loose({})));
    expect(code).toBe('prop-missing');
    expect(where).toBe('stall-sign');
    expect(words).toContain(`The required prop "name" of stall-sign is missing`);
    expect(words).toContain('.optional()');
  });

  test('that is misspelt is named, with the nearest one', () => {
    const [problem] = problemsOf(() => renderHtml(loose({ name: 'Gate', seson: 'late' })));
    expect(problem).toMatchObject({ code: 'prop-unknown', where: 'stall-sign' });
    expect(problem?.hint).toContain('Did you mean "season"?');
  });

  test('that holds text where a number belongs says how to write the number', () => {
    const { code, words } = onlyProblem(() => renderHtml(loose({ name: 'Gate', crates: '4' })));
    expect(code).toBe('prop-invalid');
    expect(words).toContain('expects a number, but received the text "4"; write 4 without quotes');
  });

  test('that holds "false" as text says to write it without quotes', () => {
    expect(onlyProblem(() => renderHtml(loose({ name: 'Gate', rare: 'false' }))).words).toContain(
      'write false without quotes',
    );
  });

  test('outside its fixed set says the nearest word of the set', () => {
    expect(onlyProblem(() => renderHtml(loose({ name: 'Gate', season: 'lat' }))).words).toContain(
      'Did you mean "late"?',
    );
  });

  test('cannot be reached through the prototype of the record', () => {
    expect(() => renderHtml(loose(Object.create({ name: 'Gate' })))).toThrow('prop-missing');
  });

  test('with several things wrong at once reports each', () => {
    const codes = problemsOf(() => renderHtml(loose({ crates: 'x', season: 2, colour: 1 }))).map(
      (problem) => problem.code,
    );
    expect(codes).toEqual(['prop-missing', 'prop-invalid', 'prop-invalid', 'prop-unknown']);
  });
});

describe('kinds', () => {
  const asks = (kind: Parameters<typeof prop.list>[0], value: unknown): string => {
    const Any = component('any-part', {
      props: { it: kind as never },
      template: ({ props }) => el.p(props.it as never),
    });
    return resolve(Any as AnyComponent, { it: value })
      .problems.map((problem) => problem.message)
      .join();
  };

  test.each([
    ['a list of numbers', prop.list(prop.number()), [1, 2], [1, 'x'], 'item 1 expects a number'],
    [
      'a record',
      prop.record({ row: prop.number(), label: prop.text().optional() }),
      { row: 1 },
      { rwo: 1 },
      'Did you mean "row"?',
    ],
    [
      'a record with a missing field',
      prop.record({ row: prop.number() }),
      { row: 1 },
      {},
      'has no field "row"',
    ],
    ['a date', prop.date(), new Date(0), '2026-11-28', 'write new Date("2026-11-28")'],
    ['a URL', prop.url(), 'https://orchard.example/', 'JavaScript:alert(1)', 'its scheme can carry a script'],
    [
      'a URL with a hidden scheme',
      prop.url(),
      '/a:b',
      ' java\nscript:alert(1)',
      'its scheme can carry a script',
    ],
    ['a number', prop.number(), 1.5, Number.NaN, 'expects a number'],
    ['a test', prop.number().where((n) => n > 0, 'must be above zero'), 1, 0, 'must be above zero'],
    ['a tag', prop.tag(['p', 'h2']), 'h2', 'script', 'one of the elements p, h2'],
  ] as const)('%s is taken or refused', (_name, kind, good, bad, words) => {
    expect(asks(kind as never, good)).toBe('');
    expect(asks(kind as never, bad)).toContain(words);
  });

  test('of a schema from elsewhere check by it, and pass on what it makes', () => {
    const Shift = component('shift-line', {
      props: {
        shift: prop.schema(
          z.object({ time: z.string().transform((time) => `${time} h`), needed: z.number().min(1) }),
        ),
      },
      template: ({ props }) => el.p(props.shift.time, props.shift.needed),
    });
    expect(renderHtml(Shift({ shift: { time: '9', needed: 2 } }))).toBe('<p>9 h2</p>');
    const { words } = onlyProblem(() => renderHtml(Shift({ shift: { time: '9', needed: 0 } })));
    expect(words).toContain('needed: ');
  });

  test('of a schema within lists and records pass on what it makes, at any depth', () => {
    const made = prop.schema({
      '~standard': { version: 1, vendor: 'grove', validate: (value: unknown) => ({ value: `${value}!` }) },
    });
    const Shown = component('shown-rows', {
      props: {
        all: prop.list(made),
        deep: prop.list(prop.record({ id: prop.number(), words: prop.list(made), word: made.optional() })),
      },
      template: ({ props }) =>
        el.p(
          calc(props.all, (all) => all.join()),
          calc(props.deep, (deep) => JSON.stringify(deep)),
        ),
    });
    const rows = [
      { id: 1, words: ['a'] },
      { id: 2, words: [], word: 'b' },
    ];
    expect(renderHtml(Shown({ all: ['x', 'y'], deep: rows }))).toBe(
      '<p>x!,y![{"id":1,"words":["a!"]},{"id":2,"words":[],"word":"b!"}]</p>',
    );
    expect(rows[0]?.words).toEqual(['a']);
  });

  test('of a schema that answers later are refused with the reason', () => {
    const later = {
      '~standard': { version: 1, vendor: 'later', validate: async (value: unknown) => ({ value }) },
    } as const;
    const Part = component('late-part', {
      props: { it: prop.schema(later) },
      template: ({ props }) => el.p(props.it as never),
    });
    expect(onlyProblem(() => renderHtml(Part({ it: 1 }))).words).toContain('answers later');
  });

  test('never change when they are refined', () => {
    const text = prop.text();
    text
      .optional()
      .describe('x')
      .where(() => false, 'never');
    const Part = component('same-part', { props: { it: text }, template: ({ props }) => el.p(props.it) });
    expect(renderHtml(Part({ it: 'a' }))).toBe('<p>a</p>');
  });
});

test('a prop passed down several levels is worked out once for each use', () => {
  let worked = 0;
  const Leaf = component('leaf-part', {
    props: { text: prop.text() },
    template: ({ props }) => el.b(props.text, props.text, props.text),
  });
  const Middle = component('middle-part', {
    props: { text: prop.text() },
    template: ({ props }) => [Leaf({ text: props.text }), Leaf({ text: props.text })],
  });
  const Root = component('root-part', {
    props: { name: prop.text() },
    template: ({ props }) => {
      const shout = calc(props.name, (name) => {
        worked++;
        return name.toUpperCase();
      });
      return Middle({ text: shout });
    },
  });
  expect(renderHtml(Root, { name: 'a' })).toBe('<b>AAA</b><b>AAA</b>');
  expect(worked).toBe(1);
});

describe('a record that may have more fields than it names', () => {
  const Sign = component('tool-sign', {
    props: {
      tool: prop.record({ name: prop.text(), rows: prop.number().optional() }, { more: true }),
      strict: prop.record({ name: prop.text() }).optional(),
    },
    template: ({ props }) =>
      el.p(
        props.tool.name,
        props.tool.rows,
        calc(props.tool, (tool) => String(tool.maker ?? '')),
      ),
  });

  test('takes them, and passes them on', () => {
    expect(renderHtml(Sign({ tool: { name: 'Saw', maker: ' by hand' } }))).toBe('<p>Saw by hand</p>');
    expect(resolve(Sign({ tool: { name: 'Saw', rows: 2, maker: 'x', year: 4 } })).problems).toEqual([]);
  });

  test('checks those that it names', () => {
    const { words } = onlyProblem(() => renderHtml(Sign({ tool: { name: 4 as never, maker: 'x' } })));
    expect(words).toContain('"name" expects text');
    // @ts-expect-error a field that is named has its type
    Sign({ tool: { name: 4 } });
  });

  test('others say how to take more', () => {
    const { words } = onlyProblem(() =>
      renderHtml(Sign({ tool: { name: 'Saw' }, strict: { name: 'a', maker: 'b' } as never })),
    );
    expect(words).toContain('prop.record({ … }, { more: true })');
  });

  test('is read so in HTML text', () => {
    const Text = component('tool-text', {
      props: { tool: prop.record({ name: prop.text() }, { more: true }) },
      template: '<p>{{ tool.name }}{{ tool.maker }}</p>',
    });
    expect(resolve(Text).problems).toEqual([]);
    expect(renderHtml(Text({ tool: { name: 'Saw', maker: '!' } }))).toBe('<p>Saw!</p>');
  });
});
