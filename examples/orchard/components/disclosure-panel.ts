import { component, el, prop, slot, uid } from 'zesty-lattice';

export const DisclosurePanel = component('disclosure-panel', {
  description: 'A question that opens to its answer.',
  props: { title: prop.text(), open: prop.flag() },
  slots: { default: slot.required() },
  styles: `
    details { border-bottom: 1px solid var(--line) }
    summary { cursor: pointer; padding: .8rem .25rem; font-weight: 600 }
    summary:focus-visible { outline: 3px solid var(--focus); outline-offset: 2px; border-radius: .3rem }
    .answer { padding: 0 .25rem 1rem; line-height: 1.6; max-width: 60ch }
  `,
  template: ({ props, slots }) => {
    const title = uid('question');
    return el.details(
      { open: props.open },
      el.summary({ id: title }, props.title),
      el.div(
        { class: 'answer', id: uid('answer'), role: 'group', 'aria-labelledby': title },
        slots.default(),
      ),
    );
  },
});
