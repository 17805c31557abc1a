import { component, eachOf, el, prop } from 'zesty-lattice';

export interface Row {
  readonly id: number;
  readonly name: string;
  readonly crates: number;
}

/** A list with keyed rows, as small as such a one can be. */
export const CrateTable = component('crate-table', {
  props: { rows: prop.list<Row>().fallback([]) },
  state: () => ({}),
  template: ({ props }) =>
    el.table(
      el.tbody(
        eachOf(
          props.rows,
          (row) =>
            el.tr({ 'data-id': row.id }, el.td(row.id), el.td(el.b(row.name)), el.td(row.crates, ' crates')),
          { key: 'id' },
        ),
      ),
    ),
});
