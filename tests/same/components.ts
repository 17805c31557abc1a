import {
  type Content,
  calc,
  component,
  type Expr,
  eachOf,
  el,
  event,
  given,
  node,
  phrase,
  preset,
  prop,
  share,
  slot,
  uid,
} from 'zesty-lattice';
import type { Item } from './case.js';

/** Dissolves: fallbacks, a wrapper that goes with its slot, ids. */
export const Card = component('same-card', {
  props: { head: prop.text().fallback('no head'), count: prop.number().fallback(1), open: prop.flag() },
  slots: { default: slot(), title: slot(), foot: slot() },
  template: ({ props, slots }) =>
    el.article(
      { class: ['card', { open: props.open }], 'data-count': props.count, 'aria-labelledby': uid('head') },
      el.header({ id: uid('head') }, slots.title(el.em(props.head))),
      slots.default('no content'),
      given(slots.foot.filled, el.footer(slots.foot(), props.count), 'no foot'),
      given(props.open, el.i(props.head)),
    ),
});

/** The same, but interactive: it stays an element. */
export const LiveCard = component('same-live-card', {
  props: { head: prop.text().fallback('no head'), count: prop.number().fallback(1), open: prop.flag() },
  slots: { default: slot(), title: slot(), foot: slot() },
  state: () => ({ seen: 0 }),
  template: ({ props, slots, state }) =>
    el.article(
      { class: ['card', { open: props.open }], 'data-count': props.count },
      el.header(slots.title(el.em(props.head))),
      slots.default('no content'),
      given(slots.foot.filled, el.footer(slots.foot(), props.count), 'no foot'),
      given(props.open, el.i(props.head, state.seen)),
    ),
});

/** Hands straight on what it is given. */
export const Through = component('same-through', {
  slots: { default: slot(), title: slot(), foot: slot() },
  template: ({ slots }) =>
    Card({}, { default: slots.default(), title: slots.title(), foot: slots.foot('own foot') }),
});
export const ThroughLive = component('same-through-live', {
  slots: { default: slot(), title: slot(), foot: slot() },
  template: ({ slots }) =>
    LiveCard({}, { default: slots.default(), title: slots.title(), foot: slots.foot() }),
});
export const LiveThrough = component('same-live-through', {
  slots: { default: slot(), title: slot(), foot: slot() },
  state: () => ({ on: true }),
  template: ({ slots }) => Card({}, { default: slots.default(), title: slots.title(), foot: slots.foot() }),
});
export const LiveThroughLive = component('same-live-through-live', {
  slots: { default: slot(), title: slot() },
  state: () => ({ on: true }),
  template: ({ slots }) => LiveCard({}, { default: slots.default(), title: slots.title('own title') }),
});

type Wrap = (props: object, content?: Content) => Content;
/** Content passed on through six components, each with something of its own around. */
const layer = (name: string, inner: Wrap): Wrap =>
  component(name, {
    slots: { default: slot() },
    template: ({ slots }) => el.div({ class: name }, inner({}, slots.default())),
  }) as unknown as Wrap;
export const Bottom = component('same-bottom', {
  slots: { default: slot() },
  template: ({ slots }) => el.b(slots.default('nothing came')),
});
export const Six = ['same-one', 'same-two', 'same-three', 'same-four', 'same-five', 'same-six'].reduce(
  (inner: Wrap, name) => layer(name, inner),
  Bottom as unknown as Wrap,
);
const straight = (name: string, inner: Wrap): Wrap =>
  component(name, {
    slots: { default: slot() },
    template: ({ slots }) => inner({}, slots.default()),
  }) as unknown as Wrap;
export const SixStraight = ['same-a', 'same-b', 'same-c', 'same-d', 'same-e', 'same-f'].reduce(
  (inner: Wrap, name) => straight(name, inner),
  Bottom as unknown as Wrap,
);

