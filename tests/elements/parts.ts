import {
  calc,
  component,
  eachOf,
  el,
  event,
  given,
  isSame,
  phrase,
  prop,
  share,
  slot,
  uid,
} from 'zesty-lattice';

export const CrateCounter = component('crate-counter', {
  props: {
    label: prop.text(),
    start: prop.number().fallback(0),
    sowIn: prop.choice(['spring', 'autumn']).fallback('spring'),
    full: prop.flag(),
    tags: prop.list(prop.text()).fallback([]),
    picked: prop.date().optional(),
  },
  state: ({ start }) => ({ count: start }),
  events: { changed: event<{ count: number }>() },
  styles: ':host { display: inline-block } button { color: rgb(0, 128, 0) }',
  handlers: {
    add: ({ state, dispatch }, step: number) => {
      dispatch('changed', { count: state.count + step });
      return { count: state.count + step };
    },
    fail: () => {
      throw new Error('no crates');
    },
    later: async ({ state }) => ({ count: state.count + 100 }),
  },
  reactions: { start: ({ props }) => ({ count: props.start }) },
  template: ({ props, state, handlers }) => [
    el.button(
      {
        type: 'button',
        class: 'add',
        on: { click: handlers.add(1) },
        'data-season': props.sowIn,
        'data-full': props.full,
      },
      props.label,
      ': ',
      state.count,
    ),
    el.button({ type: 'button', class: 'fail', on: { click: handlers.fail() } }, 'Fail'),
    el.button({ type: 'button', class: 'later', on: { click: handlers.later() } }, 'Later'),
    el.span(calc(props.tags, (tags) => tags.join('|'))),
    given(props.picked, (day) => el.time(calc(day, (it) => it.toISOString().slice(0, 10)))),
  ],
});

export const SidePanel = component('side-panel', {
  props: { title: prop.text().fallback('Untitled') },
  slots: { default: slot(), title: slot(), actions: slot() },
  template: ({ props, slots }) => [
    el.h2(slots.title(props.title)),
    slots.default(el.p('Nothing yet')),
    given(slots.actions.filled, el.footer(slots.actions())),
  ],
});

const RowLabel = component('row-label', {
  props: { text: prop.text(), loud: prop.flag() },
  slots: { default: slot(), mark: slot() },
  styles: 'b { color: rgb(0, 0, 255) }',
  template: ({ props, slots }) =>
    el.label(
      { class: { loud: props.loud } },
      el.b(props.text),
      given(slots.mark.filled, el.i(slots.mark())),
      slots.default(),
    ),
});

interface Item {
  readonly id: number;
  readonly name: string;
}

export const PickList = component('pick-list', {
  props: { items: prop.list<Item>().fallback([]), loud: prop.flag() },
  state: ({ items }) => ({ items, note: '', fresh: 0 }),
  reactions: { items: ({ props }) => ({ items: props.items }) },
  handlers: {
    remove: ({ state }, id: number) => ({ items: state.items.filter((item) => item.id !== id) }),
    reverse: ({ state }) => ({ items: [...state.items].reverse() }),
    add: ({ state }) => ({
      items: [...state.items, { id: 100 + state.fresh, name: `New ${state.fresh}` }],
      fresh: state.fresh + 1,
    }),
  },
  template: ({ props, state, handlers }) => [
    el.input({ bind: state.note, 'aria-label': 'Note', id: uid('note') }),
    el.output(state.note),
    el.button({ type: 'button', class: 'reverse', on: { click: handlers.reverse() } }, 'Reverse'),
    el.button({ type: 'button', class: 'push', on: { click: handlers.add() } }, 'Add'),
    el.ul(
      eachOf(
        state.items,
        (item, index) =>
          el.li(
            { 'data-id': item.id },
            RowLabel(
              { text: item.name, loud: props.loud },
              {
                mark: given(
                  calc(index, (n) => n === 0),
                  'first',
                ),
                default: phrase` #${index}`,
              },
            ),
            el.input({ class: 'row-input', 'aria-label': item.name }),
            el.button(
              { type: 'button', class: 'remove', on: { click: handlers.remove(item.id) } },
              'Remove ',
              item.name,
            ),
          ),
        { key: 'id', empty: el.li('Nothing picked') },
      ),
    ),
  ],
});

