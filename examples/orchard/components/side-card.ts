import { component, el, prop, slot } from 'zesty-lattice';
import { markupFile } from 'zesty-lattice/markup';

export const SideCard = component('side-card', {
  description: 'A titled part of the aside.',
  props: { title: prop.text(), anchor: prop.text().optional() },
  slots: { default: slot.required() },
  styles: markupFile(import.meta.url, './side-card.css'),
  template: ({ props, slots }) => el.section({ id: props.anchor }, el.h2(props.title), slots.default()),
});
