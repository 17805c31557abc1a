import { calc, type Expr, eachOf, el, given, phrase } from 'zesty-lattice';
import type { Case } from '../case.js';
import {
  Branch,
  Card,
  CardThrough,
  Counter,
  Either,
  Leaf,
  LineDeep,
  LineThrough,
  Link,
  LiveLeaf,
  LiveRows,
  LiveRowsThrough,
  Nest,
  OpenCard,
  TextLine,
} from '../components.js';

/** Attributes that a use gives to the element its component renders as. */
const accepted: readonly Case[] = [
  {
    name: 'attributes for the element chosen',
    template: () => TextLine({ tag: 'label', for: 'grower' }, 'x'),
  },
  {
    name: 'no attributes for the element chosen',
    template: ({ state }) => TextLine({ strong: state.flag }, state.text),
  },
  {
    name: 'attributes that win over the component',
    template: ({ state }) => TextLine({ tag: 'p', title: state.text }, 'x'),
  },
  {
    name: 'attributes that are taken away',
    template: () => TextLine({ tag: 'p', title: null, class: null }, 'x'),
  },
  {
    name: 'a class for the element chosen',
    template: ({ state }) => TextLine({ tag: 'h2', class: ['more', { on: state.flag }, state.text] }, 'x'),
  },
  {
    name: 'a style for the element chosen',
    template: ({ state }) => Link({ style: { margin: '0', '--n': state.count } }, 'x'),
  },
  { name: 'a URL for the element chosen', template: ({ props }) => Link({ href: props.url }, 'x') },
  {
    name: 'a URL in capitals for the element chosen',
    template: ({ props }) => Link({ HREF: props.url } as never, 'x'),
  },
  {
    name: 'a URL through the component',
    template: ({ state }) => Link({ to: phrase`/n/${state.count}`, title: state.text }, 'x'),
  },
  {
    name: 'attributes for a tag that changes',
    template: ({ state }) =>
      TextLine({ tag: given2(state.flag), lang: 'en', 'data-n': state.count } as never, 'x'),
    without: {},
  },
  {
    name: 'attributes in a component',
    template: ({ state }) => Card({}, TextLine({ tag: 'p', title: state.text, class: 'inner' }, state.text)),
  },
  {
    name: 'attributes in rows',
    template: ({ state }) =>
      eachOf(
        state.items,
        (item) => TextLine({ tag: 'p', title: item.name, class: { on: item.on } }, item.name),
        { key: 'id' },
      ),
  },
  {
    name: 'attributes handed on',
    template: ({ state }) => LineThrough({ text: state.text, title: state.text, lang: 'fr' }),
  },
  { name: 'attributes handed on, none', template: ({ state }) => LineThrough({ text: state.text }) },
  {
    name: 'a class handed on',
    template: ({ state }) => LineThrough({ text: 'x', class: ['use', { on: state.flag }] }),
  },
  {
    name: 'attributes handed on twice',
    template: ({ state }) =>
      LineDeep({ tag: 'p', text: state.text, title: state.text, class: { deep: state.flag } }),
  },
  {
    name: 'attributes handed on twice in rows',
    template: ({ state }) =>
      eachOf(state.items, (item) => LineDeep({ text: item.name, title: item.name, 'data-n': state.count }), {
        key: 'id',
      }),
  },
  {
    name: 'attributes handed on, in a slot',
    template: ({ state }) =>
      Card(
        {},
        { title: LineThrough({ text: 'x', title: state.text }), default: LineDeep({ class: state.text }) },
      ),
  },
];