export const LifeLog = component('life-log', {
  props: { name: prop.text().fallback('x') },
  state: () => ({ ticks: 0 }),
  connected: ({ host, signal, change, state }) => {
    const log = (window as unknown as { lifeLog: string[] }).lifeLog;
    log.push('in');
    window.addEventListener('tick', () => change({ ticks: state.ticks + 1 }), { signal });
    signal.addEventListener('abort', () => log.push(`out ${host.isConnected}`));
  },
  template: ({ state, props }) => el.p(props.name, ' ', state.ticks),
});

export const FormBits = component('form-bits', {
  state: () => ({
    text: 'a',
    on: true,
    number: 3,
    size: 'm',
    kind: 'late',
    many: ['x'] as readonly string[],
  }),
  template: ({ state }) => [
    el.input({ bind: state.text, id: 'text' }),
    el.textarea({ bind: state.text, id: 'area' }),
    el.input({ bind: state.on, type: 'checkbox', id: 'on' }),
    el.input({ bind: state.number, type: 'number', id: 'number' }),
    el.select(
      { bind: state.size, id: 'size' },
      ['s', 'm', 'l'].map((size) => el.option({ value: size }, size)),
    ),
    el.select(
      { bind: state.many, id: 'many', multiple: true },
      ['x', 'y'].map((one) => el.option({ value: one }, one)),
    ),
    ['early', 'late'].map((kind) =>
      el.input({ bind: state.kind, type: 'radio', name: 'kind', value: kind, id: kind }),
    ),
    el.output(
      phrase`${state.text}/${calc(state.on, String)}/${state.number}/${state.size}/${state.kind}/${calc(state.many, (all) => all.join())}`,
    ),
  ],
});

export const OuterBox = component('outer-box', {
  props: { label: prop.text() },
  state: ({ label }) => ({ heard: label }),
  handlers: { hear: (_context, text: string) => ({ heard: text }) },
  template: ({ props, state, handlers }) => [
    CrateCounter({ label: props.label, start: 5, tags: ['a', 'b'] }),
    el.div({ on: { changed: handlers.hear('heard') } }, CrateCounter({ label: 'Inner' })),
    el.p(state.heard),
  ],
});

export const Basket = share<{ readonly crates: number }>('basket');

export const BasketBox = component('basket-box', {
  props: { start: prop.number().fallback(0) },
  slots: { default: slot() },
  state: ({ start }) => ({ crates: start }),
  provides: ({ state }) => [Basket.provide({ crates: state.crates })],
  handlers: { add: ({ state }) => ({ crates: state.crates + 1 }) },
  template: ({ slots, handlers }) => [
    el.button({ type: 'button', class: 'more', on: { click: handlers.add() } }, 'More'),
    slots.default(),
  ],
});
export const BasketTotal = component('basket-total', {
  props: { label: prop.text().fallback('Crates') },
  template: ({ props }) => {
    const basket = Basket.read();
    return el.p(
      props.label,
      ': ',
      given(basket, (it) => el.b(it.crates), 'no basket'),
    );
  },
});

