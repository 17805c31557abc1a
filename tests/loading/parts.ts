import { calc, component, eachOf, el, event, prop, slot, whenLoaded } from 'zesty-lattice';
import { register } from 'zesty-lattice/elements';

interface Tank {
  readonly name: string;
  readonly level: number;
  readonly notes: readonly string[];
}

/** What a developer writes to show a field of what a URL gives. */
export const WaterLevel = component('water-level', {
  props: { from: prop.url() },
  load: async ({ props, fetch }): Promise<Tank> => (await fetch(props.from)).json(),
  template: ({ data }) =>
    whenLoaded(data, {
      loading: el.p('Reading the tank …'),
      loaded: (tank) => el.p(tank.name, ': ', tank.level),
      failed: (fault) => el.p({ class: 'failed' }, 'No reading: ', fault.message),
    }),
});

/** Reloads by hand, keeps state, has slots, hands what it loaded to a component that is flattened in it. */
export const TankBoard = component('tank-board', {
  props: { from: prop.url(), title: prop.text().fallback('Tanks') },
  slots: { default: slot() },
  state: () => ({ asked: 0, step: 'idle' }),
  load: async ({ props, fetch, signal }): Promise<Tank> => {
    const answer = await fetch(props.from, { signal });
    if (!answer.ok) throw new Error(`the service says ${answer.status}`);
    return answer.json();
  },
  events: { asked: event<{ times: number }>() },
  handlers: {
    again: ({ state, reload, dispatch }) => {
      reload();
      dispatch('asked', { times: state.asked + 1 });
      return { asked: state.asked + 1 };
    },
    slowly: async ({ change, signal }) => {
      change({ step: 'waiting' });
      await fetch('/json/slow?held', { signal });
      return { step: 'done' };
    },
  },
  template: ({ props, state, data, handlers, slots }) =>
    el.section(
      { 'aria-busy': data.isLoading },
      el.h2(props.title),
      whenLoaded(data, {
        loading: el.p('Reading …'),
        loaded: (tank) => [TankNotes({ notes: tank.notes }), el.b(tank.level)],
      }),
      el.output(state.asked, ' ', state.step),
      el.button({ type: 'button', class: 'again', on: { click: handlers.again() } }, 'Again'),
      el.button({ type: 'button', class: 'slowly', on: { click: handlers.slowly() } }, 'Slowly'),
      slots.default(),
    ),
  onFailure: ({ fault }) => el.p({ class: 'sorry' }, 'Sorry: ', fault.message),
});

export const TankNotes = component('tank-notes', {
  props: { notes: prop.list(prop.text()) },
  template: ({ props }) => el.ul(eachOf(props.notes, (note) => el.li(note))),
});

/** Rows that show what else was loaded: such as values alone, such as have more in them, and in a slot that passes data. */
export const TankRows = component('tank-rows', {
  props: { from: prop.url() },
  state: () => ({ seen: '' }),
  handlers: { see: (_now, name: string) => ({ seen: name }), again: ({ reload }) => reload() },
  load: async ({ props, fetch }): Promise<Tank> => (await fetch(props.from)).json(),
  template: ({ data, handlers, state }) =>
    whenLoaded(data, {
      loaded: (tank) => [
        el.ul(eachOf(tank.notes, (note) => el.li(note, ' in ', tank.name), { key: (note) => note })),
        el.ol(
          eachOf(tank.notes, (note) =>
            el.li(el.button({ type: 'button', on: { click: handlers.see(tank.name) } }, note)),
          ),
        ),
        NoteSlots({ notes: tank.notes }, { note: (note) => el.i(note, ' in ', tank.name) }),
        el.output(state.seen),
        el.button({ type: 'button', class: 'again', on: { click: handlers.again() } }, 'Again'),
      ],
    }),
});

export const NoteSlots = component('note-slots', {
  props: { notes: prop.list(prop.text()) },
  slots: { note: slot.with<string>() },
  template: ({ props, slots }) => el.menu(eachOf(props.notes, (note) => el.li(slots.note(note)))),
});

/** The same as HTML text. */
export const TankText = component('tank-text', {
  props: { from: prop.url() },
  load: async ({ props, fetch }): Promise<Tank> => (await fetch(props.from)).json(),
  template: `<section aria-busy="{{ data.isLoading }}">
    <template loading><p>Reading …</p></template>
    <template loaded as="tank"><p>{{ tank.name }}: {{ tank.level }}</p></template>
    <template failed as="fault"><p class="failed">No reading: {{ fault.message }}</p></template>
  </section>`,
  joinLines: true,
});