/** What a use says of its component's element, which goes to the outermost one where that is flattened. */
const outermost: readonly Case[] = [
  {
    name: 'what belongs to the element',
    template: ({ state }) =>
      Card({
        id: 'today',
        class: ['more', { on: state.flag }, state.text],
        style: { margin: '0', '--n': state.count },
        hidden: state.flag,
        role: 'note',
        lang: 'en',
        part: 'card',
        'aria-label': state.text,
      }),
  },
  { name: 'what belongs to the element, none of it', template: () => Card({ id: null, hidden: false }) },
  {
    name: 'what wins over the outermost element',
    template: ({ props }) => Card({ 'aria-labelledby': null, dataset: { count: props.text } }),
    without: { markup: 'HTML text has data-count' },
  },
  {
    name: 'what belongs to the element, through a component',
    template: ({ state }) =>
      CardThrough({ open: state.flag, class: { more: state.flag }, 'aria-label': state.text, id: 'today' }),
  },
  {
    name: 'what belongs to one element or another',
    template: ({ state }) =>
      Either({ on: state.flag, text: state.text, class: ['either', state.text], id: state.text }),
  },
  {
    name: 'what belongs to the element, in rows',
    template: ({ state }) =>
      eachOf(
        state.items,
        (item) => Either({ on: item.on, text: item.name, class: { on: item.on }, 'aria-label': item.name }),
        { key: 'id' },
      ),
  },
  {
    name: 'what belongs to the element, in a slot',
    template: ({ state }) =>
      Card(
        { class: 'outer' },
        { title: CardThrough({ class: state.text }), default: Either({ text: 'x', hidden: state.flag }) },
      ),
  },
  {
    name: 'what belongs to the box of a component',
    template: ({ state }) => Branch({ class: { wide: state.flag }, 'aria-label': state.text }, 'x'),
    styles: '.wide { font-style: italic } b { color: rgb(6, 6, 6) }',
  },
  {
    name: 'what belongs to the element of a preset',
    template: ({ state }) => OpenCard({ class: { more: state.flag }, 'aria-label': state.text }),
  },
  {
    name: 'what belongs to the element of one that holds itself',
    template: ({ state }) => Nest({ depth: state.count, text: state.text, class: { deep: state.flag } }),
  },
  {
    name: 'rules of who gives a class',
    template: ({ state }) => [
      Leaf({ text: state.text, class: { wide: state.flag } }),
      CardThrough({ open: true, class: 'wide' }),
    ],
    styles: '.wide { font-style: italic } .x { color: rgb(5, 5, 5) }',
  },
  {
    name: 'rules of who gives a class, inside an element',
    template: ({ state }) => LiveLeaf({}, Leaf({ class: { wide: state.flag } }, el.b('b'))),
    styles: '.wide { font-style: italic } b { color: rgb(5, 5, 5) }',
  },
];

function given2(test: unknown): never {
  return (typeof test === 'boolean' ? (test ? 'h2' : 'label') : calcTag(test)) as never;
}

function calcTag(test: unknown): unknown {
  return calc(test as boolean, (on) => (on ? 'h2' : 'label'));
}

const press =
  (selector: string) =>
  (root: ShadowRoot): void =>
    root.querySelector<HTMLElement>(selector)?.click();

const key =
  (init: KeyboardEventInit) =>
  (root: ShadowRoot): void =>
    void root.querySelector('button')?.dispatchEvent(new KeyboardEvent('keydown', init));

/** Form controls, events. */
const controls: readonly Case[] = [
  {
    name: 'a control of the state',
    template: ({ state }) => [el.input({ bind: state.text, name: 'a' }), state.text],
  },
  { name: 'a number of the state', template: ({ state }) => el.input({ type: 'number', bind: state.count }) },
  {
    name: 'a checkbox of the state',
    template: ({ state }) => el.input({ type: 'checkbox', bind: state.flag }),
  },
  {
    name: 'radio buttons of the state',
    template: ({ state }) =>
      ['section', 'aside', 'p'].map((value) =>
        el.input({ type: 'radio', name: 'r', value, bind: state.tag }),
      ),
  },
  { name: 'a text area of the state', template: ({ state }) => el.textarea({ bind: state.text, rows: 2 }) },
  {
    name: 'a choice of the state',
    template: ({ state }) =>
      el.select(
        { bind: state.tag },
        ['section', 'aside', 'p'].map((value) => el.option({ value }, value)),
      ),
  },
  {
    name: 'a choice of several of the state',
    template: ({ state }) =>
      el.select(
        { bind: state.chosen, multiple: true },
        ['x', 'y', 'z'].map((value) => el.option(value)),
      ),
  },
  {
    name: 'a choice with options of rows',
    template: ({ state }) =>
      el.select(
        { bind: state.text },
        eachOf(state.items, (item) => el.option({ value: item.name }, item.name), { key: 'id' }),
      ),
    state: { text: 'Dunlight' },
    steps: [{ state: { text: '' } }, { state: { text: 'Salt & "bell"' } }],
  },
  { name: 'a control in a component', template: ({ state }) => Card({}, el.input({ bind: state.text })) },
  {
    name: 'controls under a condition',
    template: ({ state }) =>
      given(state.flag, el.input({ bind: state.text }), el.textarea({ bind: state.text })),
  },
];

/** On the spot there is no state to tie a control to. */
const tied = controls.map(
  (one): Case => ({ ...one, without: { spot: 'a control is tied to no state there' } }),
);

