import { describe, expect, test } from 'vitest';
import * as lattice from 'zesty-lattice';
import { renderHtml, renderPage } from 'zesty-lattice/html';
import { onlyProblem } from '../support/problems.js';

type Loose = Readonly<Record<string, (...args: unknown[]) => unknown>>;

// What JavaScript calls, whatever the types say of it.
const { given, eachOf, calc, phrase, trusted, uid, preset, share } = lattice as unknown as Loose & {
  component: Loose[string];
};
const el = lattice.el as unknown as Loose;
const prop = lattice.prop as unknown as Loose;
const crates = () => lattice.prop.number().fallback(0) as unknown as Loose;
const names = () => lattice.prop.list(lattice.prop.text()).fallback([]) as unknown as Loose;

interface Seen {
  readonly props: Readonly<Record<string, unknown>>;
  readonly slots: Loose;
  readonly handlers: Loose;
}

/** Renders a component whose template is called as its types forbid. */
const inTemplate = (template: (seen: Seen) => unknown) => () => {
  const make = lattice.component as unknown as (name: string, parts: unknown) => () => lattice.Use;
  const List = make('crate-list', {
    props: { crates: crates(), names: names() },
    slots: { default: lattice.slot() },
    state: () => ({ open: false }),
    handlers: { add: () => undefined },
    template,
  });
  return renderHtml(List());
};

describe('what a template calls with something else than it takes', () => {
  test.each<[string, (seen: Seen) => unknown, RegExp]>([
    ['given', () => given?.(), /given expects a test and content, but received nothing/],
    ['eachOf', () => eachOf?.(3, () => 'x'), /eachOf repeats content for a list, but received the number 3/],
    ['eachOf', () => eachOf?.(el.ul?.(), () => 'x'), /for a list, but received a piece of a template/],
    [
      'eachOf',
      ({ props }) => eachOf?.(props.names),
      /expects a function of the item .*, but received nothing/,
    ],
    ['eachOf', ({ props }) => eachOf?.(props.names, el.li?.('x')), /, but received a piece of a template/],
    ['eachOf', ({ props }) => eachOf?.(props.names, props.crates), /, but received an expression/],
    ['calc', () => calc?.(), /calc expects a function as its last argument, but received nothing/],
    ['calc', ({ props }) => calc?.(props.crates, 2), /last argument, but received the number 2/],
    ['calc', ({ props }) => calc?.(() => 2, props.crates), /last argument, but received an expression/],
    ['phrase', ({ props }) => phrase?.('crates: ', props.crates), /phrase was called like a function/],
    ['trusted', () => trusted?.(3), /trusted expects HTML as text, but received the number 3/],
    ['trusted', () => trusted?.(el.p?.('x')), /, but received a piece of a template/],
    ['uid', () => uid?.(), /uid expects a label, but received nothing/],
    ['uid', () => uid?.({}), /uid expects a label, but received an empty record/],
    [
      'preset',
      () => preset?.('p', {}),
      /preset is made of a builder or a component, but received the text "p"/,
    ],
    ['preset', () => preset?.(el.p), /preset expects a record of what is filled in, but received nothing/],
  ])('%s', (_name, template, said) => {
    const { code, words, source, where } = onlyProblem(inTemplate(template));
    expect(code).toBe('call-invalid');
    expect(words).toMatch(said);
    expect(where).toBe('crate-list');
    expect(source?.file).toMatch(/calls\.test\.ts$/);
  });

  test.each<[string, (seen: Seen) => unknown, RegExp]>([
    [
      'a handler itself',
      ({ handlers }) => el.button?.({ on: { click: handlers.add } }),
      /on\.click of <button> expects the call of a handler, but received a function/,
    ],
    [
      'a function',
      () => el.button?.({ on: { click: () => 1 } }),
      /on\.click of <button> .* received a function/,
    ],
    [
      'no record',
      () => el.button?.({ on: 'click' }),
      /on of <button> expects a record of handlers by event, but received the text "click"/,
    ],
    [
      'a prop',
      ({ props }) => el.input?.({ bind: props.names }),
      /bind of <input> ties a control to a field of the state/,
    ],
    ['text', () => el.input?.({ bind: 'open' }), /Keep the value in the state: bind: state\.title/],
  ])('`on` and `bind` that hold %s', (_name, template, said) => {
    const { code, words } = onlyProblem(inTemplate(template));
    expect(code).toBe('attribute-invalid');
    expect(words).toMatch(said);
  });

  test('a form that there is not', () => {
    const Sign = lattice.component('grove-sign', { template: () => lattice.el.p('x') });
    for (const call of [
      () => renderHtml(Sign, {}, { form: 'html' as never }),
      () => renderHtml(Sign(), { form: 'html' as never }),
      () => renderPage(Sign(), { title: 'x', form: 'html' as never }),
    ]) {
      const { code, words } = onlyProblem(call);
      expect(code).toBe('call-invalid');
      expect(words).toMatch(/form expects "markup" or "elements", but received the text "html"/);
    }
  });

  test('content in a class', () => {
    for (const value of [el.b?.(), [['a'], el.b?.()], eachOf?.([1], () => 'a')]) {
      const { code, words } = onlyProblem(inTemplate(() => el.p?.({ class: value })));
      expect(code).toBe('attribute-invalid');
      expect(words).toMatch(/class of <p> contains an element or other content/);
    }
  });

  test('a promise where content belongs', () => {
    for (const template of [
      async () => 'x',
      () => Promise.resolve('x'),
      () => el.p?.(Promise.resolve('x')),
    ]) {
      const { code, words } = onlyProblem(inTemplate(template));
      expect(code).toBe('content-not-allowed');
      expect(words).toMatch(/A promise cannot stand .* Wait for it before/);
    }
  });
});

