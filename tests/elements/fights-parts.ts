import { calc, component, eachOf, el, given, prop, slot, trusted } from 'zesty-lattice';

/** Much that never changes, and a little that does. */
export const FixedStall = component('fixed-stall', {
  props: { note: prop.text().fallback('') },
  state: () => ({ count: 0 }),
  styles: 'h2 { color: rgb(0, 128, 0) }',
  handlers: { add: ({ state }) => ({ count: state.count + 1 }) },
  template: ({ props, state, handlers }) => [
    el.h2({ class: 'name', style: { color: 'rgb(1, 2, 3)' } }, 'Dunlight stall'),
    el.nav(el.a({ href: '/stalls' }, 'All stalls'), el.p({ title: 'Open' }, 'Open from nine')),
    el.form(
      { class: 'order', 'data-count': state.count },
      el.label('Name ', el.input({ name: 'who', value: 'Ines' })),
      el.button({ type: 'button', class: 'add', on: { click: handlers.add() } }, state.count),
    ),
    el.details(el.summary('More'), el.p('Bring a bag.')),
    el.div(trusted('<grove-map></grove-map>')),
    el.div({ class: 'note' }, trusted(calc(props.note, (note) => `<i>${note.length}</i>`))),
    el.div(trusted(calc(props.note, (note) => `<u>${note}</u><grove-map></grove-map>`))),
    CountingBag({ label: 'bag' }, el.em('in it')),
    el.footer('Cash only'),
  ],
});

/** An element that marks itself when it is there. */
export const CountingBag = component('counting-bag', {
  props: { label: prop.text() },
  slots: { default: slot() },
  handlers: { none: () => undefined },
  styles: 'b { color: rgb(0, 0, 200) }',
  connected: ({ host }) => {
    host.setAttribute('role', 'group');
  },
  template: ({ props, slots, handlers }) =>
    el.b({ on: { click: handlers.none() } }, props.label, slots.default()),
});

/** Places that fail by themselves. */
export const ShakyList = component('shaky-list', {
  props: { items: prop.list<{ name: string; kg: number }>(), limit: prop.number().fallback(1) },
  state: () => ({ seen: 0 }),
  handlers: { see: ({ state }) => ({ seen: state.seen + 1 }) },
  template: ({ props, state, handlers }) => [
    el.p(
      { class: 'first', title: calc(props.limit, (limit) => upTo(limit)) },
      calc(props.limit, (limit) => upTo(limit)),
    ),
    given(
      calc(props.limit, (limit) => upTo(limit) !== ''),
      el.i('some'),
    ),
    LineOf({ text: calc(props.limit, (limit) => upTo(limit)) }),
    el.ul(
      eachOf(props.items, (item) => el.li(calc(item, (one) => `${one.name}: ${one.kg.toFixed(1)}`)), {
        key: (item) => item.name,
      }),
    ),
    el.button({ type: 'button', on: { click: handlers.see() } }, state.seen),
    el.output(props.limit),
  ],
});

export const LineOf = component('line-of', {
  props: { text: prop.text() },
  template: ({ props }) => el.p({ class: 'line' }, props.text, '.'),
});

/** Shows something of its own where it cannot be shown. */
export const SafeShaky = component('safe-shaky', {
  props: { limit: prop.number().fallback(1) },
  state: () => ({ seen: 0 }),
  handlers: { see: ({ state }) => ({ seen: state.seen + 1 }) },
  template: ({ props, handlers, state }) => [
    el.p(calc(props.limit, (limit) => upTo(limit))),
    el.button({ type: 'button', on: { click: handlers.see() } }, state.seen),
  ],
  onFailure: ({ fault }) => el.strong('Not now: ', fault.message),
});

function upTo(limit: number): string {
  if (limit < 0) throw new Error(`no limit of ${limit}`);
  return `up to ${limit}`;
}

/** Its first state needs a prop that may come later. */
export const LateState = component('late-state', {
  props: { crates: prop.list<{ kg: number }>() },
  state: ({ crates }) => ({ first: (crates[0] as { kg: number }).kg }),
  handlers: { none: () => undefined },
  template: ({ state, handlers }) => el.b({ on: { click: handlers.none() } }, state.first),
});

/** A form whose fields are called as the members of forms are. */
export const HidingForm = component('hiding-form', {
  props: { names: prop.list(prop.text()), title: prop.text().fallback('t') },
  state: () => ({ sent: 0, tags: ['a'] }),
  handlers: {
    send: ({ state, event }) => {
      (event as Event).preventDefault();
      return { sent: state.sent + 1 };
    },
  },
  template: ({ props, state, handlers }) => [
    el.form(
      { on: { submit: handlers.send() }, title: props.title, style: { color: props.title } },
      members.map((name) => el.input({ name, 'aria-label': name })),
      el.p('Sent ', state.sent),
      eachOf(props.names, (name) => el.input({ name, 'aria-label': name })),
      given(state.sent, el.b('thanks')),
      el.button({ class: 'send' }, 'Send'),
    ),
    eachOf(
      props.names,
      (name) =>
        el.form(
          { class: 'row', 'data-name': name },
          members.map((one) => el.input({ name: one, 'aria-label': one })),
          name,
        ),
      { key: (name) => name },
    ),
  ],
});

/** What a library can ask of a node. */
const members = [
  'firstChild',
  'lastChild',
  'nextSibling',
  'previousSibling',
  'parentNode',
  'parentElement',
  'childNodes',
  'children',
  'nodeName',
  'nodeType',
  'localName',
  'tagName',
  'attributes',
  'isConnected',
  'isEqualNode',
  'insertBefore',
  'appendChild',
  'append',
  'before',
  'after',
  'remove',
  'removeChild',
  'replaceChildren',
  'replaceWith',
  'moveBefore',
  'getAttribute',
  'setAttribute',
  'removeAttribute',
  'hasAttribute',
  'getAttributeNode',
  'addEventListener',
  'dispatchEvent',
  'style',
  'textContent',
  'innerHTML',
  'querySelector',
  'querySelectorAll',
  'getRootNode',
  'ownerDocument',
  'shadowRoot',
  'cloneNode',
  'contains',
  'slot',
];

/** A script of data that may hold itself. */
export const DataIsland = component('data-island', {
  props: { data: prop.record<Record<string, unknown>>(), words: prop.list<string>().fallback([]) },
  state: () => ({ n: 0 }),
  handlers: { add: ({ state }) => ({ n: state.n + 1 }) },
  template: ({ props, state, handlers }) => [
    el.script({ type: 'application/json', json: props.data }),
    el.p({ class: ['a', props.words as never] }, 'x'),
    el.button({ type: 'button', on: { click: handlers.add() } }, state.n),
  ],
});
