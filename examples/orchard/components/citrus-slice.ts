import { component, el, prop } from 'zesty-lattice';
import { markupFile } from 'zesty-lattice/markup';

const segments = [0, 1, 2, 3, 4, 5, 6, 7, 8];

/** One segment of the slice, drawn at the top and turned into place. */
const segment = 'M50 43 L41.2 15.6 A35.5 35.5 0 0 1 58.8 15.6 Z';

export const CitrusSlice = component('citrus-slice', {
  description: 'A slice of fruit with nine segments, in the colours of its variety.',
  props: {
    peel: prop.text().fallback('#ee7f1d'),
    flesh: prop.text().fallback('#f9a53f'),
    size: prop.number().fallback(56),
    pale: prop.flag(),
  },
  styles: markupFile(import.meta.url, './citrus-slice.css'),
  template: ({ props }) =>
    el.svg(
      {
        class: { pale: props.pale },
        viewBox: '0 0 100 100',
        width: props.size,
        height: props.size,
        'aria-hidden': true,
      },
      el.circle({ cx: 50, cy: 50, r: 48, fill: props.peel }),
      el.circle({ class: 'pith', cx: 50, cy: 50, r: 41 }),
      el.g(
        { fill: props.flesh, stroke: props.flesh, 'stroke-width': 2.5, 'stroke-linejoin': 'round' },
        segments.map((n) => el.path({ d: segment, transform: `rotate(${n * 40} 50 50)` })),
      ),
    ),
});
