import { calc, component, eachOf, el, isSame, prop } from 'zesty-lattice';
import type { Row } from './crate-table.js';

/** A list of which one row is selected. */
export const PickTable = component('pick-table', {
  props: { rows: prop.list<Row>().fallback([]), picked: prop.number().fallback(-1) },
  state: () => ({}),
  template: ({ props }) =>
    el.table(
      el.tbody(
        eachOf(
          props.rows,
          (row) => el.tr({ class: { picked: isSame(row.id, props.picked) } }, el.td(row.name)),
          { key: 'id' },
        ),
      ),
    ),
});

/** An element that shows one text. */
export const GroveClock = component('grove-clock', {
  props: { time: prop.text().fallback('') },
  state: () => ({}),
  template: ({ props }) => el.time(props.time),
});

export interface Line {
  readonly id: number;
  readonly note: string;
}

/** A form of many inputs, each tied to a part of the state, and what one of them says beside it. */
export const NoteSheet = component('note-sheet', {
  props: { count: prop.number().fallback(200) },
  state: ({ count }): { lines: readonly Line[] } => ({
    lines: Array.from({ length: count }, (_, id) => ({ id, note: `note ${id}` })),
  }),
  template: ({ state }) =>
    el.form(
      eachOf(
        state.lines,
        (line) => el.p(el.label('Note', el.input({ bind: line.note })), el.output(line.note)),
        { key: 'id' },
      ),
    ),
});

/** An element with some nodes, as a page has many of that a server wrote. */
export const StallSign = component('stall-sign', {
  props: { name: prop.text(), crates: prop.number().fallback(0) },
  state: () => ({ open: false }),
  handlers: { turn: ({ state }) => ({ open: !state.open }) },
  template: ({ handlers, props, state }) =>
    el.article(
      el.h3(props.name),
      el.p('Crates: ', el.b(props.crates)),
      el.button({ type: 'button', on: { click: handlers.turn() } }, 'Turn'),
      el.p(el.i('Open: '), el.span(calc(state.open, (open) => (open ? 'yes' : 'no')))),
    ),
});
