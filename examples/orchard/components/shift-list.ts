import { calc, component, eachOf, el, given, phrase, prop } from 'zesty-lattice';
import type { Shift } from '../types.js';

export const ShiftRow = component('shift-row', {
  description: 'One shift: what is to do, who does it, how many are missing.',
  props: {
    shift: prop.record({
      time: prop.text(),
      task: prop.text(),
      needed: prop.number(),
      names: prop.list(prop.text()),
    }),
  },
  styles: `
    .row { display: grid; grid-template-columns: auto 1fr; gap: .1rem .75rem; padding: .65rem 0; border-bottom: 1px solid var(--line) }
    .time { font-variant-numeric: tabular-nums; color: var(--quiet) }
    .task { font-weight: 600 }
    .who { grid-column: 2; font-size: .875rem; color: var(--quiet) }
    .missing { color: var(--alert); font-weight: 600 }
  `,
  template: ({ props }) => {
    const missing = calc(props.shift, (shift) => shift.needed - shift.names.length);
    return el.div(
      { class: 'row' },
      el.time({ class: 'time' }, props.shift.time),
      el.span({ class: 'task' }, props.shift.task),
      el.span(
        { class: 'who' },
        calc(props.shift.names, (names) => names.join(', ')),
        given(
          calc(missing, (n) => n > 0),
          el.span({ class: 'missing' }, phrase` ${missing} more needed`),
        ),
      ),
    );
  },
});

export const ShiftList = component('shift-list', {
  description: 'The helpers’ shifts of the day.',
  props: { shifts: prop.list<Shift>() },
  styles: 'ul { list-style: none; margin: 0; padding: 0 }',
  template: ({ props }) =>
    el.ul(eachOf(props.shifts, (shift) => el.li(ShiftRow({ shift })), { key: 'time' })),
});