/** Rows as they come. */
export const TicketRows = component('ticket-rows', {
  props: { from: prop.url() },
  load: async function* ({ props, fetch }): AsyncGenerator<{ readonly id: number }> {
    const answer = await fetch(props.from);
    let text = '';
    const reader = (answer.body as ReadableStream).pipeThrough(new TextDecoderStream()).getReader();
    for (let read = await reader.read(); !read.done; read = await reader.read()) {
      text += read.value;
      const lines = text.split('\n');
      text = lines.pop() ?? '';
      for (const line of lines) yield JSON.parse(line);
    }
  },
  template: ({ data }) =>
    whenLoaded(data, { loaded: (rows) => el.ol(eachOf(rows, (row) => el.li(row.id), { key: 'id' })) }),
});

export const all = [WaterLevel, TankBoard, TankNotes, TankRows, NoteSlots, TankText, TicketRows] as const;
export const start = (): void => register(WaterLevel, TankBoard, TankRows, TankText, TicketRows);

/** Shows nothing of what a service says of itself, and reads one of its props late. */
export const QuietTank = component('quiet-tank', {
  props: { from: prop.url(), unit: prop.text().fallback('l') },
  load: async ({ props, fetch }): Promise<string> => {
    const answer = await fetch(props.from);
    if (!answer.ok) throw new Error(`10.0.0.5 answered ${answer.status}, password=orchard`);
    const tank: Tank = await answer.json();
    return `${tank.level} ${props.unit}`;
  },
  template: ({ data }) =>
    whenLoaded(data, {
      loading: el.p('Reading …'),
      loaded: (level) => el.p(level),
      failed: el.p('Sorry.'),
    }),
});

/** Gives up after a short time, also rows of which one hangs. */
export const HastyRows = component('hasty-rows', {
  props: { from: prop.url() },
  loadTimeOut: 300,
  load: async function* ({ props, fetch, signal }): AsyncGenerator<string> {
    const own = new AbortController();
    yield (await (await fetch(props.from, { signal: own.signal })).json()).name;
    await new Promise((_done, fail) => signal.addEventListener('abort', () => fail(signal.reason)));
  },
  template: ({ data }) =>
    whenLoaded(data, {
      loaded: (rows) => el.ol(eachOf(rows, (row) => el.li(row))),
      failed: el.p('Too slow.'),
    }),
});

export const startQuiet = (): void => register(QuietTank, HastyRows, TankSearch, TankRetry);

/** Loads for a word of its state, and keeps what it has meanwhile; asks for others by hand, of which the last counts. */
export const TankSearch = component('tank-search', {
  props: { held: prop.flag() },
  state: () => ({ word: 'first', found: '', seen: 0 }),
  keepLoaded: true,
  load: async ({ fetch, props, signal, state }): Promise<Tank> =>
    (await fetch(`/json/${state.word}${props.held ? '?held' : ''}`, { signal })).json(),
  handlers: {
    look: (_context, word: string) => ({ word }),
    see: ({ state }) => ({ seen: state.seen + 1 }),
    ask: async ({ latest }, word: string) => {
      const answer = await fetch(`/json/${word}?held`, { signal: latest as AbortSignal });
      return { found: ((await answer.json()) as Tank).name };
    },
  },
  template: ({ data, handlers, state }) =>
    el.section(
      { 'aria-busy': data.isLoading },
      whenLoaded(data, { loading: el.p('Looking …'), loaded: (tank) => el.b(tank.name) }),
      el.output(state.found, state.seen),
      ['second', 'third'].map((word) => el.button({ class: word, on: { click: handlers.look(word) } }, word)),
      ['aa', 'bbb'].map((word) => el.button({ class: word, on: { click: handlers.ask(word) } }, word)),
      el.button({ class: 'see', on: { click: handlers.see() } }, 'See'),
    ),
});

/** Says that it failed, and is tried again by hand: what it loads, and what it shows. */
export const TankRetry = component('tank-retry', {
  props: { from: prop.url(), broken: prop.flag() },
  load: async ({ fetch, props }): Promise<Tank> => {
    const answer = await fetch(props.from);
    if (!answer.ok) throw new Error(`the service says ${answer.status}`);
    return answer.json();
  },
  onFailure: ({ fault, retry }) =>
    el.p('Sorry: ', fault.message, el.button({ type: 'button', on: { click: retry() } }, 'Again')),
  template: ({ data, props }) =>
    whenLoaded(data, {
      loading: el.i('…'),
      loaded: (tank) =>
        el.b(
          calc(tank.name, props.broken, (name, broken) => {
            if (broken && !(globalThis as { isMended?: boolean }).isMended) throw new Error('no pump');
            return name;
          }),
        ),
    }),
});
