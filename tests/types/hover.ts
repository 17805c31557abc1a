// What an editor shows over these names is held by hover.test.ts.

import {
  component,
  definition,
  eachOf,
  el,
  type Kind,
  type PropsOf,
  prop,
  type SlotsOf,
  slot,
} from 'zesty-lattice';

export const VarietyCard = component('variety-card', {
  description: 'One citrus variety on the stall.',
  props: {
    title: prop.text(),
    season: prop.choice(['early', 'late']).fallback('early'),
    crates: prop.number().fallback(0),
    picked: prop.date().optional(),
  },
  slots: { default: slot(), badge: slot.required() },
  template: ({ props, slots }) => el.article(el.h3(props.title), slots.badge(), slots.default()),
});

export const Notice = component('open-day-notice', { template: () => el.p('Open day') });

export type CardProps = PropsOf<typeof VarietyCard>;
export type CardSlots = SlotsOf<typeof VarietyCard>;

export const RowList = component.generic('row-list', <Item>(item: Kind<Item>) =>
  definition({
    props: { items: prop.list(item) },
    slots: { row: slot.with(item) },
    template: ({ props, slots }) => el.ul(eachOf(props.items, (each) => el.li(slots.row(each)))),
  }),
);

interface Stall {
  readonly name: string;
  readonly crates: number;
}
declare const stalls: readonly Stall[];

export const page = [
  VarietyCard({ title: 'Dunlight', season: 'late' }, { badge: 'New' }),
  RowList({ items: stalls }, { row: (stall) => el.b(stall.crates) }),
];