const forms: readonly Case[] = [
  {
    name: 'a form',
    template: ({ state, props }) =>
      el.form(
        { method: 'post', action: '/post' },
        el.fieldset(
          { disabled: state.flag },
          el.legend('L'),
          el.label('Name ', el.input({ name: 'n', value: props.text, required: true })),
        ),
        el.button('Send'),
      ),
  },
  {
    name: 'a press of a button',
    template: ({ state, handlers }) =>
      el.button({ type: 'button', on: { click: handlers.add(1) } }, state.count),
    steps: [
      { act: press('button'), state: { count: 3 } },
      { act: press('button'), state: { count: 4 } },
    ],
  },
  {
    name: 'a press in a row',
    template: ({ state, handlers }) => [
      state.text,
      eachOf(
        state.items,
        (item) =>
          el.button(
            { type: 'button', class: 'b', on: { click: handlers.set('text', item.name) } },
            item.name,
          ),
        { key: 'id' },
      ),
    ],
    steps: [{ act: press('button:nth-of-type(2)'), state: { text: 'Salt & "bell"' } }],
  },
  {
    name: 'keys that are named',
    template: ({ state, handlers }) =>
      el.button(
        {
          type: 'button',
          on: { 'keydown Enter Control+s': handlers.add(1), 'keydown ArrowDown': handlers.add(10) },
        },
        state.count,
      ),
    steps: [
      { act: key({ key: 'Enter' }), state: { count: 3 } },
      { act: key({ key: 's', ctrlKey: true }), state: { count: 4 } },
      { act: key({ key: 's' }), state: { count: 4 } },
      { act: key({ key: 'ArrowDown' }), state: { count: 14 } },
      { act: key({ key: 'Enter', shiftKey: true }), state: { count: 14 } },
    ],
  },
  {
    name: 'an event that is read, and heard once',
    template: ({ state, handlers }) =>
      el.button(
        {
          type: 'button',
          on: { 'keydown once': (event: Expr<KeyboardEvent>) => handlers.set('text', event.key) },
        } as never,
        state.text,
      ),
    steps: [
      { act: key({ key: '<a>' }), state: { text: '<a>' } },
      { act: key({ key: 'b' }), state: { text: '<a>' } },
    ],
  },
  {
    name: 'a property without an attribute',
    template: ({ state }) => el.input({ type: 'checkbox', properties: { indeterminate: state.flag } }),
  },
  {
    name: 'a press in a component',
    template: ({ state, handlers }) =>
      Card(
        {},
        { foot: el.button({ type: 'button', on: { click: handlers.set('text', state.count) } }, state.text) },
      ),
    steps: [{ act: press('button'), state: { text: 2 as never } }],
  },
  {
    name: 'a listener that may be missing',
    template: ({ handlers }) => el.button({ on: { click: handlers.add(1), input: undefined as never } }, 'x'),
  },
  {
    name: 'an event of a live component',
    template: ({ state, handlers }) => [
      Counter({ start: state.count, on: { counted: handlers.add(1) } } as never),
      state.count,
    ],
    steps: [
      {
        act: (root) => root.querySelector('same-counter')?.shadowRoot?.querySelector('button')?.click(),
        state: { count: 3 },
      },
    ],
  },
];

/** Rules that stay in their component. */
const rules: readonly Case[] = [
  {
    name: 'rules',
    template: ({ state }) => el.p(el.b(state.text)),
    styles: 'b { color: rgb(9, 8, 7) } p > b { text-decoration-line: underline }',
  },
  { name: 'rules of a component', template: ({ state }) => [Leaf({ text: state.text }), el.b('outside')] },
  {
    name: 'rules and content from outside',
    template: ({ state }) => [Leaf({}, el.b('given ', state.text)), el.b('outside')],
  },
  {
    name: 'rules of a component in a component',
    template: () => [Branch({}, el.b('given')), el.b('outside')],
  },
  {
    name: 'rules of a component and of its user',
    template: ({ state }) => el.div(el.b('own'), Branch({}, el.b(state.text))),
    styles: 'b { color: rgb(20, 30, 40) } div > b { font-weight: 500 }',
  },
  { name: 'rules in a live component', template: () => [LiveLeaf({}, el.b('given')), el.b('outside')] },
  {
    name: 'rules of a component in rows',
    template: ({ state }) => eachOf(state.items, (item) => Leaf({ text: item.name }), { key: 'id' }),
  },
  {
    name: 'rules of a component under a condition',
    template: ({ state }) => given(state.flag, Leaf({ text: 'on' }), Branch()),
  },
  {
    name: 'rules of a component in a slot',
    template: ({ slots }) => Leaf({}, slots.default()),
    content: { default: el.b('given') },
  },
  {
    name: 'rules of the host and of a component',
    template: () => el.section(Branch({}, Leaf({}, el.b('deep')))),
    styles: 'section { color: rgb(1, 1, 1) }',
  },
  {
    name: 'rules of what fills the rows of an element',
    template: ({ state }) => [
      LiveRows({ items: state.items }, { row: (item) => [el.b(item.name), Leaf({ text: item.name })] }),
      el.b('outside'),
    ],
    styles: 'b { font-weight: 200 } li b { color: rgb(5, 5, 5) }',
  },
  {
    name: 'rules of what fills rows through two elements',
    template: ({ state }) =>
      LiveRowsThrough(
        { items: state.items },
        { row: (item) => given(item.on, Branch({}, el.b(item.name)), el.i(el.b(item.name))) },
      ),
    styles: 'b { font-weight: 200 } i > b { text-decoration-line: underline }',
  },
];

export const accepts: readonly Case[] = [...accepted, ...outermost, ...tied, ...forms, ...rules];