/** A row for each item, which the use may say. */
export const RowList = component('same-rows', {
  props: { items: prop.list<Item>() },
  slots: { row: slot.with<Item>(), default: slot() },
  template: ({ props, slots }) =>
    el.ol(
      eachOf(props.items, (one, index) => el.li({ id: uid('row') }, index, slots.row(one, el.q(one.name))), {
        key: 'id',
        empty: el.li(slots.default('no rows')),
      }),
    ),
});
export const LiveRows = component('same-live-rows', {
  props: { items: prop.list<Item>() },
  slots: { row: slot.with<Item>(), foot: slot() },
  state: () => ({ mark: '!' }),
  styles: 'b, li { color: rgb(9, 8, 7) }',
  template: ({ props, slots, state }) => [
    el.ol(
      eachOf(props.items, (one, index) => el.li(index, slots.row(one, el.q(one.name)), state.mark), {
        key: 'id',
      }),
    ),
    given(slots.row.filled, 'with rows', 'without rows'),
    slots.foot('no foot'),
  ],
});
/** An element that fills the rows of another with its own and with what it is given. */
export const LiveRowsThrough = component('same-live-rows-through', {
  props: { items: prop.list<Item>() },
  slots: { row: slot.with<Item>() },
  state: () => ({ end: '.' }),
  styles: 'i { color: rgb(3, 2, 1) }',
  template: ({ props, slots, state }) =>
    LiveRows({ items: props.items }, { row: (one) => [el.i(slots.row(one, el.s(one.name))), state.end] }),
});
/** Fill some of the rows of others, as HTML text says. */
const someOf = (tag: string): string =>
  `<${tag} items="{{ items }}"><template slot="row" as="it" given="it.on"><b>{{ it.name }}</b></template>
    <template slot="row" as="one" given="one.name === text"><i>{{ text }}</i></template></${tag}>`;
export const SomeRows = component('same-some-rows', {
  props: { items: prop.list<Item>(), text: prop.text() },
  uses: [RowList],
  template: someOf('same-rows'),
});
export const SomeLiveRows = component('same-some-live-rows', {
  props: { items: prop.list<Item>(), text: prop.text() },
  uses: [LiveRows],
  template: someOf('same-live-rows'),
});
/** Says how what stands in its slots looks, unless who wrote that says otherwise. */
const reaching = `::slotted(*) { color: rgb(1, 2, 3) } ::slotted(i) { color: rgb(4, 5, 6); font-weight: 700 }
  .foot ::slotted(b.due), slot[name=title]::slotted(b) { text-decoration-line: underline }
  slot:not([name])::slotted(b) { font-weight: 300 }`;
const framing = (name: string, isLive: boolean) =>
  component(name, {
    props: { head: prop.text() },
    slots: { default: slot(), title: slot(), foot: slot() },
    ...(isLive && { state: () => ({ seen: 0 }) }),
    styles: reaching,
    template: ({ props, slots }) =>
      el.section(
        el.h4(slots.title(el.b(props.head))),
        slots.default(el.i('fallback')),
        el.div({ class: 'foot' }, slots.foot()),
      ),
  });
export const Framed = framing('same-framed', false);
export const LiveFramed = framing('same-live-framed', true);
/** Reads what it is given: the parts of others in its slots, with what they are called. */
export const Part = component('same-part', {
  props: { label: prop.text(), at: prop.number().fallback(1), open: prop.flag() },
  slots: { default: slot() },
  template: ({ props, slots }) =>
    el.section({ 'aria-label': props.label, hidden: props.open }, slots.default()),
});
const reading = (name: string, isLive: boolean) =>
  component(name, {
    props: { parts: prop.uses(Part), more: prop.uses(Part, 'foot'), head: prop.text().fallback('') },
    slots: { default: slot(), foot: slot() },
    ...(isLive && { state: () => ({ seen: 0 }) }),
    template: ({ props, slots }) => [
      el.ol(
        eachOf(
          props.parts,
          (part, n) =>
            el.li(
              n,
              part.label,
              given(part.open, 'open'),
              calc(part.at, (at) => at ?? 'none'),
            ),
          { empty: el.li('none') },
        ),
      ),
      el.div(slots.default()),
      el.p(calc(props.more, (more) => more.map(({ label }) => label).join())),
      slots.foot('no foot'),
    ],
  });
