import { calc, component, eachOf, el, given, phrase, prop } from 'zesty-lattice';
import { markupFile } from 'zesty-lattice/markup';
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
  styles: markupFile(import.meta.url, './shift-row.css'),
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
  styles: markupFile(import.meta.url, './shift-list.css'),
  template: ({ props }) =>
    el.ul(eachOf(props.shifts, (shift) => el.li(ShiftRow({ shift })), { key: 'time' })),
});
