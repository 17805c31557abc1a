import { calc, component, eachOf, el, given, prop } from 'zesty-lattice';
import type { Tasting } from '../types.js';

export const TastingTable = component('tasting-table', {
  description: 'When and where something is poured, and how many seats are left.',
  props: { caption: prop.text(), tastings: prop.list<Tasting>() },
  styles: `
    .scroll { overflow-x: auto; border: 1px solid var(--line); border-radius: .9rem; background: var(--card) }
    .scroll:focus-visible { outline: 3px solid var(--focus); outline-offset: 2px }
    table { border-collapse: collapse; width: 100%; min-width: 34rem; font-size: .9375rem }
    caption { text-align: left; padding: .75rem 1rem; color: var(--quiet) }
    th, td { text-align: left; padding: .65rem 1rem; border-top: 1px solid var(--line); vertical-align: top }
    thead th { font-size: .8125rem; color: var(--quiet); font-weight: 600 }
    .time { font-variant-numeric: tabular-nums; white-space: nowrap }
    .odd { background: var(--stripe) }
    .pours { color: var(--quiet); font-size: .875rem; font-weight: 400 }
    .full { color: var(--quiet) }
    .free { font-weight: 600; color: var(--leaf) }
  `,
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
