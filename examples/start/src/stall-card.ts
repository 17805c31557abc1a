import { component, el, phrase, prop, slot } from 'zesty-lattice';
import { CrateTaker } from './crate-taker.js';

export const StallCard = component('stall-card', {
  description: 'One stall: what it has, when it opens, and how many crates you take.',
  placement: { parents: ['fair-board'] },
  props: {
    name: prop.text().describe('Where it stands.'),
    fruit: prop.text(),
    opens: prop.text().describe('The time as people say it.'),
    crates: prop.number().fallback(0).describe('How many are taken at first.'),
  },
  slots: { default: slot() },
  styles: `
    article { padding: 1.25rem; border: 1px solid var(--line, #ccc); border-radius: .75rem; background: var(--card, transparent) }
    h2 { margin: 0; font-size: 1.15rem }
    .when { margin: .15rem 0 .75rem; color: var(--quiet, inherit) }
  `,
  template: ({ props, slots }) =>
    el.article(
      el.h2(props.fruit),
      el.p({ class: 'when' }, phrase`${props.name}, from ${props.opens}`),
      el.p(slots.default('Ask at the stall.')),
      CrateTaker({ label: props.fruit, start: props.crates }),
    ),
});
