import { calc, component, definition, type Expr, eachOf, el, event, given, node, prop } from 'zesty-lattice';
import type { ElementOf } from 'zesty-lattice/elements';

const picking = definition({
  props: { stalls: prop.list(prop.record({ id: prop.number(), name: prop.text() })).fallback([]) },
  state: () => ({ isOpen: false, at: 0, typed: '', last: '' }),
  events: {
    closing: event<{ why: string }>({ cancelable: true }),
    looked: event<{ changed: readonly string[]; shown: string }>({ bubbles: false }),
  },
  nodes: { field: node('input'), options: node.keyed('li') },
  handlers: {
    open: async ({ change, nodes }) => {
      await change({ isOpen: true });
      nodes.field?.focus();
    },
    move: ({ nodes, props, state }, step: number) => {
      const at = Math.max(0, Math.min(props.stalls.length - 1, state.at + step));
      nodes.options.get(props.stalls[at]?.id)?.scrollIntoView();
      return { at, last: String(nodes.options.size) };
    },
    key: (_context, name: string, held: boolean) => ({ last: `${name} ${held}` }),
    note: (_context, word: string) => ({ last: word }),
    type: ({ nodes }) => ({ typed: nodes.field?.value ?? '' }),
    close: ({ dispatch }) => {
      if (dispatch('closing', { why: 'escape' })) return { isOpen: false };
      return { last: 'kept open' };
    },
  },
  elementMethods: {
    show: async ({ change }, word: string) => {
      await change({ isOpen: true });
      return { last: word };
    },
    fail: () => {
      throw new Error('no stall');
    },
  },
  shown: ({ changed, dispatch, nodes, state }) => {
    dispatch('looked', {
      changed: [...changed].sort(),
      shown: `${state.isOpen} ${nodes.field !== undefined} ${nodes.options.size}`,
    });
  },
  template: () => '',
});

export const StallPick = component('stall-pick', {
  ...picking,
  template: ({ handlers, nodes, props, state }) => [
    el.button({ class: 'open', type: 'button', on: { click: handlers.open() } }, 'Open'),
    el.section(
      {
        tabindex: -1,
        on: {
          'keydown ArrowDown': handlers.move(1),
          'keydown ArrowUp': handlers.move(-1),
          'keydown Escape': handlers.close(),
          'keydown Control+s Shift+Tab ? Space': (key) => handlers.key(key.key, key.shiftKey),
          'click once': handlers.note('clicked'),
          'wheel passive': (wheel: Expr<WheelEvent>) => handlers.note(wheel.type),
          'focus capture': handlers.note('focused'),
        },
      },
      given(state.isOpen, [
        el.input({ node: nodes.field, on: { input: handlers.type() } }),
        el.ul(
          eachOf(props.stalls, (stall) => el.li({ node: nodes.options(stall.id) }, stall.name), {
            key: 'id',
          }),
        ),
      ]),
    ),
    el.output(state.at, ' ', state.typed, ' ', state.last),
  ],
});

export const StallPickText = component('stall-pick-text', {
  ...picking,
  template: `<button class="open" type="button" handles="click: open()">Open</button>
<section tabindex="-1" handles="keydown ArrowDown: move(1); keydown ArrowUp: move(-1); keydown Escape: close();
  keydown Control+s Shift+Tab ? Space: key(event.key, event.shiftKey); click once: note('clicked');
  wheel passive: note(event.type); focus capture: note('focused')"><template given="isOpen"
><input node="field" handles="input: type()"><ul><template each-of="stalls" as="stall" key="id"
><li node="options(stall.id)">{{ stall.name }}</li></template></ul></template></section>
<output>{{ at }} {{ typed }} {{ last }}</output>`,
});

/** Changes what it has just shown, for ever. */
export const RestlessNote = component('restless-note', {
  state: () => ({ turns: 0 }),
  shown: ({ state }) => ({ turns: state.turns + 1 }),
  template: ({ state }) => el.b(state.turns),
});

/** Hears the events of another one, with their details. */
export const PickHall = component('pick-hall', {
  state: () => ({ why: '', holds: false }),
  handlers: {
    hear: ({ event, state }, why: string) => {
      if (state.holds) event.preventDefault();
      return { why };
    },
  },
  nodes: { pick: node<ElementOf<typeof StallPick>>('stall-pick') },
  elementMethods: {
    hold: () => ({ holds: true }),
    pass: ({ nodes }, word: string) => void nodes.pick?.show(word),
  },
  template: ({ handlers, nodes, state }) => [
    StallPick({
      node: nodes.pick,
      stalls: [{ id: 1, name: 'Press' }],
      on: { closing: (sent) => handlers.hear(sent.detail.why) },
    }),
    el.b(state.why),
  ],
});

const folding = definition({
  props: {
    open: prop.flag().reflect(),
    size: prop.number().fallback(3).reflect(),
    day: prop.date().optional().reflect(),
  },
  state: ({ open }) => ({ isOpen: open, seen: 0 }),
  follows: { isOpen: 'open' },
  reactions: { open: ({ state }) => ({ seen: state.seen + 1 }) },
  handlers: { turn: ({ state }) => ({ isOpen: !state.isOpen }) },
  template: () => '',
});

