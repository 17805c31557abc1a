import { calc, component, eachOf, el, event, given, prop, share, slot } from 'zesty-lattice';
import { register } from 'zesty-lattice/elements';

interface Line {
  readonly id: number;
  readonly text: string;
}

/** Every kind of control, each tied to the state, with a line that says what the state holds. */
export const ShiftForm = component('shift-form', {
  props: { shifts: prop.list(prop.text()).fallback(['morning', 'noon', 'evening']) },
  state: () => ({
    name: 'Ines',
    note: '\nfirst',
    count: 2,
    weight: null as number | null,
    day: '2026-11-28',
    rides: false,
    shift: 'noon',
    tools: ['shears'] as readonly string[],
    way: 'walk',
    lines: [
      { id: 1, text: 'one' },
      { id: 2, text: 'two' },
    ] as readonly Line[],
  }),
  handlers: { fewer: () => ({ shift: 'evening' }) },
  template: ({ handlers, props, state }) =>
    el.form(
      el.input({ id: 'name', bind: state.name }),
      el.textarea({ id: 'note', bind: state.note }),
      el.input({ id: 'count', type: 'number', bind: state.count }),
      el.input({ id: 'weight', type: 'number', bind: state.weight }),
      el.input({ id: 'day', type: 'date', bind: state.day }),
      el.input({ id: 'rides', type: 'checkbox', bind: state.rides }),
      el.select({ id: 'shift', bind: state.shift }, ShiftOptions({ all: props.shifts })),
      el.select(
        { id: 'tools', multiple: true, bind: state.tools },
        eachOf(['shears', 'crate', 'ladder'], (tool) => el.option(tool)),
      ),
      ['walk', 'bus'].map((way) =>
        el.input({ id: way, type: 'radio', name: 'way', value: way, bind: state.way }),
      ),
      eachOf(state.lines, (line) => el.input({ class: 'line', bind: line.text }), { key: 'id' }),
      el.output(
        calc(state.name, state.note, state.count, state.weight, (...all) => JSON.stringify(all)),
        calc(state.day, state.rides, state.shift, state.tools, (...all) => JSON.stringify(all)),
      ),
      el.p(
        calc(state.way, state.lines, (way, lines) =>
          JSON.stringify([way, ...lines.map((line) => line.text)]),
        ),
      ),
      el.button({ type: 'button', on: { click: handlers.fewer() } }, 'Evening'),
    ),
});

const ShiftOptions = component('shift-options', {
  props: { all: prop.list(prop.text()) },
  template: ({ props }) =>
    eachOf(props.all, (shift) => el.option({ value: shift }, shift), { key: (shift) => shift }),
});

/** A list whose rows a server fills. */
export const CrateRows = component('crate-rows', {
  props: { names: prop.list(prop.text()).fallback([]) },
  slots: { row: slot.with<string>() },
  state: () => ({ seen: 0 }),
  template: ({ props, slots, state }) => [
    el.ul(
      eachOf(props.names, (name) => el.li(slots.row(name, el.i('no filler for ', name))), {
        key: (name) => name,
      }),
    ),
    el.b(state.seen),
  ],
});

/** Opens by a prop, and by itself. */
export const FoldNote = component('fold-note', {
  props: { open: prop.flag(), count: prop.number().fallback(0) },
  state: ({ open }) => ({ isOpen: open, changes: 0 }),
  reactions: {
    open: ({ props, state }) => ({ isOpen: props.open, changes: state.changes + 1 }),
  },
  handlers: { turn: ({ state }) => ({ isOpen: !state.isOpen }) },
  template: ({ handlers, state }) => [
    el.button({ type: 'button', on: { click: handlers.turn() } }, 'Turn'),
    el.b(
      calc(state.isOpen, (is) => (is ? 'open' : 'shut')),
      ' ',
      state.changes,
    ),
  ],
});

