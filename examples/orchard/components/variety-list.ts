import { component, eachOf, el, given, phrase, prop } from 'zesty-lattice';
import { markupFile } from 'zesty-lattice/markup';
import type { Variety } from '../types.js';
import { grid, link, zestPill } from '../vocabulary.js';
import { VarietyCard } from './variety-card.js';

export const VarietyList = component('variety-list', {
  description: 'The varieties as cards.',
  props: { items: prop.list<Variety>() },
  styles: markupFile(import.meta.url, './variety-list.css'),
  template: ({ props }) =>
    grid(
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
                badge: given(variety.badge, (badge) => zestPill(badge)),
                default: el.p({ class: 'taste' }, variety.taste),
                actions: given(variety.tasting, (time) =>
                  link({ href: '#tastings' }, phrase`Taste it at ${time}`),
                ),
              },
            ),
          ),
        { key: 'id', empty: el.li('Nothing picked yet.') },
      ),
    ),
});
