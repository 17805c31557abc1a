import { component, el, prop, slot } from 'zesty-lattice';

export const FairBoard = component('fair-board', {
  description: 'The stalls of a day, side by side.',
  props: { title: prop.text() },
  slots: { default: slot.required().describe('The stalls.') },
  styles: `
    h1 { margin: 0 0 1.5rem; font-size: clamp(1.6rem, 5vw, 2.4rem); line-height: 1.1 }
    .stalls { display: grid; grid-template-columns: repeat(auto-fill, minmax(min(100%, 15rem), 1fr)); gap: 1rem }
  `,
  template: ({ props, slots }) =>
    el.section(el.h1(props.title), el.div({ class: 'stalls' }, slots.default())),
});
