import { calc, eachOf, el, given, phrase } from 'zesty-lattice';
import type { Case } from '../case.js';
import {
  Bottom,
  Card,
  Framed,
  Leaf,
  LiveCard,
  LiveFramed,
  LiveReading,
  LiveThrough,
  LiveThroughLive,
  Part,
  Reading,
  ReadingText,
  ReadingThrough,
  Six,
  SixStraight,
  Through,
  ThroughLive,
} from '../components.js';

const filled = { default: el.p('given'), title: el.b('title'), foot: 'foot text' };
const some = { default: 'only text' };

/** Slots of the component itself, filled by whoever uses it. */
const own: readonly Case[] = [
  { name: 'a slot', template: ({ slots }) => el.main(slots.default()), content: filled },
  { name: 'a slot with nothing in it', template: ({ slots }) => el.main('[', slots.default(), ']') },
  { name: 'a slot at the top', template: ({ slots }) => slots.default(), content: some },
  { name: 'a fallback', template: ({ slots }) => el.main(slots.default(el.i('fallback'))) },
  {
    name: 'a fallback of values',
    template: ({ slots, state }) => el.main(slots.default([state.text, state.count])),
  },
  {
    name: 'a slot filled by rows that may come to nothing',
    template: ({ state }) =>
      Card(
        { head: 'rows' },
        eachOf(state.items, (item) => item.name),
      ),
  },
  {
    name: 'a slot filled by a no-break space, which shows',
    template: ({ slots }) =>
      el.main(Leaf({ text: 'a' }, '\u00a0'), Card({ head: '\u00a0' }, '\u3000'), slots.default('none')),
    content: { default: '\u00a0' },
  },
  {
    name: 'a slot filled by a value that is a no-break space',
    template: ({ state }) => Card({ head: 'value' }, state.text),
    steps: [{ state: { text: '\u00a0' } }, { state: { text: ' \n' } }, { state: { text: 'some' } }],
  },
  {
    name: 'a slot filled by white space alone',
    template: () => el.main(Card({ head: 'space' }, ' \n\t')),
  },
  {
    name: 'a fallback that is not needed',
    template: ({ slots, state }) => el.main(slots.default(state.text)),
    content: filled,
  },
  {
    name: 'named slots',
    template: ({ slots }) => [el.h2(slots.title()), el.main(slots.default()), el.footer(slots.foot())],
    content: filled,
  },
  {
    name: 'named slots, some filled',
    template: ({ slots }) => [
      el.h2(slots.title('no title')),
      el.main(slots.default()),
      el.footer(slots.foot('no foot')),
    ],
    content: some,
  },
  {
    name: 'a heading that is just the text',
    template: ({ slots }) => el.h5(slots.title()),
    content: { title: 'just text' },
  },
  {
    name: 'a wrapper that goes with its slot',
    template: ({ slots }) => given(slots.foot.filled, el.footer(slots.foot())),
    content: filled,
  },
  {
    name: 'a wrapper whose slot is empty',
    template: ({ slots }) => given(slots.foot.filled, el.footer(slots.foot()), 'none'),
  },
  {
    name: 'whether slots are filled',
    template: ({ slots }) =>
      el.p(calc(slots.default.filled, slots.title.filled, slots.foot.filled, (a, b, c) => `${a} ${b} ${c}`)),
    content: { default: 'a', foot: el.b('c') },
  },
  {
    name: 'a slot under a condition',
    template: ({ slots, state }) => given(state.flag, el.b(slots.default()), 'off'),
    content: filled,
  },
  {
    name: 'a slot in two branches',
    template: ({ slots, state }) => given(state.flag, el.b(slots.default('f')), el.i(slots.default('g'))),
    content: filled,
  },
  {
    name: 'a slot in a fallback',
    template: ({ slots }) => el.p(slots.title(slots.foot('neither'))),
    content: { foot: 'foot' },
  },
  {
    name: 'a slot in a fallback, all empty',
    template: ({ slots }) => el.p(slots.title(slots.foot('neither'))),
  },
  {
    name: 'a slot in an element whose tag changes',
    template: ({ slots, state }) => el.of(state.tag, slots.default('none')),
    content: filled,
  },
];

