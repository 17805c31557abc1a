import {
  calc,
  component,
  definition,
  eachOf,
  el,
  event,
  type Kind,
  node,
  type PropsOf,
  prop,
  type SlotsOf,
  slot,
} from 'zesty-lattice';
import type { ElementOf } from 'zesty-lattice/elements';

const Pick = component.generic('row-pick', <Row, Key = string>(row: Kind<Row>, key: Kind<Key>) =>
  definition({
    props: { rows: prop.list(row), chosen: prop.list(key).fallback([]), title: prop.text().optional() },
    slots: { row: slot.with(row).required(), foot: slot() },
    events: { picked: event<{ at: number }>() },
    state: () => ({ at: 0 }),
    handlers: {
      pick: ({ dispatch }, at: number) => {
        dispatch('picked', { at });
        return { at };
      },
    },
    elementMethods: { first: () => ({ at: 0 }) },
    template: ({ props, slots, handlers }) =>
      el.ul(eachOf(props.rows, (one, at) => el.li({ on: { click: handlers.pick(at) } }, slots.row(one)))),
  }),
);
interface V {
  name: string;
  crates: number;
}
declare const vs: readonly V[];
const Hall = component('pick-hall', {
  state: () => ({ at: 0 }),
  nodes: { pick: node<ElementOf<typeof Pick>>('row-pick') },
  handlers: {
    note: ({ nodes }, at: number) => {
      void nodes.pick?.first();
      return { at };
    },
  },
  template: ({ handlers, nodes }) =>
    Pick(
      {
        rows: vs,
        chosen: [3],
        class: 'x',
        on: { picked: (e) => handlers.note(e.detail.at) },
        node: nodes.pick,
      },
      { row: (v) => v.name },
    ),
});
Pick({ rows: vs }, { row: (v) => v.crates });
// @ts-expect-error
Pick({ rows: vs, on: { pickd: null as never } }, { row: (v) => v.crates });
// @ts-expect-error
Pick({ rows: vs }, { row: (v) => v.nmae });
declare const element: ElementOf<typeof Pick>;
element.first().then(() => element.rows.length);
element.addEventListener('picked', ({ detail }) => detail.at.toFixed());
const given: PropsOf<typeof Pick> = { rows: [1, 'x'] };
type S = SlotsOf<typeof Pick>;
const slots: S = { row: () => 'x' };
const Outer = component.generic('outer-list', <Row>(row: Kind<Row>) =>
  definition({
    props: { rows: prop.list(row) },
    slots: { row: slot.with(row).required() },
    template: ({ props, slots }) => Pick({ rows: props.rows }, { row: (one) => slots.row(one) }),
  }),
);
Outer({ rows: vs }, { row: (v) => v.name });
// @ts-expect-error
Outer({ rows: vs }, { row: (v) => v.nmae });

export { given, Hall, slots };

void calc;

import type { FieldElementOf } from 'zesty-lattice/elements';

element.fillers = { row: (row) => String(row) };
// @ts-expect-error
element.fillers = { rows: (row) => String(row) };
const Weight = component('weight-field', {
  props: { least: prop.number().fallback(0) },
  slots: { row: slot.with<V>() },
  state: () => ({ kilos: 0 }),
  field: { value: ({ state }) => String(state.kilos) },
  template: ({ slots }) => el.p(slots.row({ name: 'a', crates: 1 })),
});
declare const f: FieldElementOf<typeof Weight>;
f.value = '3';
f.form?.reset();
f.validity.valid;
f.checkValidity();
f.least = 3;
f.setCustomValidity('x');
f.fillers = { row: ({ crates }) => crates.toFixed() };
