import { calc, component, el, given, phrase, prop, slot } from 'zesty-lattice';
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
  styles: `
    .variety { display: flex; flex-direction: column; gap: .6rem; padding: 1rem; background: var(--card); border: 1px solid var(--line); border-radius: .9rem; height: 100%; box-sizing: border-box }
    .head { display: flex; gap: .85rem; align-items: center }
    .names { min-width: 0; flex: 1 }
    h3 { margin: 0; font: 600 1.15rem/1.2 var(--display) }
    .kind { margin: .15rem 0 0; color: var(--quiet); font-size: .875rem }
    .badge { margin: 0; line-height: 1.6 }
    .taste { font-size: .9375rem; line-height: 1.5; flex: 1 }
    .facts { display: flex; flex-wrap: wrap; gap: .35rem .75rem; align-items: center; justify-content: space-between; font-size: .875rem; border-top: 1px solid var(--line); padding-top: .6rem; margin: 0 }
    .left { color: var(--quiet) }
    .few { color: var(--alert); font-weight: 600 }
    .sold-out h3 { color: var(--quiet) }
    .actions { display: flex; gap: .5rem; font-size: .9rem }
  `,
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