/** Changes what it reacts to. */
export const EndlessNote = component('endless-note', {
  props: { count: prop.number().fallback(0) },
  reactions: {
    count: ({ host, props }) => {
      (host as unknown as { count: number }).count = props.count + 1;
    },
  },
  template: ({ props }) => el.p(props.count),
});

const EchoNote = component('echo-note', {
  props: { count: prop.number() },
  events: { echoed: event() },
  state: () => ({ heard: 0 }),
  reactions: {
    count: ({ dispatch, state }) => {
      dispatch('echoed');
      return { heard: state.heard + 1 };
    },
  },
  template: ({ props, state }) => el.p(props.count, state.heard),
});

/** Two that change one another by a property and an event. */
export const EchoBox = component('echo-box', {
  state: () => ({ count: 0 }),
  handlers: { raise: ({ state }) => ({ count: state.count + 1 }) },
  template: ({ handlers, state }) => EchoNote({ count: state.count, on: { echoed: handlers.raise() } }),
});
export const startTyped = (): void => register(ShiftForm, CrateRows, FoldNote, EndlessNote, EchoBox);

/** A field that is as an `<input required>` is, as far as a form sees it. */
export const NoteField = component('note-field', {
  props: { disabled: prop.flag(), required: prop.flag() },
  state: () => ({ text: '' }),
  events: { changed: event() },
  handlers: {
    typed: ({ dispatch, event }) => {
      dispatch('changed');
      return { text: ((event as Event).target as HTMLInputElement).value };
    },
  },
  field: {
    value: ({ state }) => state.text,
    fault: ({ props, state }) => (props.required && state.text === '' ? 'Write something.' : undefined),
    restore: (text) => ({ text }),
  },
  template: ({ handlers, props, state }) =>
    el.input({
      bind: state.text,
      disabled: props.disabled,
      on: { input: handlers.typed() },
      'aria-label': 'Note',
    }),
});

/** A field with a prop of its own by the name of a member. */
export const KilosField = component('kilos-field', {
  props: { value: prop.number().optional() },
  field: { value: ({ props }) => (props.value === undefined ? null : String(props.value)) },
  template: ({ props }) => el.b(props.value),
});

/** What is shared, from near and far. */
export const Speech = share<{ word: string }>('speech');
export const SpeechBox = component('speech-box', {
  props: { word: prop.text() },
  slots: { default: slot() },
  provides: ({ props }) => [Speech.provide({ word: props.word })],
  template: ({ slots }) => [
    el.i(given(Speech.read(), (speech) => el.b(speech.word), 'none')),
    SpeechNote({}),
    slots.default(),
  ],
});
export const SpeechNote = component('speech-note', {
  state: () => ({ text: '', isOn: 1 }),
  template: ({ state }) => [
    el.p(given(Speech.read(), (speech) => el.b(speech.word), 'none')),
    el.input({ bind: state.text, 'aria-label': 'Note' }),
    el.output(state.text),
  ],
});

/** Its slots have fallbacks, and it says which of them are filled. */
export const SlotCard = component('slot-card', {
  state: () => ({ isOn: true }),
  slots: { default: slot(), title: slot() },
  template: ({ slots }) => [
    el.h3(slots.title('No title')),
    el.p(
      { class: calc(slots.default.filled, (isFull) => (isFull ? 'full' : 'empty')) },
      slots.default('Nothing yet'),
    ),
  ],
});
export const CardList = component('card-list', {
  props: { said: prop.text().fallback(' ') },
  uses: [SlotCard],
  state: () => ({ isOn: true }),
  template: `<slot-card> </slot-card><slot-card><!-- c --></slot-card><slot-card>
    <b slot="title">t</b>
  </slot-card><slot-card>{{ said }}</slot-card><slot-card> {{ said }} <!-- d --></slot-card>`,
});

export const startSlots = (): void => register(SlotCard, CardList);
export const startFields = (): void => register(NoteField, KilosField);
export const startReader = (): void => register(SpeechNote);
export const startProvider = (): void => register(SpeechBox);