/** Opens by its prop and by its own button, and says so to whoever looks. */
export const FoldNote = component('fold-note', {
  ...folding,
  template: ({ handlers, state }) =>
    el.button({ type: 'button', 'aria-expanded': state.isOpen, on: { click: handlers.turn() } }, state.seen),
});

const picking3 = definition({
  props: { rows: prop.list(prop.text()).fallback(['a', 'b', 'c']) },
  state: () => ({ some: true, top: 40, at: 2 }),
  elementMethods: { set: (_context, some: boolean, top: number) => ({ some, top }) },
  template: () => '',
});

export const MixedBox = component('mixed-box', {
  ...picking3,
  template: ({ props, state }) => [
    el.input({ type: 'checkbox', 'aria-label': 'All', properties: { indeterminate: state.some } }),
    el.select(
      { 'aria-label': 'Row', properties: { selectedIndex: state.at } },
      eachOf(props.rows, (row) => el.option(row)),
    ),
    el.div(
      { style: 'height: 60px; overflow: auto', tabindex: 0, properties: { scrollTop: state.top } },
      el.p({ style: 'height: 500px; margin: 0' }, 'long'),
    ),
    el.video({ properties: { muted: state.some } }),
    el.of('graph-view', { properties: { items: props.rows, mode: 'wide' } }),
  ],
});

export const MixedBoxText = component('mixed-box-text', {
  ...picking3,
  foreign: ['graph-view'],
  template: `<input type="checkbox" aria-label="All" properties="indeterminate: some"
><select aria-label="Row" properties="selectedIndex: at"><template each-of="rows" as="row"><option>{{ row }}</option></template></select
><div style="height: 60px; overflow: auto" tabindex="0" properties="scrollTop: top"><p style="height: 500px; margin: 0">long</p></div
><video properties="muted: some"></video><graph-view properties="items: rows; mode: 'wide'"></graph-view>`,
});

/** A field of two days, which says what is wrong by the flags of the platform. */
export const StayField = component('stay-field', {
  props: { first: prop.text().fallback('2026-10-01') },
  state: () => ({ from: '', until: '' }),
  field: {
    value: ({ state: { from, until } }) => (from === '' ? null : { from, until }),
    fault: ({ props, state: { from, until } }) => ({
      valueMissing: from === '' && 'Choose a day.',
      rangeUnderflow: from !== '' && from < props.first && 'The orchard is shut then.',
      rangeOverflow: until !== '' && until < from && 'The last day is before the first.',
    }),
    restore: (_text, { from = '', until = '' }) => ({ from, until }),
    focuses: 'until',
  },
  states: ({ state }) => ({ chosen: state.from !== '', late: state.from > '2026-11' }),
  aria: ({ state }) => ({ role: 'group', ariaDescription: state.from, ariaBusy: state.until === '' }),
  nodes: { until: node('input') },
  onFailure: el.i('Shut'),
  template: ({ nodes, props, state }) => [
    el.small(
      calc(props.first, (first) => {
        if (first === 'never') throw new Error('no day');
        return first;
      }),
    ),
    el.input({ 'aria-label': 'From', bind: state.from }),
    el.input({ 'aria-label': 'Until', bind: state.until, node: nodes.until }),
  ],
});

export const PickHallText = component('pick-hall-text', {
  state: () => ({}),
  nodes: { pick: node<ElementOf<typeof StallPick>>('stall-pick') },
  elementMethods: { pass: ({ nodes }, word: string) => void nodes.pick?.show(word) },
  uses: [StallPick],
  template: '<stall-pick node="pick"></stall-pick>',
});

const fading = definition({
  props: { rows: prop.list(prop.record({ id: prop.number(), name: prop.text() })).fallback([]) },
  state: () => ({ isOpen: true, seen: '' }),
  nodes: { note: node('p') },
  elementMethods: {
    turn: ({ state }) => ({ isOpen: !state.isOpen }),
    look: ({ nodes }) => ({ seen: nodes.note?.textContent ?? 'none' }),
  },
  styles: '.fades { animation: away 300s } @keyframes away { to { opacity: 0 } }',
  template: () => '',
});

/** Content and rows that stay for their animation when they go. */
export const FadeNote = component('fade-note', {
  ...fading,
  template: ({ nodes, props, state }) => [
    given(state.isOpen, el.p({ leaving: 'fades gone', node: nodes.note }, 'Open'), el.i('Shut')),
    el.ul(eachOf(props.rows, (row) => el.li({ leaving: 'fades' }, row.name), { key: 'id' })),
    el.output(state.seen),
  ],
});

export const FadeNoteText = component('fade-note-text', {
  ...fading,
  template: `<template given="isOpen"><p leaving="fades gone" node="note">Open</p></template><template otherwise><i>Shut</i></template
><ul><template each-of="rows" as="row" key="id"><li leaving="fades">{{ row.name }}</li></template></ul><output>{{ seen }}</output>`,
});

