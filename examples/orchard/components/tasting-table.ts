import { calc, component, eachOf, el, given, prop } from 'zesty-lattice';
import { markupFile } from 'zesty-lattice/markup';
import type { Tasting } from '../types.js';

export const TastingTable = component('tasting-table', {
  description: 'When and where something is poured, and how many seats are left.',
  props: { caption: prop.text(), tastings: prop.list<Tasting>() },
  styles: markupFile(import.meta.url, './tasting-table.css'),
  template: ({ props }) =>
    el.div(
      { class: 'scroll', tabindex: 0, role: 'region', 'aria-label': props.caption },
      el.table(
        el.caption(props.caption),
        el.thead(el.tr(['Time', 'Tasting', 'Where', 'Seats'].map((title) => el.th({ scope: 'col' }, title)))),
        el.tbody(
          eachOf(props.tastings, (tasting, index) =>
            el.tr(
              { class: { odd: calc(index, (n) => n % 2 === 1) } },
              el.td({ class: 'time' }, el.time(tasting.time)),
              el.th(
                { scope: 'row' },
                tasting.title,
                given(
                  calc(tasting.pours, (pours) => pours.length > 0),
                  el.div(
                    { class: 'pours' },
                    calc(tasting.pours, (pours) => pours.join(', ')),
                  ),
                ),
              ),
              el.td(tasting.stall, el.div({ class: 'pours' }, 'with ', tasting.host)),
              el.td(
                given(
                  calc(tasting.seats, tasting.taken, (seats, taken) => seats > taken),
                  el.span(
                    { class: 'free' },
                    calc(tasting.seats, tasting.taken, (seats, taken) => `${seats - taken} free`),
                  ),
                  el.span({ class: 'full' }, 'Full'),
                ),
              ),
            ),
          ),
        ),
      ),
    ),
});
