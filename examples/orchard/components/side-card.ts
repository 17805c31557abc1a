import { component, el, prop, slot } from 'zesty-lattice';

export const SideCard = component('side-card', {
  description: 'A titled part of the aside.',
  props: { title: prop.text(), anchor: prop.text().optional() },
  slots: { default: slot.required() },
  styles: `
    h2 { margin: 0 0 .6rem; font: 600 1.2rem/1.2 var(--display) }
    section { scroll-margin-top: 1rem }
  `,
  template: ({ props, slots }) => el.section({ id: props.anchor }, el.h2(props.title), slots.default()),
});