/** An element that others say something of where they use it. */
export const ShiftMark = component('shift-mark', {
  props: { label: prop.text() },
  state: () => ({ seen: 0 }),
  handlers: { note: ({ state }) => ({ seen: state.seen + 1 }) },
  template: ({ handlers, props, state }) =>
    el.b({ part: 'label', on: { click: handlers.note() } }, props.label, ' ', state.seen),
});

/** Comes to that element alone: what is said of it is said of that one. */
const ShiftRow = component('shift-row', {
  props: { label: prop.text() },
  template: ({ props }) => ShiftMark({ label: props.label, exportparts: 'label', class: 'row' }),
});

const boarding = definition({
  state: () => ({ isWide: false, day: 'Fri' }),
  handlers: { turn: ({ state }) => ({ isWide: !state.isWide, day: 'Sat' }) },
  styles: '.wide { border-top: 3px solid } shift-mark::part(label) { color: rgb(1, 2, 3) }',
  template: () => '',
});

export const ShiftBoard = component('shift-board', {
  ...boarding,
  template: ({ handlers, state }) => [
    el.button({ type: 'button', on: { click: handlers.turn() } }, 'Turn'),
    ShiftRow({
      label: 'Press',
      id: 'press',
      class: { wide: state.isWide },
      style: { display: 'block', '--day': state.day },
      exportparts: 'label: row-label',
      'aria-label': state.day,
      dataset: { shiftDay: state.day },
    }),
    ShiftMark({ label: 'Gate', hidden: state.isWide, part: 'gate', tabindex: 0 }),
    StayField({ name: 'stay', form: 'days' }),
  ],
});

export const ShiftBoardText = component('shift-board-text', {
  ...boarding,
  uses: [ShiftRow, ShiftMark, StayField],
  template: `<button type="button" handles="click: turn()">Turn</button
><shift-row label="Press" id="press" class="{{ isWide and 'wide' }}" style="display: block; --day: {{ day }}" exportparts="label: row-label"
aria-label="{{ day }}" data-shift-day="{{ day }}"></shift-row
><shift-mark label="Gate" hidden="{{ isWide }}" part="gate" tabindex="0"></shift-mark><stay-field name="stay" form="days"></stay-field>`,
});

interface Stall {
  readonly id: number;
  readonly name: string;
}

/** Shows what a function of its user makes of each. */
export const LabelRow = component('label-row', {
  props: {
    stalls: prop.list<Stall>(),
    label: prop.function<(stall: Stall) => string>().fallback(
      () =>
        ({ name }) =>
          name,
    ),
    note: prop.function<(text: string) => void>().optional(),
  },
  state: () => ({}),
  handlers: { hear: ({ props }, text: string) => props.note?.(text) },
  template: ({ handlers, props }) =>
    eachOf(props.stalls, (stall) =>
      el.b(
        { on: { click: handlers.hear(stall.name) } },
        calc(props.label, stall, (label, one) => label(one)),
        ' ',
      ),
    ),
});

const loud = ({ name }: Stall): string => `${name}!`;
const heard: string[] = [];
const two: readonly Stall[] = [
  { id: 1, name: 'Press' },
  { id: 2, name: 'Gate' },
];

const labelling = definition({
  state: () => ({ heard: 0 }),
  elementMethods: { look: () => ({ heard: heard.length }) },
  template: () => '',
});

export const LabelHall = component('label-hall', {
  ...labelling,
  template: ({ state }) => [
    LabelRow({ stalls: two }),
    LabelRow({ stalls: two, label: loud }),
    LabelRow({
      stalls: two,
      label: ({ id, name }) => `${id}. ${name}`,
      note: (text) => void heard.push(text),
    }),
    el.output(state.heard),
  ],
});

export const LabelHallText = component('label-hall-text', {
  ...labelling,
  uses: [LabelRow],
  helpers: {
    two: () => two,
    loud: () => loud,
    numbered:
      () =>
      ({ id, name }: Stall) =>
        `${id}. ${name}`,
    note: () => (text: string) => void heard.push(text),
  },
  template: `<label-row stalls="{{ two() }}"></label-row><label-row stalls="{{ two() }}" label="{{ loud() }}"></label-row
><label-row stalls="{{ two() }}" label="{{ numbered() }}" note="{{ note() }}"></label-row><output>{{ heard }}</output>`,
});

const sending = definition({
  state: () => ({ sent: '' }),
  nodes: { form: node('form') },
  elementMethods: {
    send: ({ nodes }) => ({
      sent: nodes.form
        ? [...new FormData(nodes.form)].map(([name, value]) => `${name}=${value}`).join()
        : 'no form',
    }),
  },
  template: () => '',
});

/** Hands its form on, whose controls hide members of it by their names. */
export const FormNote = component('form-note', {
  ...sending,
  template: ({ nodes, state }) => [
    el.form(
      { node: nodes.form },
      el.input({ name: 'nodeName', value: 'x' }),
      el.input({ name: 'parentNode', value: 'y' }),
    ),
    el.output(state.sent),
  ],
});

export const FormNoteText = component('form-note-text', {
  ...sending,
  template:
    '<form node="form"><input name="nodeName" value="x"><input name="parentNode" value="y"></form><output>{{ sent }}</output>',
});
