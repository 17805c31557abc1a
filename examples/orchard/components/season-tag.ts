import { calc, component, el, prop } from 'zesty-lattice';
import { markupFile } from 'zesty-lattice/markup';

export const SeasonTag = component('season-tag', {
  description: 'Says when a variety is picked.',
  props: { season: prop.choice(['early', 'late']) },
  styles: markupFile(import.meta.url, './season-tag.css'),
  template: ({ props }) =>
    el.span(
      { class: props.season },
      calc(props.season, (season) => (season === 'early' ? 'Early' : 'Late')),
    ),
});
