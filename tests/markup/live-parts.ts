import { component, prop, slot } from 'zesty-lattice';
import 'zesty-lattice/markup';

const Row = component('crate-row', {
  props: { name: prop.text(), crates: prop.number().fallback(0) },
  slots: { default: slot() },
  styles: 'b { color: rgb(1, 2, 3) }',
  template: '<b>{{ name }}</b>: {{ crates }}<slot></slot>',
});

export const Basket = component('crate-list', {
  props: { heading: prop.text().fallback('Crates') },
  slots: { default: slot(), note: slot() },
  state: () => ({ wanted: 'Dun', most: 2, sorted: true, seen: '' }),
  helpers: {
    rows: (most: number, wanted: string) =>
      Array.from({ length: most }, (_, id) => ({ id, name: `${wanted} ${id}`, crates: id * 2 })),
  },
  handlers: {
    more: ({ state }, step: number) => ({ most: state.most + step }),
    see: (_context, event: Event, name: string) => ({ seen: `${event.type} ${name}` }),
  },
  uses: [Row],
  template: `
    <h2 class="{{ sorted and 'sorted' }} {{ most > 2 and 'many' }}">{{ heading }} <small>{{ wanted }}</small></h2>
    <input bind="wanted" aria-label="Wanted">
    <input bind="sorted" type="checkbox" aria-label="Sorted">
    <button type="button" handles="click: more(1); focus: see(event, wanted + '!')">More</button>
    <ul style="--most: {{ most }}">
      <template each-of="rows(most, wanted)" as="row" key="id" index="n">
        <li data-n="{{ n }}"><crate-row name="{{ row.name }}" crates="{{ row.crates }}"> {{ heading }}</crate-row></li>
      </template>
      <template otherwise><li>none</li></template>
    </ul>
    <table><tr><td>{{ seen }}</td></tr></table>
    <svg viewBox="0 0 {{ most }} 9"><template given="most > 2"><circle r="{{ most }}"></circle></template></svg>
    <slot></slot>
    <template given="slots.note.filled"><footer><slot name="note">no note</slot></footer></template>
  `,
});