export const LiveRows = component('live-rows', {
  props: { items: prop.list<Item>().fallback([]) },
  slots: { row: slot.with<Item>(), default: slot() },
  state: () => ({ mark: '!' }),
  handlers: { cry: ({ state }) => ({ mark: `${state.mark}!` }) },
  template: ({ props, slots, state, handlers }) => [
    el.ol(
      eachOf(props.items, (item) => el.li(slots.row(item, el.i('no filler for ', item.name, state.mark))), {
        key: 'id',
      }),
    ),
    el.button({ type: 'button', class: 'cry', on: { click: handlers.cry() } }, 'Cry'),
  ],
});
/** Rows that ask for their number when they are clicked, and show it nowhere. */
export const CountedRows = component('counted-rows', {
  props: { items: prop.list<Item>().fallback([]) },
  state: () => ({ said: '' }),
  handlers: { say: (_context, name: string, number: number) => ({ said: `${number}: ${name}` }) },
  template: ({ props, state, handlers }) => [
    eachOf(
      props.items,
      (item, number) =>
        el.button({ type: 'button', on: { click: handlers.say(item.name, number) } }, item.name),
      { key: 'id' },
    ),
    el.output(state.said),
  ],
});
export const RowsPage = component('rows-page', {
  props: { items: prop.list<Item>().fallback([]), unit: prop.text().fallback('kg') },
  state: () => ({ seen: '' }),
  handlers: { see: (_context, name: string) => ({ seen: name }) },
  template: ({ props, state, handlers }) => [
    LiveRows(
      { items: props.items },
      {
        row: (item) =>
          el.button(
            { type: 'button', class: 'see', on: { click: handlers.see(item.name) } },
            item.name,
            ' in ',
            props.unit,
          ),
      },
    ),
    el.output(state.seen),
  ],
});

/** Elements that another one reads in its slot. */
export const CratePart = component('crate-part', {
  props: { label: prop.text(), kilos: prop.number().optional() },
  slots: { default: slot() },
  state: () => ({}),
  template: ({ slots }) => slots.default(),
});
export const CrateParts = component('crate-parts', {
  props: { parts: prop.uses(CratePart) },
  slots: { default: slot() },
  state: () => ({}),
  template: ({ props, slots }) => [
    el.ol(eachOf(props.parts, (part) => el.li(part.label, ' ', part.kilos))),
    slots.default(),
  ],
});

/** Fills the rows up to one that it is told. */
export const SomeRows = component('some-rows', {
  props: { items: prop.list<Item>().fallback([]), wanted: prop.number().fallback(1) },
  state: () => ({}),
  template: ({ props }) =>
    LiveRows(
      { items: props.items },
      {
        row: (item) =>
          given(
            calc(item.id, props.wanted, (id, wanted) => id <= wanted),
            el.input(),
          ),
      },
    ),
});

/** What a careless template might do with text from outside. */
export const CarelessBox = component('careless-box', {
  props: { tag: prop.text().fallback('p'), it: prop.text().fallback('') },
  state: () => ({}),
  template: ({ props }) => [
    el.of(props.tag, { title: props.it }, props.it),
    el.script(props.it),
    el.style(props.it),
    el.a({ href: props.it }, 'link'),
    el.iframe({ srcdoc: props.it as never }),
  ],
});

export const WeightField = component('weight-field', {
  props: { disabled: prop.flag() },
  state: () => ({ kilos: 0 }),
  field: {
    value: ({ state }) => (state.kilos > 0 ? String(state.kilos) : null),
    fault: ({ state }) => (state.kilos === 0 ? 'Say how many kilos.' : undefined),
    restore: (value) => ({ kilos: Number(value) }),
  },
  template: ({ props, state }) =>
    el.input({ type: 'number', bind: state.kilos, disabled: props.disabled, 'aria-label': 'Kilos' }),
});

const fieldNames = Array.from({ length: 40 }, (_, n) => `f${n}`);

/** Reads more names than a mask has bits, so that some share one: two of them in rows. */
export const ManyFields = component('many-fields', {
  props: { items: prop.list<{ id: number }>().fallback([]) },
  state: () => Object.fromEntries(fieldNames.map((name) => [name, 0])) as Record<string, number>,
  handlers: { set: (_context, name: string, value: number) => ({ [name]: value }) },
  template: ({ props, state, handlers }) => [
    el.p(fieldNames.slice(0, 38).map((name) => state[name])),
    el.ul(
      eachOf(
        props.items,
        (one) => el.li({ title: phrase`${state.f38}`, hidden: isSame(one.id, state.f39) }, one.id),
        {
          key: 'id',
        },
      ),
    ),
    el.button({ class: 'first', type: 'button', on: { click: handlers.set('f38', 7) } }, 'First'),
    el.button({ class: 'second', type: 'button', on: { click: handlers.set('f39', 2) } }, 'Second'),
  ],
});
