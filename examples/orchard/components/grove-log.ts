import { calc, component, eachOf, el, prop } from 'zesty-lattice';
import type { LogEntry } from '../types.js';

const shortDate = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', timeZone: 'UTC' });

export const GroveLog = component('grove-log', {
  description: 'The last entries of the log book.',
  props: { entries: prop.list<LogEntry>() },
  styles: `
    ol { list-style: none; margin: 0; padding: 0; display: grid; gap: .9rem }
    .when { font-size: .8125rem; color: var(--quiet) }
    p { margin: .15rem 0 0; font-size: .9375rem; line-height: 1.5 }
  `,
  template: ({ props }) =>
    el.ol(
      eachOf(props.entries, (entry) =>
        el.li(
          el.div(
            { class: 'when' },
            el.time(
              { datetime: entry.date },
              calc(entry.date, (date) => shortDate.format(new Date(date))),
            ),
            ' · ',
            entry.grove,
          ),
          el.p(entry.text),
        ),
      ),
    ),
});
