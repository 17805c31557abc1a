import { calc, component, el, given, phrase, prop, slot } from 'zesty-lattice';
import { markupFile } from 'zesty-lattice/markup';
import { CitrusSlice } from './citrus-slice.js';
import { PriceTag } from './price-tag.js';
import { SeasonTag } from './season-tag.js';

export const VarietyCard = component('variety-card', {
  description: 'One citrus variety on the stalls.',
  props: {
    title: prop.text(),
    type: prop.text(),
    season: prop.choice(['early', 'late']).fallback('early'),
    crates: prop.number().fallback(0),
    cents: prop.number(),
    stall: prop.text().optional(),
    rare: prop.flag(),
    peel: prop.text().optional(),
    flesh: prop.text().optional(),
  },
  slots: { default: slot(), badge: slot(), actions: slot() },
  styles: markupFile(import.meta.url, './variety-card.css'),
  template: ({ props, slots }) =>
    el.article(
      { class: ['variety', props.season, { 'sold-out': calc(props.crates, (n) => n === 0) }] },
      el.header(
        { class: 'head' },
        CitrusSlice({ peel: props.peel, flesh: props.flesh, pale: calc(props.crates, (n) => n === 0) }),
        el.div(
          { class: 'names' },
          el.h3(props.title),
          el.p(
            { class: 'kind' },
            props.type,
            given(props.stall, (stall) => [' · ', stall]),
          ),
        ),
      ),
      el.p({ class: 'badge' }, slots.badge(SeasonTag({ season: props.season }))),
      el.div({ class: 'taste' }, slots.default(el.p('Not described yet.'))),
      el.p(
        { class: 'facts' },
        given(
          calc(props.crates, (n) => n === 0),
          el.span({ class: 'left' }, 'Sold out'),
          given(
            props.rare,
            el.span({ class: 'few' }, 'Only a few trees'),
            el.span({ class: 'left' }, phrase`${props.crates} crates left`),
          ),
        ),
        PriceTag({ cents: props.cents }),
      ),
      given(slots.actions.filled, el.footer({ class: 'actions' }, slots.actions())),
    ),
});