/** A component that reads what is in its slots. */
const readings: readonly Case[] = [
  ...[Reading, LiveReading].flatMap((List): readonly Case[] => [
    {
      name: `what ${List.name} is given, read by it`,
      template: ({ state }) =>
        List(
          { head: state.text },
          {
            default: [
              Part({ label: state.text, open: state.flag }, el.b('in it')),
              'between',
              given(state.flag, Part({ label: 'flag' }), [Part({ label: 'off' }), Part({ label: 'two' })]),
              eachOf(state.items, (item, n) => Part({ label: item.name, at: n, open: item.on }), {
                key: 'id',
              }),
              el.div(Part({ label: 'deeper, so not read' })),
            ],
            foot: Part({ label: 'in the foot', at: state.count }),
          },
        ),
    },
    { name: `nothing that ${List.name} could read`, template: () => List({}, el.p('x')) },
    {
      name: `what ${List.name} is told, though it could read it`,
      template: () => List({ parts: [{ label: 'told' }] }, Part({ label: 'given' })),
    },
    {
      name: `constants that ${List.name} reads, in rows`,
      template: ({ state }) =>
        eachOf(state.items, (item) => List({}, [Part({ label: 'a' }), Part({ label: item.name })]), {
          key: 'id',
        }),
    },
  ]),
  {
    name: 'a slot that is handed on to what reads it',
    template: ({ state }) =>
      ReadingThrough({}, [Part({ label: state.text }), given(state.flag, Part({ label: 'b' }))]),
  },
  {
    name: 'what a component is given and reads, in HTML text',
    template: ({ state }) => ReadingText({ items: state.items, text: state.text }),
  },
];

/** Slots of a component whose rules reach what is in them. */
const reached: readonly Case[] = [Framed, LiveFramed].flatMap((Frame): readonly Case[] => [
  {
    name: `content that the rules of ${Frame.name} reach`,
    template: ({ state }) =>
      Frame(
        { head: state.text },
        {
          title: [el.b(state.text), el.i('i')],
          default: [
            'text',
            el.b(el.i('inner')),
            given(state.flag, el.i('on'), el.b('off')),
            el.u(el.i('in u')),
          ],
          foot: eachOf(state.items, (item) => el.b({ class: { due: item.on } }, item.name), { key: 'id' }),
        },
      ),
  },
  {
    name: `a fallback that the rules of ${Frame.name} do not reach`,
    template: ({ state }) => Frame({ head: state.text }),
  },
  {
    name: `content that the rules of ${Frame.name} reach, of rules of its own`,
    styles: 'i { color: rgb(70, 80, 90) } b { font-weight: 200 }',
    template: () => Frame({ head: 'h' }, { default: [el.i('mine'), el.b('mine')], title: el.b('t') }),
  },
  {
    name: `components that the rules of ${Frame.name} reach`,
    template: ({ state }) =>
      Frame(
        { head: 'h' },
        {
          default: [Leaf({ text: state.text }), LiveCard({ head: state.text })],
          foot: Leaf({ text: 'foot' }),
        },
      ),
  },
  {
    name: `one of ${Frame.name} in another`,
    template: ({ state }) =>
      Frame({ head: 'outer' }, [
        Frame({ head: 'inner' }, { default: el.i(state.text), foot: el.b('foot') }),
        el.i('i'),
      ]),
  },
]);

/** Slots of a component that is flattened in it. */
const inside: readonly Case[] = [
  { name: 'content of a component', template: ({ props }) => Card({ head: props.text }, el.p(props.text)) },
  { name: 'text as content', template: () => Card({ head: 'h' }, 'text') },
  {
    name: 'content by name',
    template: ({ props, state }) =>
      Card(
        { open: state.flag },
        { title: props.text, default: [el.p('a'), state.text], foot: el.small('f') },
      ),
  },
  { name: 'no content', template: ({ state }) => Card({ head: state.text, count: state.count }) },
  {
    name: 'content that may come to nothing',
    template: ({ state }) =>
      Card(
        {},
        { title: given(state.flag, 'title'), default: state.maybe, foot: given(state.flag, null, 'foot') },
      ),
  },
  {
    name: 'content of rows',
    template: ({ state }) =>
      Card(
        {},
        {
          default: eachOf(state.items, (item) => el.p(item.name)),
          foot: eachOf(state.items, (item) => item.name, { empty: 'no rows' }),
        },
      ),
  },
  {
    name: 'content of a calculation that may be nothing',
    template: ({ state }) =>
      Card(
        {},
        { title: calc(state.count, (n) => (n > 0 ? n : null)), foot: calc(state.text, (it) => it.trim()) },
      ),
  },
  {
    name: 'a component as content',
    template: ({ state }) => Card({}, Card({ head: 'inner', open: state.flag }, el.b(state.text))),
  },
  {
    name: 'components side by side as content',
    template: ({ state }) =>
      Card({}, { title: Leaf({ text: state.text }), default: [Leaf(), Leaf({ text: 'two' })], foot: Card() }),
  },
  {
    name: 'content five components deep',
    template: ({ state }) => Card({}, Card({}, Card({}, Card({}, Card({}, el.b(state.text)))))),
  },
  {
    name: 'a component under a condition',
    template: ({ state, props }) => given(state.flag, Card({ head: props.text }, state.text), Bottom()),
  },
  {
    name: 'a component in rows',
    template: ({ state }) =>
      eachOf(
        state.items,
        (item, index) =>
          Card({ head: item.name, count: index, open: item.on }, { foot: given(item.on, item.name) }),
        { key: 'id' },
      ),
  },
  { name: 'a component at the top of another', template: () => Bottom({}, Bottom({}, 'x')) },
];

