import { calc, eachOf, el, given, phrase, trusted, uid } from 'zesty-lattice';
import { type Case, items } from '../case.js';
import {
  BasketBox,
  BasketTotal,
  Card,
  CrateField,
  LiveStamped,
  Nest,
  OpenCard,
  Opener,
  press,
  pressWide,
  Stamped,
  Teller,
} from '../components.js';

/** Text, values, elements, conditions. */
export const content: readonly Case[] = [
  {
    name: 'line ends and signs of constants that a parser would change',
    template: ({ state }) =>
      el.p(
        { title: 'a\r\nb "c" <d> &amp; \u00a0', 'data-n': state.text },
        'a\r\nb\rc',
        el.b({ title: '\r' }, '<d> &amp;\u00a0'),
        el.textarea({ 'aria-label': 'x' }, '\r\n1'),
      ),
  },
  { name: 'text', template: () => 'plain <text> & more' },
  { name: 'an empty template', template: () => null },
  { name: 'nothing in an element', template: () => el.p(null, undefined, false, '') },
  { name: 'numbers', template: () => ['0 and ', 0, -1.5, 12n] },
  { name: 'white space', template: () => ['  two ', el.b(' b '), '\n\ttab'] },
  { name: 'a prop', template: ({ props }) => props.text },
  { name: 'a field of the state', template: ({ state }) => el.p(state.text) },
  { name: 'a number prop', template: ({ props }) => el.p(props.count) },
  {
    name: 'a value that may be missing',
    template: ({ props, state }) => el.p('[', props.maybe, state.maybe, ']'),
  },
  { name: 'values side by side', template: ({ props, state }) => [props.text, state.text, props.count] },
  { name: 'a field of a record', template: ({ state }) => el.p(state.note.title, state.note.by) },
  { name: 'the length of a list', template: ({ state }) => el.p(state.items.length) },
  { name: 'a phrase', template: ({ props, state }) => el.p(phrase`${props.count} of ${state.text}`) },
  { name: 'a phrase with what is missing', template: ({ props }) => phrase`a ${props.maybe} b ${null} c` },
  { name: 'a calculation', template: ({ props, state }) => calc(props.count, state.count, (a, b) => a * b) },
  {
    name: 'a calculation of a calculation',
    template: ({ state }) =>
      el.p(
        calc(
          calc(state.count, (n) => n + 1),
          (n) => n * 2,
        ),
      ),
  },
  {
    name: 'a calculation that gives nothing',
    template: ({ state }) => el.p(calc(state.count, (n) => (n > 1 ? 'many' : null))),
  },
  { name: 'a calculation of constants', template: () => el.p(calc(2, 3, (a, b) => a + b)) },
  {
    name: 'elements in elements',
    template: ({ props }) => el.div(el.section(el.h1('A'), el.p(props.text)), el.hr()),
  },
  { name: 'text around elements', template: () => ['a', el.b('b'), 'c', el.i('d'), 'e'] },
  { name: 'lists in lists of content', template: ({ props }) => [['a', [el.b('b'), [props.text]]], []] },
  {
    name: 'void elements',
    template: ({ props }) => [el.br(), el.img({ src: '/a.png', alt: props.text }), el.input({ name: 'a' })],
  },
  {
    name: 'pre and its first line break',
    template: ({ props }) => [el.pre('\nfirst'), el.pre(props.text), el.pre('\n', props.text)],
  },
  { name: 'ready-made HTML', template: () => trusted('<em class="x">ready &amp; made</em> text<!-- c -->') },
  {
    name: 'ready-made HTML between',
    template: ({ props }) => el.div('a', trusted('<u>b</u><s>c</s>'), props.text),
  },
  {
    name: 'ready-made HTML that changes',
    template: ({ state }) => el.div('a', trusted(calc(state.count, (n) => `<em>${'x'.repeat(n)}</em>`)), 'b'),
  },
  {
    name: 'ready-made HTML that may be missing',
    template: ({ state }) => el.div(trusted(calc(state.flag, (on) => (on ? '<b>on</b>' : '')))),
  },
  {
    name: 'a script of data',
    template: ({ props }) => el.script({ type: 'application/json', json: props.items }),
  },
  {
    name: 'a script of constant data',
    template: () => el.script({ type: 'application/json', json: { a: ['<!--', '</script>'] } }),
  },
  {
    name: 'a script of data of the state',
    template: ({ state }) => el.div(el.script({ type: 'application/json', json: state.note }), state.text),
  },
  { name: 'a style element', template: () => el.style(trusted('q { color: red }')) },

  { name: 'a condition', template: ({ state }) => given(state.flag, el.b('yes')) },
  {
    name: 'a condition with another side',
    template: ({ state }) => given(state.flag, el.b('yes'), el.i('no')),
  },
  { name: 'a condition of text', template: ({ state }) => el.p(given(state.flag, 'yes', 'no')) },
  { name: 'text around a condition', template: ({ state }) => ['a', given(state.flag, 'b'), 'c'] },
  {
    name: 'a condition with values',
    template: ({ state, props }) => given(state.flag, [props.text, state.text], props.count),
  },
  {
    name: 'a condition in a condition',
    template: ({ state, props }) =>
      given(state.flag, given(props.flag, 'both', 'state'), given(props.flag, 'props', 'none')),
  },
  {
    name: 'conditions side by side',
    template: ({ state, props }) => [given(state.flag, 'a'), given(props.flag, 'b'), given(state.count, 'c')],
  },
  { name: 'a condition of a list', template: ({ state }) => given(state.items.length, 'some', 'none') },
  {
    name: 'a condition of text that may be missing',
    template: ({ state }) => given(state.maybe, (it) => el.b(it), 'missing'),
  },
  {
    name: 'a condition of a calculation',
    template: ({ state }) =>
      given(
        calc(state.count, (n) => n > 1),
        el.p('many'),
        el.p('few'),
      ),
  },
  {
    name: 'a condition around a value it reads',
    template: ({ state }) => given(state.count, phrase`${state.count} left`),
  },
  { name: 'a condition that holds always', template: ({ props }) => given(true, props.text, 'no') },
  { name: 'a condition with nothing in it', template: ({ state }) => el.p(given(state.flag, null, 'no')) },
  {
    name: 'a condition five deep',
    template: ({ state, props }) =>
      given(
        state.flag,
        el.div(
          given(
            props.flag,
            el.div(
              given(
                state.count,
                el.div(given(props.count, el.div(given(state.text, el.b(state.text), 'no text')))),
              ),
            ),
          ),
        ),
      ),
  },

  {
    name: 'ids',
    template: () => [el.label({ for: uid('a') }, 'A'), el.input({ id: uid('a') }), el.p({ id: uid('b') })],
  },
  {
    name: 'ids of several uses',
    template: ({ props }) => [
      Opener({ label: 'one' }, 'x'),
      Opener({ label: props.text }, el.p('y')),
      Opener({ label: 'three' }),
    ],
  },
  {
    name: 'ids of uses in slots that are filled in another order than they are declared',
    template: ({ props }) =>
      Card(
        { head: 'a' },
        {
          title: Card({ head: props.text }, Opener({ label: 'in a title' })),
          foot: Opener({ label: 'foot' }),
          default: [Card({ head: 'b' }, { title: Card({ head: 'c' }), default: 'x' }), Card({ head: 'd' })],
        },
      ),
  },
  {
    name: 'ids under a condition',
    template: ({ state }) =>
      given(
        state.flag,
        [el.label({ for: uid('c') }), el.input({ id: uid('c') })],
        Opener({ label: 'other' }),
      ),
  },
  {
    name: 'ids in rows',
    template: ({ state }) =>
      eachOf(state.items, (item) => [el.label({ for: uid('r') }, item.name), el.input({ id: uid('r') })], {
        key: 'id',
      }),
  },
  {
    name: 'ids of uses in rows',
    template: ({ state }) =>
      eachOf(state.items, (item) => Opener({ label: item.name }, el.input({ id: uid('inside') })), {
        key: 'id',
      }),
  },
  {
    name: 'an id in a phrase',
    template: () =>
      el.p(
        { 'aria-describedby': phrase`${uid('a')} ${uid('b')}` },
        el.i({ id: uid('a') }),
        el.b({ id: uid('b') }),
      ),
  },

  {
    name: 'a component inside itself',
    template: ({ state, props }) => Nest({ depth: state.count, text: props.text }),
  },
  { name: 'a component inside itself, constant', template: () => Nest({ depth: 3, text: 'x' }) },
  {
    name: 'a component inside itself under a condition',
    template: ({ state }) => given(state.flag, Nest({ depth: 2, text: state.text })),
  },
  {
    name: 'props at their fallbacks',
    template: ({ props }) => [Teller({ text: props.text }), Teller({ text: 'x', count: 0 })],
  },
  {
    name: 'a date that is handed on',
    template: ({ state }) => Teller({ text: state.text, count: state.count, day: new Date(0) }),
  },
  {
    name: 'a preset of an element',
    template: ({ props }) => [
      press('a'),
      press({ class: 'more', style: { margin: '0' } }, props.text),
      press({ type: 'submit', class: null }, 'c'),
    ],
  },
  {
    name: 'a preset of a preset',
    template: ({ state }) => [
      pressWide('a'),
      pressWide({ class: { on: state.flag }, title: state.text }, 'b'),
    ],
  },
  {
    name: 'a preset of a component',
    template: ({ state }) => [OpenCard({}, 'x'), OpenCard({ head: state.text, open: state.flag })],
  },

  {
    name: 'shared data',
    template: ({ props }) => BasketBox({ crates: props.count }, BasketTotal()),
    without: { spot: 'a live use provides when it is written' },
  },
  {
    name: 'shared data by two providers',
    template: ({ props }) =>
      BasketBox({ crates: props.count }, [
        BasketTotal(),
        BasketBox({ crates: 9 }, BasketTotal({ unit: props.text })),
      ]),
  },
  {
    name: 'shared data under a condition',
    template: ({ state }) => BasketBox({ crates: 5 }, given(state.flag, BasketTotal(), el.p('off'))),
  },
  {
    name: 'a field of a form with nodes of its own',
    template: ({ state }) => el.form(CrateField({ label: state.text, name: 'kilos' })),
  },
  {
    name: 'fields in rows, with properties that no attribute stands for',
    template: ({ state }) =>
      eachOf(
        state.items,
        (item) => [
          el.input({ type: 'checkbox', properties: { indeterminate: item.on } }),
          CrateField({ label: item.name }),
        ],
        { key: 'id' },
      ),
  },
  {
    name: 'what leaves by a class that moves nothing',
    template: ({ state }) => [
      given(state.flag, el.p({ leaving: 'fades' }, state.text), el.u({ leaving: 'fades' }, 'off')),
      el.ul(eachOf(state.items, (item) => el.li({ leaving: 'fades' }, item.name), { key: 'id' })),
    ],
  },
  { name: 'no shared data', template: () => BasketTotal() },
  { name: 'a list of constants', template: () => eachOf(items, (item) => el.b(item.name)) },
  { name: 'props that functions give, left out', template: () => [Stamped({}), LiveStamped({})] },
  {
    name: 'props that functions give, handed what may be nothing',
    template: ({ props, state }) => [
      Stamped({ by: props.maybe, times: state.count, open: state.flag }),
      LiveStamped({ by: state.maybe, times: state.count }),
    ],
  },
];
