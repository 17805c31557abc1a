import { component, el, given, prop, slot } from 'zesty-lattice';

export const SectionBlock = component('section-block', {
  description: 'A part of the page with a heading, an introduction and something to do.',
  props: { anchor: prop.text(), title: prop.text() },
  slots: { default: slot.required(), intro: slot(), actions: slot() },
  styles: `
    section { scroll-margin-top: 1rem }
    header { display: flex; flex-wrap: wrap; gap: .5rem 1.5rem; align-items: end; justify-content: space-between; margin-bottom: 1.1rem }
    h2 { margin: 0; font: 600 1.75rem/1.15 var(--display) }
    .intro { color: var(--quiet); margin-top: .3rem; max-width: 62ch; line-height: 1.5 }
    .actions { display: flex; flex-wrap: wrap; gap: .6rem }
  `,
  template: ({ props, slots }) =>
    el.section(
      { id: props.anchor },
      el.header(
        el.div(el.h2(props.title), given(slots.intro.filled, el.div({ class: 'intro' }, slots.intro()))),
        given(slots.actions.filled, el.div({ class: 'actions' }, slots.actions())),
      ),
      slots.default(),
    ),
});
