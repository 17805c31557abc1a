import { component, el, prop } from 'zesty-lattice';
component('text-line', {
  props: { tag: prop.tag(['p', 'label']) },
  accepts: 'tga',
  template: ({ props, accepted }) => el.of(props.tag, accepted),
});
