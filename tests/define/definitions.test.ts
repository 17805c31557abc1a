import { describe, expect, test } from 'vitest';
import { component, definition, el, event, prop, slot } from 'zesty-lattice';
import { onlyProblem, problemsOf } from '../support/problems.js';

// What JavaScript passes, whatever the types say of it.
const loose = component as unknown as (name: string, parts: unknown) => unknown;
const looseOf = component.generic as unknown as (name: string, parts: unknown) => unknown;
const template = () => el.p('x');

describe('what a component cannot be made of is reported as it is defined', () => {
  test.each<[unknown, ...RegExp[]]>([
    [
      undefined,
      /has to be a record with a template, and is nothing/,
      /component\('stall-note', \{ template: … \}\)/,
    ],
    ['<p>x</p>', /and is the text "<p>x<\/p>"/],
    [[], /and is a list/],
    [() => ({ template }), /and is a function/, /component\.generic/],
    [{}, /has no template/, /Add one: template/],
    [{ template: 3 }, /"template" of <stall-note> has to be a function .*, and is the number 3/],
    [{ template: null }, /"template" .* and is null/],
    [{ template, slot: {} }, /a part "slot", which there is not/, /Did you mean "slots"\?/],
    [{ template, constructor: 3 }, /a part "constructor", which there is not/],
    [{ template, props: prop.text() }, /has a prop "rules" that is not made by prop\.text\(\)/],
    [{ template, props: { name: prop.text } }, /a prop "name" .* a function that was not called/],
    [
      { template, props: { name: 'text' } },
      /a prop "name" that is not made by prop\.text\(\).*, but the text "text"/,
    ],
    [{ template, props: ['name'] }, /"props" .* has to be a record, and is a list/],
    [{ template, slots: { note: true } }, /a slot "note" that is not made by slot\(\), but true/],
    [{ template, slots: { note: slot } }, /a slot "note" .*that was not called/],
    [{ template, events: { changed: event } }, /an event "changed" .*that was not called/],
    [{ template, state: { count: 0 } }, /"state" .* has to be a function, and is a record/],
    [{ template, handlers: { add: 1 } }, /a handler "add" that is not a function, but the number 1/],
    [{ template, reactions: () => 1 }, /"reactions" .* has to be a record, and is a function/],
    [{ template, provides: [] }, /"provides" .* has to be a function, and is a list/],
    [{ template, connected: 'yes' }, /"connected" .* has to be a function, and is the text "yes"/],
    [{ template, field: true }, /"field" .* a record with a function "value"/],
    [{ template, styles: ['p {}', 3] }, /"styles" .* has to be CSS text, a file of it, or a list of these/],
    [{ template, description: 3 }, /"description" .* one sentence of text, and is the number 3/],
    [{ template, joinLines: 'yes' }, /"joinLines" .* true or false, and is the text "yes"/],
    [{ template, uses: 'stall-sign' }, /"uses" .* a list of components, and is the text "stall-sign"/],
    [{ template, helpers: { euros: 3 } }, /a helper "euros" that is not a function/],
    [{ template, foreign: 'x-map' }, /"foreign" .* a list of tag names and patterns/],
    [{ template, accepts: 3 }, /"accepts" .* the name of a prop, and is the number 3/],
    [{ template, accepts: 'tga', props: { tag: prop.tag(['p']) } }, /names "tga"/, /Did you mean "tag"\?/],
    [{ template, accepts: 'name', props: { name: prop.text() } }, /no prop made by prop\.tag\(\)/],
  ])('%j', (parts, ...said) => {
    const { code, words, source } = onlyProblem(() => loose('stall-note', parts));
    expect(code).toBe('definition-invalid');
    for (const one of said) expect(words).toMatch(one);
    expect(source?.file).toMatch(/definitions\.test\.ts$/);
  });

  test('all of it at once', () => {
    const problems = problemsOf(() => loose('stall-note', { slot: {}, props: { a: 1 }, handlers: 3 }));
    expect(problems.map(({ message }) => /"(\w+)"|no template/.exec(message)?.[1])).toEqual([
      undefined,
      'slot',
      'props',
      'handlers',
    ]);
  });

  test('also of a component of any item', () => {
    expect(onlyProblem(() => looseOf('row-list', { template })).code).toBe('definition-invalid');
    expect(onlyProblem(() => looseOf('row-list', () => ({ tempalte: template, template }))).words).toContain(
      'Did you mean "template"?',
    );
    const { source } = onlyProblem(() => looseOf('row-list', () => undefined));
    expect(source?.file).toMatch(/definitions\.test\.ts$/);
  });

  test('and parts that are left out as undefined are none', () => {
    expect(
      loose('stall-note', { template, props: undefined, slots: undefined, extra: undefined }),
    ).toBeTypeOf('function');
    expect(component('stall-note', definition({ template })).name).toBe('stall-note');
  });
});
