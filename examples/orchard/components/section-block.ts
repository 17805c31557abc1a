import { component, el, given, prop, slot } from 'zesty-lattice';
import { markupFile } from 'zesty-lattice/markup';

export const SectionBlock = component('section-block', {
  description: 'A part of the page with a heading, an introduction and something to do.',
  props: { anchor: prop.text(), title: prop.text() },
  slots: { default: slot.required(), intro: slot(), actions: slot() },
  styles: markupFile(import.meta.url, './section-block.css'),
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
