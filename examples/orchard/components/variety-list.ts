import { component, eachOf, el, given, phrase, prop } from 'zesty-lattice';
import type { Variety } from '../types.js';
import { VarietyCard } from './variety-card.js';

export const VarietyList = component('variety-list', {
  description: 'The varieties as cards.',
  props: { items: prop.list<Variety>() },
  styles: `
    ul { list-style: none; margin: 0; padding: 0; display: grid; gap: 1rem; grid-template-columns: repeat(auto-fill, minmax(min(100%, 17rem), 1fr)) }
    .badge { display: inline-block; line-height: 1.4; font-size: .75rem; font-weight: 600; color: var(--on-zest); background: var(--zest); padding: .15rem .5rem; border-radius: 99px; white-space: nowrap }
    .taste { margin: 0 }
    .tasting { color: var(--link); text-underline-offset: .2em }
  `,
  template: ({ props }) =>
    el.ul(
      eachOf(
        props.items,
        (variety) =>
          el.li(
            VarietyCard(
              {
                title: variety.name,
                type: variety.type,
                season: variety.season,
                crates: variety.crates,
                cents: variety.cents,
                stall: variety.stall,
                rare: variety.rare,
                peel: variety.peel,
                flesh: variety.flesh,
              },
              {
                badge: given(variety.badge, (badge) => el.span({ class: 'badge' }, badge)),
                default: el.p({ class: 'taste' }, variety.taste),
                actions: given(variety.tasting, (time) =>
                  el.a({ class: 'tasting', href: '#tastings' }, phrase`Taste it at ${time}`),
                ),
              },
            ),
          ),
        { key: 'id', empty: el.li('Nothing picked yet.') },
      ),
    ),
});
