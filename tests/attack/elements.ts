import { component, eachOf, el, prop } from 'zesty-lattice';
import { register } from 'zesty-lattice/elements';

export const AttackLive = component('attack-live', {
  props: {
    text: prop.text().fallback(''),
    link: prop.text().fallback('#'),
    list: prop.list<string>().fallback([]),
  },
  state: () => ({ n: 0 }),
  template: ({ props, state }) => [
    el.p({ title: props.text, class: props.text, style: { color: props.text } }, props.text, state.n),
    el.a({ href: props.link }, 'x'),
    el.ul(eachOf(props.list, (one) => el.li({ title: one }, one))),
  ],
});

register(AttackLive);
