import { calc, component, type Expr, eachOf, el, event, given, node, phrase, prop, uid } from 'zesty-lattice';

/** Days as they are written, `2026-12-01`: they compare as texts do. */
const day = (date: Date): string => date.toISOString().slice(0, 10);
const dateOf = (text: string): Date => new Date(`${text}T00:00:00Z`);
const plus = (text: string, days: number): string => {
  const date = dateOf(text);
  date.setUTCDate(date.getUTCDate() + days);
  return day(date);
};
/** The same day of another month, or its last where that is shorter. */
function months(text: string, by: number): string {
  const date = dateOf(text);
  const last = new Date(Date.UTC(date.getUTCFullYear(), date.getUTCMonth() + by + 1, 0));
  last.setUTCDate(Math.min(date.getUTCDate(), last.getUTCDate()));
  return day(last);
}
/** Monday is the first day of a week. */
const weekday = (text: string): number => (dateOf(text).getUTCDay() + 6) % 7;

/** The weeks that a month stands in. */
function weeksOf(text: string): readonly { readonly id: string; readonly days: readonly string[] }[] {
  const first = `${text.slice(0, 8)}01`;
  const start = plus(first, -weekday(first));
  return Array.from({ length: 6 }, (_, week) => {
    const monday = plus(start, week * 7);
    return { id: monday, days: Array.from({ length: 7 }, (_day, at) => plus(monday, at)) };
  }).filter(({ days }) => days.some((one) => one.startsWith(text.slice(0, 7))));
}

const monthName = new Intl.DateTimeFormat('en', { month: 'long', year: 'numeric', timeZone: 'UTC' });
const dayName = new Intl.DateTimeFormat('en', { dateStyle: 'full', timeZone: 'UTC' });

