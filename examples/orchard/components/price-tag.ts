import { calc, component, el, prop } from 'zesty-lattice';

export const PriceTag = component('price-tag', {
  description: 'A price in euros, from cents.',
  props: {
    cents: prop.number().where((cents) => cents >= 0, 'must not be below zero'),
    per: prop.text().fallback('crate'),
  },
  styles: `
    data { font-variant-numeric: tabular-nums; font-weight: 650 }
    small { color: var(--quiet); font-weight: 400; font-size: .8125rem }
  `,
  template: ({ props }) =>
    el.data(
      { value: calc(props.cents, (cents) => (cents / 100).toFixed(2)) },
      calc(props.cents, (cents) => `€ ${(cents / 100).toFixed(2)}`),
      el.small(' a ', props.per),
    ),
});
