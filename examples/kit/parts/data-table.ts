import {
  calc,
  component,
  definition,
  type Expr,
  eachOf,
  el,
  event,
  given,
  isSame,
  type Kind,
  node,
  phrase,
  prop,
  slot,
} from 'zesty-lattice';

/** How high a row is, and how many are there at once, in pixels and rows. */
const rowHeight = 36;
const atOnce = 40;

interface Shown<Row> {
  /** The column that it is sorted by. */
  readonly by: (keyof Row & string) | undefined;
  readonly isDown: boolean;
  /** The first row that is there. */
  readonly first: number;
  /** The keys of the rows that are chosen. */
  readonly chosen: ReadonlySet<string>;
}

/**
 * A table of any rows, sorted by its columns, with cells of the page's own and a choice of rows. Of thousands of rows those
 * are there that can be seen.
 */
export const DataTable = component.generic('data-table', <Row>(row: Kind<Row>) => {
  const name = prop.text<keyof Row & string>();
  return definition({
    description: 'A table of any rows, sorted by its columns.',
    props: {
      caption: prop.text(),
      rows: prop.list(row),
      columns: prop.list(prop.record({ name, label: prop.text() })),
      /** The field that is different for each row. */
      key: name,
    },
    slots: { cell: slot.with(prop.record({ name, row })) },
    events: { chosen: event<{ count: number }>() },
    state: (): Shown<Row> => ({ by: undefined, isDown: false, first: 0, chosen: new Set() }),
    nodes: { frame: node('div') },
    handlers: {
      sort: ({ state }, by: keyof Row & string) => ({ by, isDown: state.by === by && !state.isDown }),
      roll: ({ nodes }) => ({
        first: Math.max(0, Math.floor((nodes.frame?.scrollTop ?? 0) / rowHeight) - 10),
      }),
      choose: ({ dispatch, state }, id: string) => {
        const chosen = new Set(state.chosen);
        if (!chosen.delete(id)) chosen.add(id);
        dispatch('chosen', { count: chosen.size });
        return { chosen };
      },
      chooseAll: ({ dispatch, props, state }) => {
        const isAll = state.chosen.size === props.rows.length;
        const chosen = new Set(isAll ? [] : props.rows.map((one) => String(one[props.key])));
        dispatch('chosen', { count: chosen.size });
        return { chosen };
      },
    },
    styles: `
      .frame { height: 22rem; overflow: auto; border: 1px solid var(--line); border-radius: .5rem; background: var(--card); overflow-anchor: none }
      .frame:focus-visible, button:focus-visible { outline: 2px solid var(--focus); outline-offset: -2px }
      table { width: 100%; border-collapse: collapse; font-variant-numeric: tabular-nums }
      caption { text-align: start; font-weight: 600; padding: .5rem .75rem }
      th { position: sticky; inset-block-start: 0; background: var(--card); text-align: start; z-index: 1 }
      th button { font: inherit; font-weight: 600; color: inherit; background: none; border: 0; padding: .5rem .75rem; cursor: pointer; width: 100%; text-align: start }
      .row { height: ${rowHeight}px; box-sizing: border-box }
      .row:nth-child(even) { background: var(--stripe) }
      .row[aria-selected=true] { background: var(--good-tint) }
      td { padding: 0 .75rem; white-space: nowrap; overflow: hidden; text-overflow: ellipsis; max-width: 14rem }
      .tick { width: 2.5rem; text-align: center }
    `,
    template: ({ handlers, nodes, props, slots, state }) => {
      const sorted = calc(props.rows, state.by, state.isDown, (rows, by, isDown) => {
        if (by === undefined) return rows;
        const turn = isDown ? -1 : 1;
        return [...rows].sort((a, b) => (a[by] < b[by] ? -turn : a[by] > b[by] ? turn : 0));
      });
      const shown = calc(sorted, state.first, (rows, first) => rows.slice(first, first + atOnce));
      const idOf = (one: Expr<Row>): Expr<string> => calc(one, props.key, (it, key) => String(it[key]));
      const room = (rows: number): string => `${Math.max(0, rows) * rowHeight}px`;
      return el.div(
        {
          class: 'frame',
          tabindex: 0,
          role: 'region',
          'aria-label': props.caption,
          node: nodes.frame,
          on: { 'scroll passive': handlers.roll() },
        },
        el.table(
          { 'aria-rowcount': calc(props.rows, (rows) => rows.length + 1) },
          el.caption(props.caption),
          el.thead(
            el.tr(
              { 'aria-rowindex': 1 },
              el.th(
                { class: 'tick', scope: 'col' },
                el.input({
                  type: 'checkbox',
                  'aria-label': 'Choose all rows',
                  checked: calc(
                    props.rows,
                    state.chosen,
                    (rows, { size }) => size > 0 && size === rows.length,
                  ),
                  properties: {
                    indeterminate: calc(
                      props.rows,
                      state.chosen,
                      (rows, { size }) => size > 0 && size < rows.length,
                    ),
                  },
                  on: { change: handlers.chooseAll() },
                }),
              ),
              eachOf(
                props.columns,
                (column) =>
                  el.th(
                    {
                      scope: 'col',
                      'aria-sort': calc(column.name, state.by, state.isDown, (one, by, isDown) =>
                        one === by ? (isDown ? 'descending' : 'ascending') : 'none',
                      ),
                    },
                    el.button(
                      { type: 'button', on: { click: handlers.sort(column.name) } },
                      column.label,
                      given(
                        isSame(column.name, state.by),
                        calc(state.isDown, (isDown) => (isDown ? ' ↓' : ' ↑')),
                      ),
                    ),
                  ),
                { key: 'name' },
              ),
            ),
          ),
          el.tbody(
            el.tr({ 'aria-hidden': true, style: { height: calc(state.first, room) } }),
            eachOf(
              shown,
              (one, at) => {
                const id = idOf(one);
                const isChosen = calc(state.chosen, id, (chosen, own) => chosen.has(own));
                return el.tr(
                  {
                    class: 'row',
                    'aria-rowindex': calc(state.first, at, (first, number) => first + number + 2),
                    'aria-selected': isChosen,
                  },
                  el.td(
                    { class: 'tick' },
                    el.input({
                      type: 'checkbox',
                      'aria-label': phrase`Choose ${id}`,
                      checked: isChosen,
                      on: { change: handlers.choose(id) },
                    }),
                  ),
                  eachOf(props.columns, ({ name: column }) =>
                    el.td(
                      slots.cell(
                        { name: column, row: one },
                        calc(one, column, (it, key) => String(it[key])),
                      ),
                    ),
                  ),
                );
              },
              { key: idOf },
            ),
            el.tr({
              'aria-hidden': true,
              style: {
                height: calc(props.rows, state.first, (rows, first) => room(rows.length - first - atOnce)),
              },
            }),
          ),
        ),
      );
    },
  });
});