export const Reading = reading('same-reading', false);
export const LiveReading = reading('same-live-reading', true);
/** Hands its own slot on to one that reads it. */
export const ReadingThrough = component('same-reading-through', {
  props: { own: prop.uses(Part) },
  slots: { default: slot() },
  template: ({ slots }) => Reading({}, [Part({ label: 'first' }), slots.default()]),
});
export const ReadingText = component('same-reading-text', {
  props: { items: prop.list<Item>(), text: prop.text() },
  uses: [LiveReading, Part],
  template: `<same-live-reading><same-part label="{{ text }}" open>in it</same-part>
    <template each-of="items" as="one"><same-part label="{{ one.name }}" at="{{ one.id }}"></same-part></template>
    <same-part slot="foot" label="foot"></same-part></same-live-reading>`,
});
/** A form field whose own nodes are named, in rows by a key, and whose states and roles are said. */
export const CrateField = component('same-field', {
  props: { label: prop.text() },
  state: () => ({ kilos: 1 }),
  nodes: { text: node('input'), steps: node.keyed('button') },
  field: { value: ({ state }) => String(state.kilos), focuses: 'text' },
  states: ({ state }) => ({ heavy: state.kilos > 2 }),
  aria: ({ props }) => ({ role: 'group', ariaLabel: props.label }),
  handlers: { take: (_context, kilos: number) => ({ kilos }) },
  template: ({ props, state, nodes, handlers }) => [
    el.label({ for: uid('text') }, props.label),
    el.input({ id: uid('text'), type: 'number', node: nodes.text, bind: state.kilos }),
    eachOf([1, 2, 3], (step) =>
      el.button({ type: 'button', node: nodes.steps(step), on: { click: handlers.take(step) } }, step),
    ),
    el.b(state.kilos),
  ],
});
/** Passes records that it puts together to what fills its rows. */
interface Pair {
  readonly name: string;
  readonly at: number;
  readonly all: readonly string[];
}
export const PairList = component('same-pairs', {
  props: { items: prop.list<Item>() },
  slots: { row: slot.with<Pair>() },
  template: ({ props, slots }) =>
    el.ol(
      eachOf(
        props.items,
        (one, at) => el.li(slots.row({ name: one.name, at, all: [one.name, 'x'] }, el.q(at))),
        { key: 'id' },
      ),
    ),
});
export const PairText = component('same-pair-text', {
  props: { items: prop.list<Item>() },
  slots: { row: slot.with<Pair>() },
  template: `<ol><template each-of="items" as="one" index="at" key="id"><li><slot name="row" data="{{ { name: one.name, at, 'all': [one.name, 'x'] } }}"><q>{{ at }}</q></slot></li></template></ol>`,
});
export const LivePairs = component('same-live-pairs', {
  props: { items: prop.list<Item>() },
  slots: { row: slot.with<Pair>() },
  state: () => ({ mark: '!' }),
  template: ({ props, slots, state }) =>
    el.ol(
      eachOf(
        props.items,
        (one, at) => el.li(slots.row({ name: one.name, at, all: [one.name] }), state.mark),
        { key: 'id' },
      ),
    ),
});
/** Hands its own rows on. */
export const RowsThrough = component('same-rows-through', {
  props: { items: prop.list<Item>() },
  slots: { row: slot.with<Item>() },
  template: ({ props, slots }) =>
    RowList({ items: props.items }, { row: (one) => [slots.row(one, el.s(one.name)), '.'] }),
});

export const TextLine = component('same-line', {
  props: { tag: prop.tag(['p', 'h2', 'label']), strong: prop.flag() },
  accepts: 'tag',
  slots: { default: slot() },
  template: ({ props, slots, accepted }) =>
    el.of(
      props.tag,
      { class: ['line', { strong: props.strong }], title: 'own', ...accepted },
      slots.default(),
    ),
});
/** Takes attributes for an element whose tag never changes. */
export const Link = component('same-link', {
  props: { as: prop.tag(['a']), to: prop.url().fallback('/') },
  accepts: 'as',
  slots: { default: slot() },
  template: ({ props, slots, accepted }) =>
    el.a({ href: props.to, class: 'link', style: { color: 'red' }, ...accepted }, slots.default()),
});
/** Hands on what it accepts. */
export const LineThrough = component('same-line-through', {
  props: { tag: prop.tag(['p', 'h2']), text: prop.text().fallback('') },
  accepts: 'tag',
  template: ({ props, accepted }) =>
    TextLine({ tag: props.tag, strong: true, class: 'through', ...accepted }, props.text),
});
export const LineDeep = component('same-line-deep', {
  props: { tag: prop.tag(['h2', 'p']), text: prop.text().fallback('') },
  accepts: 'tag',
  template: ({ props, accepted }) =>
    el.div(LineThrough({ tag: props.tag, text: props.text, lang: 'en', ...accepted })),
});

/** Comes to another component, and gives it something of its own. */
export const CardThrough = component('same-card-through', {
  props: { head: prop.text().fallback('through'), open: prop.flag() },
  styles: '.through { text-decoration: underline }',
  template: ({ props }) =>
    Card({ head: props.head, class: { through: props.open }, 'aria-label': props.head }, 'through'),
});
/** Comes to one element or another. */
export const Either = component('same-either', {
  props: { on: prop.flag(), text: prop.text().fallback('') },
  template: ({ props }) =>
    given(
      props.on,
      el.b({ class: 'on' }, props.text),
      given(props.text, TextLine({ tag: 'h2', class: 'off' }, props.text)),
    ),
});

