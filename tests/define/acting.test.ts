import { describe, expect, test } from 'vitest';
import { component, eachOf, el, event, type LatticeError, node, prop, resolve } from 'zesty-lattice';
import { renderHtml } from 'zesty-lattice/html';

const handlers = { move: (_context: unknown, _step: number) => undefined, save: () => undefined };

describe('words behind an event', () => {
  /** What is wrong with them, in functions and in HTML text. */
  const of = (words: string): readonly (readonly string[])[] =>
    [
      component('key-note', {
        handlers,
        template: (given) => el.button({ type: 'button', on: { [words]: given.handlers.save() } }, 'Save'),
      }),
      component('key-text', {
        handlers,
        template: `<button type="button" handles="${words}: save()">Save</button>`,
      }),
    ].map((one) => resolve(one, {}).problems.map(({ hint, message }) => `${message} ${hint}`));

  test.each([
    'keydown Enter',
    'keydown Control+s Shift+Tab',
    'keydown Space ? +',
    'keydown Control++',
    'keyup F12 once',
    'scroll passive',
    'focus capture',
    'crate-moved once',
  ])('%s is right', (words) => {
    expect(of(words)).toEqual([[], []]);
  });

  test.each([
    ['keydown enter', 'has "enter", which is no key'],
    ['keydown Shift+a', 'has "Shift+a", which is no key'],
    ['keydown Ctrl+s', 'has "Ctrl+s", which is no key'],
    ['keydown Control+Control+s', 'has "Control+Control+s", which is no key'],
    ['click Enter', 'has the word "Enter" behind the event click'],
    ['scroll pasive', 'Did you mean "passive"?'],
  ])('%s is reported', (words, said) => {
    for (const found of of(words)) {
      expect(found).toHaveLength(1);
      expect(found[0]).toContain(said);
    }
  });
});

test('a function that listens is given the event, and returns the call of a handler', () => {
  const Right = component('move-note', {
    handlers,
    template: (given) => el.p({ on: { keydown: (key) => given.handlers.move(key.location) } }),
  });
  expect(resolve(Right, {}).problems).toEqual([]);
  const Wrong = component('wrong-note', {
    template: () => el.p({ on: { keydown: ((key: { code: string }) => key.code) as never } }),
  });
  expect(resolve(Wrong, {}).problems[0]?.message).toContain(
    'on.keydown of <p> expects a function that returns the call of a handler',
  );
  let calls = 0;
  const Careless = component('careless-note', {
    template: () => el.p({ on: { click: (() => calls++) as never } }),
  });
  expect(resolve(Careless, {}).problems).toHaveLength(1);
  expect(calls).toBe(0);
});

test('a prop that is read beside a function that listens counts as placed', () => {
  const Right = component('move-note', {
    props: { step: prop.number().fallback(1) },
    handlers,
    template: ({ handlers: { move }, props: { step } }) => el.p({ on: { keydown: (_key) => move(step) } }),
  });
  expect(resolve(Right, {}).problems).toEqual([]);
});

describe('nodes', () => {
  const nodes = { field: node('input'), rows: node.keyed('li') };

  test('write nothing', () => {
    const Form = component('node-form', {
      nodes,
      props: { items: prop.list(prop.text()).fallback(['a']) },
      template: (given) => [
        el.input({ node: given.nodes.field, name: 'x' }),
        eachOf(given.props.items, (item) => el.li({ node: given.nodes.rows(item) }, item)),
      ],
    });
    const Text = component('node-text', {
      nodes,
      props: { items: prop.list(prop.text()).fallback(['a']) },
      template:
        '<input node="field" name="x"><template each-of="items" as="item"><li node="rows(item)">{{ item }}</li></template>',
    });
    expect([Form, Text].map((one) => renderHtml(one, {}))).toEqual(
      ['<input name="x"><li>a</li>'].flatMap((html) => [html, html]),
    );
    expect([Form, Text].flatMap((one) => resolve(one, {}).problems)).toEqual([]);
  });

  test('are an attribute of elements from elsewhere where a component has none', () => {
    const Text = component('plain-text', {
      foreign: ['graph-view'],
      template: '<graph-view node="7"></graph-view>',
    });
    expect(renderHtml(Text, {})).toBe('<graph-view node="7"></graph-view>');
  });

  test.each([
    ['<input node="feild">', 'Did you mean "field"?'],
    ['<input node="field(1)">', 'and field has none'],
    ['<li node="rows">x</li>', 'Write a key that differs in each row: node="rows(row.id)".'],
    ['<select node="field" aria-label="x"></select>', 'which nodes declares for <input>'],
    ['<input node="1 + 1">', 'names no node'],
  ])('%s is reported', (template, said) => {
    const { problems } = resolve(component('node-text', { nodes, template }), {});
    expect(problems.map(({ hint, message }) => `${message} ${hint}`).join('\n')).toContain(said);
  });

  test('that are not declared are reported in functions', () => {
    const Form = component('node-form', {
      nodes,
      // @ts-expect-error
      template: (given) => el.input({ node: given.nodes.feild, 'aria-label': 'x' }),
    });
    expect(resolve(Form, {}).problems[0]?.hint).toContain('Did you mean "field"?');
  });
});

