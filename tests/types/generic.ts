import {
  type Content,
  calc,
  component,
  definition,
  type Expr,
  eachOf,
  el,
  given,
  type Kind,
  prop,
  slot,
} from 'zesty-lattice';
import { same } from './expect.js';

/** A repeater for items of any type, with header, footer and empty slots. */
const RowRepeater = component.generic('row-repeater', <Item>(item: Kind<Item>) =>
  definition({
    props: { items: prop.list(item), title: prop.text().optional() },
    slots: { row: slot.with(item).required(), header: slot(), footer: slot(), empty: slot() },
    template: ({ props, slots }) => [
      given(slots.header.filled, el.header(slots.header())),
      el.ul(
        eachOf(props.items, (each) => el.li(slots.row(each)), { empty: el.li(slots.empty('Nothing here.')) }),
      ),
      given(slots.footer.filled, el.footer(slots.footer())),
    ],
  }),
);

interface Variety {
  readonly name: string;
  readonly crates: number;
}
declare const varieties: readonly Variety[];
declare const changing: Expr<readonly Variety[]>;

RowRepeater(
  { items: varieties },
  {
    row: (v) => {
      same<typeof v, Expr<Variety>>(true);
      return el.b(v.name);
    },
    header: 'Varieties',
  },
);
RowRepeater({ items: changing }, { row: (v) => v.crates });
RowRepeater(
  { items: ['a', 'b'] },
  {
    row: (text) => {
      same<typeof text, Expr<string>>(true);
      return text;
    },
  },
);
// @ts-expect-error a variety has no field "nmae"
RowRepeater({ items: varieties }, { row: (v) => v.nmae });
// @ts-expect-error the row slot has to be filled
RowRepeater({ items: varieties }, { header: 'x' });
// @ts-expect-error there is no slot "rows"
RowRepeater({ items: varieties }, { row: (v) => v.name, rows: 'x' });
// @ts-expect-error items is a list
RowRepeater({ items: 3 }, { row: () => 'x' });
// @ts-expect-error a whole item is no content
RowRepeater({ items: varieties }, { row: (v) => v });
// @ts-expect-error "titel" is no prop
RowRepeater({ items: varieties, titel: 'x' }, { row: (v) => v.name });

/** Two columns, each by the name of a field. */
const TwoColumns = component.generic('two-columns', <Row>(row: Kind<Row>) => {
  const field = prop.text<keyof Row & string>();
  return definition({
    props: { rows: prop.list(row), first: field, second: field },
    template: ({ props }) => {
      const cell = (each: Expr<Row>, name: Expr<keyof Row & string>) =>
        el.td(calc(each, name, (it, key) => String(it[key])));
      return el.table(
        el.thead(el.tr(el.th(props.first), el.th(props.second))),
        el.tbody(eachOf(props.rows, (each) => el.tr(cell(each, props.first), cell(each, props.second)))),
      );
    },
  });
});
TwoColumns({ rows: varieties, first: 'name', second: 'crates' });
// @ts-expect-error a variety has no field "price"
TwoColumns({ rows: varieties, first: 'name', second: 'price' });

const Line = component('type-line', {
  props: {
    tag: prop.tag(['p', 'h1', 'label']),
    tone: prop.text().optional(),
    title: prop.number().optional(),
  },
  slots: { default: slot() },
  accepts: 'tag',
  template: ({ props, slots, accepted }) => el.of(props.tag, { class: 'line', ...accepted }, slots.default()),
});
Line({ tag: 'label', for: 'grower' }, 'Grower');
Line({ tone: 'loud', id: 'x', 'aria-label': 'y' });
Line({ tag: 'h1' });
Line({ title: 3 });
// @ts-expect-error <h1> has no attribute "for"
Line({ tag: 'h1', for: 'x' });
// @ts-expect-error <p>, the element when none is chosen, has no attribute "for"
Line({ for: 'x' });
// @ts-expect-error "h7" is not in its set
Line({ tag: 'h7' });
// @ts-expect-error its own prop "title" wins, and takes a number
Line({ title: 'x' });
// @ts-expect-error it has one slot, the default one
Line({ tag: 'p' }, { head: 'x' });
const LabelFirst = component('label-first', {
  props: { tag: prop.tag(['p', 'label']).fallback('label') },
  accepts: 'tag',
  template: ({ props, accepted }) => el.of(props.tag, accepted),
});
LabelFirst({ for: 'x' });

const nothing: Content = null;

export { nothing };
