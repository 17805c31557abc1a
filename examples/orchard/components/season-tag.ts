import { calc, component, el, prop } from 'zesty-lattice';

export const SeasonTag = component('season-tag', {
  description: 'Says when a variety is picked.',
  props: { season: prop.choice(['early', 'late']) },
  styles: `
    span { font-size: .75rem; letter-spacing: .04em; padding: .1rem .5rem; border-radius: 99px; border: 1px solid currentColor }
    .early { color: var(--leaf) }
    .late { color: var(--dusk) }
  `,
  template: ({ props }) =>
    el.span(
      { class: props.season },
      calc(props.season, (season) => (season === 'early' ? 'Early' : 'Late')),
    ),
});
