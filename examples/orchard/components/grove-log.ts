import { calc, component, eachOf, el, prop } from 'zesty-lattice';
import { markupFile } from 'zesty-lattice/markup';
import type { LogEntry } from '../types.js';

const shortDate = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', timeZone: 'UTC' });

export const GroveLog = component('grove-log', {
  description: 'The last entries of the log book.',
  props: { entries: prop.list<LogEntry>() },
  styles: markupFile(import.meta.url, './grove-log.css'),
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