/** Slots handed straight on to a component inside. */
const onwards: readonly Case[] = [
  { name: 'a slot handed on', template: ({ slots }) => Card({}, slots.default()), content: filled },
  { name: 'a slot handed on, empty', template: ({ slots }) => Card({}, slots.default()) },
  {
    name: 'named slots handed on',
    template: ({ slots }) => Card({}, { title: slots.title(), default: slots.default(), foot: slots.foot() }),
    content: filled,
  },
  {
    name: 'named slots handed on, some filled',
    template: ({ slots }) => Card({}, { title: slots.title(), default: slots.default(), foot: slots.foot() }),
    content: some,
  },
  {
    name: 'a slot handed on under another name',
    template: ({ slots }) => Card({}, { title: slots.default(), default: slots.title(), foot: slots.foot() }),
    content: filled,
  },
  {
    name: 'a slot handed on with a fallback',
    template: ({ slots }) => Card({}, { title: slots.title('mine'), default: slots.default(el.b('mine')) }),
  },
  {
    name: 'a slot handed on with other content',
    template: ({ slots, state }) => Card({}, [slots.default(), el.b(state.text)]),
    content: filled,
  },
  {
    name: 'a slot handed on in an element',
    template: ({ slots }) => Card({}, { title: el.u(slots.title()), foot: el.u(slots.foot('none')) }),
    content: filled,
  },
  {
    name: 'a slot handed on under a condition',
    template: ({ slots, state }) => Card({}, given(state.flag, slots.default(), 'off')),
    content: filled,
  },
  {
    name: 'a slot handed on if it is filled',
    template: ({ slots }) =>
      Card(
        {},
        {
          foot: given(slots.foot.filled, slots.foot()),
          title: given(slots.title.filled, [slots.title(), '!']),
        },
      ),
    content: { foot: 'f' },
  },
  {
    name: 'a slot handed on twice over',
    template: ({ slots }) => Through({}, { default: slots.default(), title: slots.title() }),
    content: filled,
  },
  {
    name: 'a slot handed on twice over, empty',
    template: ({ slots }) => Through({}, { default: slots.default(), title: slots.title() }),
  },
  {
    name: 'content through a component',
    template: ({ state }) => Through({}, { default: el.p(state.text), foot: given(state.flag, 'foot') }),
  },
  { name: 'content through a component, none', template: () => Through() },
  {
    name: 'a slot handed on through six',
    template: ({ slots }) => Six({}, slots.default()),
    content: filled,
  },
  { name: 'a slot handed on through six, empty', template: ({ slots }) => Six({}, slots.default()) },
  {
    name: 'a slot handed straight on through six',
    template: ({ slots }) => SixStraight({}, slots.default()),
    content: filled,
  },
  {
    name: 'a slot handed straight on through six, empty',
    template: ({ slots }) => SixStraight({}, slots.default()),
  },
  {
    name: 'content through six',
    template: ({ state }) => [Six({}, given(state.flag, el.p(state.text))), SixStraight({}, state.maybe)],
  },
  {
    name: 'a slot handed on in a row',
    template: ({ slots, props }) => [props.text, Card({}, { foot: eachOf([1], () => slots.default()) })],
    content: filled,
    without: { element: 'a slot in rows may be there many times' },
  },
];