test('parts that are no functions, events or nodes are refused', () => {
  const of = (parts: object): string => {
    try {
      component('wrong-parts', { template: () => '', ...parts } as never);
      return '';
    } catch (thrown) {
      return (thrown as LatticeError).message;
    }
  };
  expect(of({ shown: true })).toContain('"shown"');
  expect(of({ elementMethods: { show: 1 } })).toContain('a method "show"');
  for (const method of ['remove', 'attributeChangedCallback', 'appendChild'])
    expect(of({ elementMethods: { [method]: () => undefined } })).toContain(
      'something that each element has already',
    );
  expect(of({ props: { show: prop.flag() }, elementMethods: { show: () => undefined } })).toContain(
    'has the name of a prop',
  );
  expect(of({ elementMethods: { focus: () => undefined } })).toBe('');
  expect(of({ nodes: { field: 'input' } })).toContain("made by node('input')");
  expect(of({ nodes: { field: node('input') }, events: { closing: event({ cancelable: true }) } })).toBe('');
});

describe('properties', () => {
  test('write an attribute alone where that is what a page starts from', () => {
    const Box = component('mixed-box', {
      template: () => [
        el.input({ type: 'checkbox', 'aria-label': 'All', properties: { indeterminate: true } }),
        el.video({ properties: { muted: true } }),
        el.of('graph-view', { properties: { items: [1] } }),
      ],
    });
    expect(renderHtml(Box, {})).toBe(
      '<input type="checkbox" aria-label="All"><video muted></video><graph-view></graph-view>',
    );
  });

  test.each([
    ['p', { innerHTML: '<b>' }, 'sets innerHTML'],
    ['p', { textContent: 'x' }, 'sets textContent'],
    ['p', { onclick: 'x' }, 'sets onclick'],
    ['a', { href: 'javascript:x' }, 'Write it as an attribute: href.'],
    ['iframe', { srcdoc: '<b>' }, 'sets srcdoc'],
    ['form', { action: 'javascript:x' }, 'Write it as an attribute: action.'],
    ['input', { value: 'x' }, 'Tie the control to the state with bind'],
    ['p', { className: 'x' }, 'Write the attributes class and style.'],
    ['graph-view', { innerHTML: 'x' }, 'sets innerHTML'],
    ['p', ['x'], 'expects a record of values by property'],
  ])('%s %j is reported', (tag, properties, said) => {
    const Box = component('mixed-box', { template: () => el.of(tag, { properties: properties as never }) });
    const words = resolve(Box, {}).problems.map(({ hint, message }) => `${message} ${hint}`);
    expect(words.join('\n')).toContain(said);
    expect(() => renderHtml(Box, {})).toThrow('attribute-invalid');
  });

  test('of HTML text that name no value are reported', () => {
    const Box = component('mixed-box', { template: '<p properties="hidden">x</p>' });
    expect(resolve(Box, {}).problems[0]?.message).toContain('names no property and value');
  });
});

test('a prop that reflects is one that an attribute can hold, and a field follows a prop that there is', () => {
  expect(() => prop.list(prop.text()).reflect()).toThrow('reflect is for texts');
  expect(() =>
    component('fold-note', {
      props: { open: prop.flag().reflect() },
      state: () => ({ isOpen: false }),
      follows: { isOpen: 'opne' as 'open' },
      template: () => '',
    }),
  ).toThrow('Did you mean "open"?');
});

test('a class for what leaves is constant, and writes nothing', () => {
  const Note = component('fade-note', { template: () => el.p({ leaving: 'fades' }, 'x') });
  expect(renderHtml(Note, {})).toBe('<p>x</p>');
  const Wrong = component('fade-wrong', {
    props: { name: prop.text().fallback('x') },
    template: ({ props }) => el.p({ leaving: props.name as never }, 'x'),
  });
  expect(resolve(Wrong, {}).problems.map(({ message }) => message)).toEqual([
    expect.stringContaining('leaving of <p> expects the name of a class'),
  ]);
  const None = component('fade-none', {
    template: () => [el.p({ leaving: null }, 'x'), el.p({ leaving: false, node: undefined }, 'y')],
  });
  expect(resolve(None, {}).problems).toEqual([]);
  expect(
    renderHtml(
      component('fade-away', { foreign: ['fade-box'], template: '<fade-box leaving="a"></fade-box>' }),
      {},
    ),
  ).toBe('<fade-box leaving="a"></fade-box>');
});

test('a field focuses one of its nodes, and the ARIA properties come from a function', () => {
  const field = { value: () => null, focuses: 'untli' as never };
  expect(() =>
    component('stay-field', {
      state: () => ({}),
      nodes: { until: node('input') },
      field,
      template: () => '',
    }),
  ).toThrow('Did you mean "until"?');
  expect(() => component('stay-aria', { aria: { role: 'group' } as never, template: () => '' })).toThrow(
    'The part "aria" of <stay-aria> has to be a function',
  );
});
