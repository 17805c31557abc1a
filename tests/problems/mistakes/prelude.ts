import { component, definition, el, event, type Kind, preset, prop, slot } from 'zesty-lattice';

// What the mistakes are about: a component of each sort.

export const NoteCard = component('note-card', {
  props: { title: prop.text().fallback('Note'), wide: prop.flag() },
  slots: { default: slot(), badge: slot() },
  template: ({ props, slots }) =>
    el.div({ class: { wide: props.wide } }, el.b(props.title), slots.badge(), slots.default()),
});
export const PriceTag = component('price-tag', {
  props: {
    cents: prop.number(),
    season: prop.choice(['early', 'late']).fallback('early'),
    sowIn: prop.text().optional(),
  },
  template: ({ props }) => el.span(props.cents, props.season, props.sowIn),
});
export const PlainSign = component('plain-sign', { template: () => el.span('x') });
export const NeedBox = component('need-box', {
  slots: { default: slot.required() },
  template: ({ slots }) => el.div(slots.default()),
});
export const RowList = component('row-list', {
  props: { rows: prop.list(prop.text()).fallback(['a']) },
  slots: { row: slot.with(prop.text()) },
  template: ({ slots }) => el.div(slots.row('a')),
});
export const TextLine = component('text-line', {
  props: { tag: prop.tag(['p', 'h1', 'label']) },
  accepts: 'tag',
  slots: { default: slot() },
  template: ({ props, slots, accepted }) => el.of(props.tag, accepted, slots.default()),
});
export const CrateCounter = component('crate-counter', {
  props: { label: prop.text().fallback('Crates') },
  state: () => ({ count: 0 }),
  events: { changed: event<{ count: number }>() },
  handlers: { add: ({ state }, step: number) => ({ count: state.count + step }) },
  template: ({ props, state, handlers }) =>
    el.button({ type: 'button', on: { click: handlers.add(1) } }, props.label, state.count),
});
export const BoardRow = component('board-row', {
  placement: { parents: ['stall-board'] },
  template: () => el.span('x'),
});
export const StallBoard = component('stall-board', {
  slots: { default: slot() },
  template: ({ slots }) => el.div(slots.default()),
});
export const AnyList = component.generic('any-list', <Item>(item: Kind<Item>) =>
  definition({
    props: { items: prop.list(item) },
    slots: { row: slot.with(item) },
    template: ({ slots, props }) => el.div(slots.row(props.items[0] as never)),
  }),
);
export const press = preset(el.button, { type: 'button', class: 'press' });
