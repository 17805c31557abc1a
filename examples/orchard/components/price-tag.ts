import { calc, component, el, prop } from 'zesty-lattice';
import { markupFile } from 'zesty-lattice/markup';

export const PriceTag = component('price-tag', {
  description: 'A price in euros, from cents.',
  props: {
    cents: prop.number().where((cents) => cents >= 0, 'must not be below zero'),
    per: prop.text().fallback('crate'),
  },
  styles: markupFile(import.meta.url, './price-tag.css'),
  template: ({ props }) =>
    el.data(
      { value: calc(props.cents, (cents) => (cents / 100).toFixed(2)) },
      calc(props.cents, (cents) => `€ ${(cents / 100).toFixed(2)}`),
      el.small(' a ', props.per),
    ),
});