/** A first and a last day, chosen in a calendar (https://www.w3.org/WAI/ARIA/apg/patterns/dialog-modal/examples/datepicker-dialog/). */
export const DayRange = component('day-range', {
  description: 'A first and a last day, chosen in a calendar.',
  props: { label: prop.text(), first: prop.text().fallback('2026-12-01') },
  events: { changed: event<{ from: string; until: string }>() },
  state: ({ first }) => ({ from: '', until: '', at: first, isOpen: false }),
  nodes: { opener: node('button'), days: node.keyed('button') },
  field: {
    value: ({ state: { from, until } }) => (from === '' || until === '' ? null : { from, until }),
    fault: ({ props, state: { from, until } }) => ({
      valueMissing: (from === '' || until === '') && 'Choose a first and a last day.',
      rangeUnderflow: from !== '' && from < props.first && 'The orchard is shut then.',
    }),
    restore: (_text, { from = '', until = '' }) => ({ from, until }),
    focuses: 'opener',
  },
  handlers: {
    open: async ({ change, nodes, state }) => {
      const at = state.from === '' ? state.at : state.from;
      await change({ isOpen: true, at });
      nodes.days.get(at)?.focus();
    },
    go: async ({ change, nodes, state }, way: 'days' | 'months' | 'week', by: number) => {
      const at =
        way === 'days'
          ? plus(state.at, by)
          : way === 'months'
            ? months(state.at, by)
            : plus(state.at, by - weekday(state.at));
      await change({ at });
      nodes.days.get(at)?.focus();
    },
    turn: ({ state }, by: number) => ({ at: months(state.at, by) }),
    choose: async ({ change, dispatch, nodes, state }, at: string) => {
      // The first of the two, or one that would be before it.
      if (state.from === '' || state.until !== '' || at < state.from) return { at, from: at, until: '' };
      await change({ at, until: at, isOpen: false });
      nodes.opener?.focus();
      dispatch('changed', { from: state.from, until: at });
      return {};
    },
    close: async ({ change, nodes }) => {
      await change({ isOpen: false });
      nodes.opener?.focus();
    },
  },
  styles: `
    :host { display: block; position: relative }
    .name { display: block; font-weight: 600; margin-block-end: .25rem }
    button { font: inherit; color: inherit; cursor: pointer }
    .opener { background: var(--card); border: 1px solid var(--line-strong); border-radius: .4rem; padding: .5rem .8rem }
    button:focus-visible { outline: 2px solid var(--focus); outline-offset: 1px }
    .calendar { position: absolute; z-index: 3; margin-block-start: .25rem; padding: .75rem; background: var(--card); border: 1px solid var(--line-strong); border-radius: .5rem; box-shadow: 0 .5rem 1.5rem rgb(0 0 0 / .15) }
    .head { display: flex; justify-content: space-between; align-items: center; margin-block-end: .5rem }
    .head button { background: none; border: 1px solid var(--line); border-radius: .4rem; padding: .2rem .6rem }
    table { border-collapse: collapse }
    th { font-weight: 400; color: var(--quiet); font-size: .85rem }
    td { padding: 1px }
    td button { width: 2.25rem; height: 2.25rem; background: none; border: 0; border-radius: .4rem }
    .other { color: var(--quiet) }
    .between { background: var(--good-tint) }
    .chosen { background: var(--zest); color: var(--on-zest); font-weight: 600 }
  `,
  template: ({ handlers, nodes, props, state }) => {
    const name = uid('name');
    const month = uid('month');
    const dayCell = (one: Expr<string>) =>
      el.td(
        el.button(
          {
            type: 'button',
            class: [
              {
                other: calc(one, state.at, (own, at) => own.slice(0, 7) !== at.slice(0, 7)),
                between: calc(one, state.from, state.until, (own, from, until) => own > from && own < until),
                chosen: calc(
                  one,
                  state.from,
                  state.until,
                  (own, from, until) => own === from || own === until,
                ),
              },
            ],
            'aria-label': calc(one, (own) => dayName.format(dateOf(own))),
            'aria-pressed': calc(
              one,
              state.from,
              state.until,
              (own, from, until) => own === from || own === until,
            ),
            tabindex: calc(one, state.at, (own, at) => (own === at ? 0 : -1)),
            node: nodes.days(one),
            on: { click: handlers.choose(one) },
          },
          calc(one, (own) => Number(own.slice(8))),
        ),
      );
    return [
      el.span({ class: 'name', id: name }, props.label),
      el.button(
        {
          class: 'opener',
          type: 'button',
          id: uid('opener'),
          'aria-haspopup': 'dialog',
          'aria-expanded': state.isOpen,
          'aria-labelledby': phrase`${name} ${uid('opener')}`,
          node: nodes.opener,
          on: { click: handlers.open() },
        },
        calc(state.from, state.until, (from, until) =>
          from === '' ? 'Choose days' : until === '' ? `${from} to …` : `${from} to ${until}`,
        ),
      ),
      given(
        state.isOpen,
        el.div(
          {
            class: 'calendar',
            role: 'dialog',
            'aria-labelledby': name,
            on: { 'keydown Escape': handlers.close() },
          },
          el.div(
            { class: 'head' },
            el.button(
              { type: 'button', 'aria-label': 'Month before', on: { click: handlers.turn(-1) } },
              '‹',
            ),
            el.strong(
              { id: month, 'aria-live': 'polite' },
              calc(state.at, (at) => monthName.format(dateOf(at))),
            ),
            el.button({ type: 'button', 'aria-label': 'Month after', on: { click: handlers.turn(1) } }, '›'),
          ),
          el.table(
            {
              'aria-labelledby': month,
              on: {
                'keydown ArrowRight': handlers.go('days', 1),
                'keydown ArrowLeft': handlers.go('days', -1),
                'keydown ArrowDown': handlers.go('days', 7),
                'keydown ArrowUp': handlers.go('days', -7),
                'keydown Home': handlers.go('week', 0),
                'keydown End': handlers.go('week', 6),
                'keydown PageDown': handlers.go('months', 1),
                'keydown PageUp': handlers.go('months', -1),
                'keydown Shift+PageDown': handlers.go('months', 12),
                'keydown Shift+PageUp': handlers.go('months', -12),
              },
            },
            el.thead(
              el.tr(
                ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'].map((one) => el.th({ scope: 'col' }, one)),
              ),
            ),
            el.tbody(
              eachOf(
                calc(state.at, (at) => weeksOf(at)),
                (week) => el.tr(eachOf(week.days, dayCell)),
                { key: 'id' },
              ),
            ),
          ),
        ),
      ),
    ];
  },
});