export const Nest: (props: {
  depth: number | Expr<number>;
  text: string | Expr<string>;
  class?: unknown;
}) => Content = component('same-nest', {
  props: { depth: prop.number(), text: prop.text() },
  template: ({ props }) =>
    el.u(props.text, given(props.depth, Nest({ depth: calc(props.depth, (n) => n - 1), text: props.text }))),
}) as never;

/** Rules of its own, and of the one inside. */
export const Leaf = component('same-leaf', {
  props: { text: prop.text().fallback('leaf') },
  slots: { default: slot() },
  styles: 'b { color: rgb(1, 2, 3) } .x b { font-style: italic }',
  template: ({ props, slots }) => el.span({ class: 'x' }, el.b(props.text), slots.default()),
});
export const Branch = component('same-branch', {
  slots: { default: slot() },
  styles: ':host { border-top-style: solid } b { color: rgb(4, 5, 6) } i b { font-weight: 300 }',
  template: ({ slots }) =>
    el.div(el.b('branch'), Leaf({ text: 'in branch' }, el.i(el.b('given by branch'))), slots.default()),
});
export const LiveLeaf = component('same-live-leaf', {
  slots: { default: slot() },
  state: () => ({ on: true }),
  styles: 'b { color: rgb(7, 8, 9) }',
  template: ({ slots }) => el.div(el.b('alive'), Leaf({}, slots.default())),
});

export const Basket = share<{ readonly crates: number }>('same-basket');
export const BasketBox = component('same-basket-box', {
  props: { crates: prop.number() },
  slots: { default: slot() },
  provides: ({ props }) => [Basket.provide({ crates: props.crates })],
  template: ({ slots }) => el.div(slots.default()),
});
export const BasketTotal = component('same-basket-total', {
  props: { unit: prop.text().fallback('crates') },
  template: ({ props }) =>
    given(Basket.read(), (basket) => el.b(basket.crates, ' ', props.unit), 'no basket'),
});

export const Counter = component('same-counter', {
  props: { start: prop.number().fallback(0) },
  state: ({ start }) => ({ count: start }),
  events: { counted: event<{ count: number }>() },
  reactions: { start: ({ props }) => ({ count: props.start }) },
  handlers: {
    more: ({ state, dispatch }) => {
      dispatch('counted', { count: state.count + 1 });
      return undefined;
    },
  },
  template: ({ state, handlers }) =>
    el.button({ type: 'button', on: { click: handlers.more() } }, state.count),
});

/** Two ids that belong together. */
export const Opener = component('same-opener', {
  props: { label: prop.text() },
  slots: { default: slot() },
  template: ({ props, slots }) => [
    el.button({ type: 'button', 'aria-controls': uid('panel'), id: uid('opener') }, props.label),
    el.div({ id: uid('panel'), 'aria-labelledby': uid('opener') }, slots.default()),
  ],
});

export const press = preset(el.button, { type: 'button', class: 'press', style: { color: 'blue' } });
export const pressWide = preset(press, { class: 'wide', title: 'wide' });
export const OpenCard = preset(Card, { open: true, head: 'preset' });

/** A state, text and numbers in one. */
export const Teller = component('same-teller', {
  props: { text: prop.text(), count: prop.number().fallback(3), day: prop.date().optional() },
  template: ({ props }) => el.span(phrase`${props.text} × ${props.count}`, given(props.day, ' dated')),
});

/** Its props, left out, are what functions give. */
export const Stamped = component('same-stamped', {
  props: {
    by: prop.text().fallback(() => 'nobody'),
    at: prop.date().fallback(() => new Date(864e5)),
    times: prop.number().fallback(() => 3),
    open: prop.flag().fallback(() => true),
  },
  template: ({ props }) =>
    el.p(
      { title: props.by, hidden: calc(props.open, (open) => !open) },
      calc(props.at, (at) => at.toISOString().slice(0, 10)),
      ' ',
      props.by,
      given(props.open, el.b(props.times)),
    ),
});
export const LiveStamped = component('same-live-stamped', {
  props: {
    by: prop.text().fallback(() => 'nobody'),
    times: prop.number().fallback(() => 3),
  },
  state: () => ({ seen: 1 }),
  template: ({ props, state }) => el.p({ title: props.by }, props.times, ' ', state.seen),
});