/** Slots of a component that stays an element. */
const alive: readonly Case[] = [
  {
    name: 'content of a live component',
    template: ({ props, state }) => LiveCard({ head: props.text, open: state.flag }, el.p(state.text)),
  },
  {
    name: 'no content of a live component',
    template: ({ state }) => LiveCard({ head: state.text, count: state.count }),
  },
  {
    name: 'text for a live component',
    template: ({ state }) => LiveCard({}, { title: 'title', default: 'text', foot: state.text }),
  },
  {
    name: 'elements for a live component',
    template: ({ state }) =>
      LiveCard({}, { title: el.b(state.text), default: el.p('p'), foot: [el.i('a'), el.u('b')] }),
  },
  {
    name: 'mixed content for a live component',
    template: ({ state }) => LiveCard({}, { title: ['a ', el.b(state.text)], foot: [el.i('a'), 'b'] }),
  },
  {
    name: 'content for a live component that may come to nothing',
    template: ({ state }) =>
      LiveCard(
        {},
        {
          title: given(state.flag, 'title'),
          default: state.maybe,
          foot: given(state.flag, null, el.b('foot')),
        },
      ),
  },
  {
    name: 'rows for a live component',
    template: ({ state }) =>
      LiveCard(
        {},
        {
          default: eachOf(state.items, (item) => el.p(item.name)),
          foot: eachOf(state.items, (item) => item.name),
        },
      ),
  },
  {
    name: 'a condition for a live component',
    template: ({ state }) =>
      LiveCard(
        {},
        { default: given(state.flag, el.b('yes')), title: given(state.flag, el.b('yes'), el.i('no')) },
      ),
  },
  {
    name: 'a component for a live component',
    template: ({ state }) =>
      LiveCard(
        {},
        {
          default: Card({ head: state.text }),
          title: Leaf({ text: state.text }),
          foot: Bottom({}, state.maybe),
        },
      ),
  },
  {
    name: 'a live component for a live component',
    template: ({ state }) =>
      LiveCard({}, { default: LiveCard({ head: state.text }, 'x'), title: LiveCard({}, { title: 't' }) }),
  },
  {
    name: 'a live component in a component',
    template: ({ state }) =>
      Card({}, { default: LiveCard({ head: state.text }, state.text), foot: given(state.flag, LiveCard()) }),
  },
  {
    name: 'a live component in rows',
    template: ({ state }) =>
      eachOf(state.items, (item) => LiveCard({ head: item.name, open: item.on }, given(item.on, item.name)), {
        key: 'id',
      }),
  },
  {
    name: 'a slot handed on to a live component',
    template: ({ slots }) => LiveCard({}, slots.default()),
    content: filled,
  },
  {
    name: 'a slot handed on to a live component, empty',
    template: ({ slots }) => LiveCard({}, slots.default()),
  },
  {
    name: 'named slots handed on to a live component',
    template: ({ slots }) => LiveCard({}, { title: slots.title(), foot: slots.foot('own') }),
    content: filled,
  },
  {
    name: 'named slots handed on to a live component, empty',
    template: ({ slots }) => LiveCard({}, { title: slots.title(), foot: slots.foot('own') }),
  },
  {
    name: 'a chain of fallbacks',
    template: ({ slots }) =>
      LiveCard(
        {},
        { title: slots.title(given(slots.foot.filled, 'x')), default: slots.default(slots.foot()) },
      ),
  },
  {
    name: 'content through a component to a live one',
    template: ({ state }) => ThroughLive({}, { default: el.p(state.text), foot: given(state.flag, 'foot') }),
  },
  { name: 'content through a component to a live one, none', template: () => ThroughLive() },
  {
    name: 'content through a live component',
    template: ({ state }) =>
      LiveThrough({}, { default: el.p(state.text), title: given(state.flag, el.b('t')) }),
  },
  { name: 'content through a live component, none', template: () => LiveThrough() },
  {
    name: 'content through a live component to a live one',
    template: ({ state }) =>
      LiveThroughLive({}, { default: el.p(state.text), title: given(state.flag, 't') }),
  },
  { name: 'content through a live component to a live one, none', template: () => LiveThroughLive() },
  {
    name: 'a slot through live components',
    template: ({ slots }) => LiveThroughLive({}, { default: slots.default(), title: slots.title() }),
    content: filled,
  },
  {
    name: 'a slot through live components, empty',
    template: ({ slots }) => LiveThroughLive({}, { default: slots.default(), title: slots.title() }),
  },
  {
    name: 'a phrase for a live component',
    template: ({ state }) => LiveCard({}, { title: phrase`${state.count} of ${state.text}` }),
  },
  {
    name: 'a list of constants for a live component',
    template: () => LiveCard({}, { title: [1, 2].map((n) => el.b(n)), foot: ['a', 'b'] }),
  },
  {
    name: 'conditions in conditions for a live component',
    template: ({ state, props }) =>
      LiveCard(
        {},
        {
          title: given(state.flag, given(props.flag, el.b('both'))),
          default: given(state.flag, given(props.flag, 'both'), given(props.flag, 'one')),
        },
      ),
  },
];

export const slots: readonly Case[] = [...own, ...reached, ...readings, ...inside, ...onwards, ...alive];
