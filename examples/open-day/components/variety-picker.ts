import { calc, component, eachOf, el, given, phrase, prop, uid } from 'zesty-lattice';
import data from '../../orchard/open-day.json' with { type: 'json' };
import type { Variety } from '../../orchard/types.js';
import { CrateCounter } from './crate-counter.js';

const orders: Readonly<Record<string, (a: Variety, b: Variety) => number>> = {
  name: (a, b) => a.name.localeCompare(b.name),
  price: (a, b) => a.cents - b.cents,
  sweetness: (a, b) => b.sweetness - a.sweetness,
};

function matches({ name, type }: Variety, wanted: string): boolean {
  return `${name} ${type}`.toLowerCase().includes(wanted.toLowerCase());
}

export const VarietyPicker = component('variety-picker', {
  description: 'The varieties, to be sorted, filtered and picked from; rows keep their counters.',
  props: { items: prop.list<Variety>().fallback(data.varieties as readonly Variety[]) },
  state: () => ({ wanted: '', order: 'name' }),
  styles: `
    :host { display: block }
    .controls { display: flex; flex-wrap: wrap; gap: .75rem 1.25rem; align-items: end; margin-block-end: 1rem }
    label { display: grid; gap: .25rem; font-size: .875rem; color: var(--quiet, #555) }
    input, select { font: inherit; font-size: 1rem; padding: .45rem .7rem; border-radius: .6rem; border: 1px solid var(--line-strong, #999); background: var(--card, #fff); color: var(--ink, #000) }
    input:focus-visible, select:focus-visible { outline: 3px solid var(--focus, #c25e00); outline-offset: 2px }
    .count { margin: 0 0 .3rem; color: var(--quiet, #555); font-size: .9rem }
    ul { list-style: none; margin: 0; padding: 0; border: 1px solid var(--line, #ddd); border-radius: .9rem; background: var(--card, #fff); overflow: hidden }
    li { display: grid; grid-template-columns: 1.5rem minmax(0, 1fr) auto auto; gap: .35rem 1rem; align-items: center; padding: .55rem 1rem; border-block-start: 1px solid var(--line, #ddd) }
    li:first-child { border-block-start: 0 }
    .dot { inline-size: 1.1rem; block-size: 1.1rem; border-radius: 99px; border: .2rem solid var(--peel); background: var(--flesh) }
    b { font-weight: 600 }
    small { color: var(--quiet, #555) }
    data { font-variant-numeric: tabular-nums }
    li[hidden] { display: none }
    .none { display: block }
    @media (max-width: 34rem) { li { grid-template-columns: 1.5rem minmax(0, 1fr) auto } data { grid-column: 2 } crate-counter { grid-column: 3; grid-row: 1 / span 2 } }
  `,
  template: ({ props, state }) => {
    const [search, sort] = [uid('search'), uid('sort')];
    const sorted = calc(props.items, state.order, (items, order) => [...items].sort(orders[order]));
    const count = calc(
      props.items,
      state.wanted,
      (items, wanted) => items.filter((one) => matches(one, wanted)).length,
    );
    return [
      el.div(
        { class: 'controls' },
        el.label({ for: search }, 'Find', el.input({ id: search, type: 'search', bind: state.wanted })),
        el.label(
          { for: sort },
          'Sort by',
          el.select(
            { id: sort, bind: state.order },
            Object.keys(orders).map((order) => el.option({ value: order }, order)),
          ),
        ),
        el.p({ class: 'count', 'aria-live': 'polite' }, phrase`${count} of ${props.items.length}`),
      ),
      el.ul(
        { role: 'list' },
        given(
          calc(count, (n) => n === 0),
          el.li({ class: 'none' }, 'No variety of that name.'),
        ),
        eachOf(
          sorted,
          (variety) =>
            el.li(
              {
                // Hidden, not taken out: a row that is filtered away keeps its counter.
                hidden: calc(variety, state.wanted, (one, wanted) => !matches(one, wanted)),
                style: { '--peel': variety.peel, '--flesh': variety.flesh },
              },
              el.span({ class: 'dot' }),
              el.span(el.b(variety.name), ' ', el.small(variety.type, given(variety.rare, ' · rare'))),
              el.data(
                { value: calc(variety.cents, String) },
                calc(variety.cents, (cents) => `€ ${(cents / 100).toFixed(2)}`),
              ),
              CrateCounter({ label: variety.name, most: variety.crates }),
            ),
          { key: 'id' },
        ),
      ),
    ];
  },
});
