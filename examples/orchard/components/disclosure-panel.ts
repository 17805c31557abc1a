import { component, el, prop, slot, uid } from 'zesty-lattice';
import { markupFile } from 'zesty-lattice/markup';

export const DisclosurePanel = component('disclosure-panel', {
  description: 'A question that opens to its answer.',
  props: { title: prop.text(), open: prop.flag() },
  slots: { default: slot.required() },
  styles: markupFile(import.meta.url, './disclosure-panel.css'),
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
