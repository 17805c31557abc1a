import { component, el, prop, slot, uid } from 'zesty-lattice';
import { markupFile } from 'zesty-lattice/markup';
import { press, quietPress } from '../vocabulary.js';

export const DialogBox = component('dialog-box', {
  description: 'A button, and the dialog it opens; each use has its own.',
  props: { opener: prop.text(), title: prop.text() },
  slots: { default: slot.required(), footer: slot() },
  styles: markupFile(import.meta.url, './dialog-box.css'),
  template: ({ props, slots }) => {
    const [dialog, title] = [uid('dialog'), uid('title')];
    return [
      press({ popovertarget: dialog }, props.opener),
      el.div(
        { class: 'dialog', id: dialog, popover: true, role: 'dialog', 'aria-labelledby': title },
        el.h2({ id: title }, props.title),
        slots.default(),
        el.div(
          { class: 'foot' },
          slots.footer(el.span()),
          quietPress({ popovertarget: dialog, popovertargetaction: 'hide' }, 'Close'),
        ),
      ),
    ];
  },
});