describe('what a module calls with something else than it takes', () => {
  const Card = lattice.component('stall-card', {
    slots: { default: lattice.slot() },
    template: ({ slots }) => slots.default(),
  });
  const loose = Card as unknown as (...args: unknown[]) => never;

  test.each<[string, () => unknown, RegExp]>([
    ['prop.choice', () => prop.choice?.('early'), /expects a list of texts/],
    ['prop.choice', () => prop.choice?.([]), /expects a list of texts/],
    ['prop.choice', () => prop.choice?.(['early', 3]), /expects a list of texts/],
    ['prop.tag', () => prop.tag?.('p'), /expects a list of element names/],
    ['prop.list', () => prop.list?.('text'), /expects the kind of its items, but received the text "text"/],
    ['prop.list', () => prop.list?.(prop.text), /expects the kind of its items, but received a function/],
    ['prop.record', () => prop.record?.('row'), /expects a record of kinds, but received the text "row"/],
    [
      'prop.record',
      () => prop.record?.({ row: 'number' }),
      /expects a kind for each field, but received the text "number" for "row"/,
    ],
    ['prop.schema', () => prop.schema?.({}), /Standard Schema interface, which this one does not/],
    ['prop.schema', () => prop.schema?.(), /Standard Schema interface/],
    [
      'A prop with this fallback',
      () => crates().fallback?.('x'),
      /fallback expects a number, but received the text "x"/,
    ],
    [
      'A prop with this fallback',
      () => names().fallback?.(['a', 3]),
      /has an item that does not fit: item 1/,
    ],
    ['A prop with this fallback', () => crates().fallback?.(), /expects a number, but received nothing/],
    ['where', () => crates().where?.('> 0'), /where expects a test and a message/],
    ['share', () => share?.(), /share expects a name, but received nothing/],
    [
      '<stall-card>',
      () => loose({}, 'one', 'two'),
      /expects props and content, but received 3 arguments.* in a list/,
    ],
    ['<stall-card>', () => [1, 2].map(loose), /received 3 arguments/],
    [
      'renderPage',
      () => renderPage(Card(), undefined as never),
      /expects options with the title of the page/,
    ],
    [
      'renderPage',
      () => renderPage(Card(), { titel: 'x' } as never),
      /expects options with the title of the page/,
    ],
  ])('%s', (name, call, said) => {
    const { code, words, source } = onlyProblem(call);
    expect(code).toBe('call-invalid');
    expect(words.startsWith(name)).toBe(true);
    expect(words).toMatch(said);
    expect(source?.file).toMatch(/calls\.test\.ts$/);
  });
});
