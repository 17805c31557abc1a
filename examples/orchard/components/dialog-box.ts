import { component, el, prop, slot, uid } from 'zesty-lattice';
import { press, quietPress } from '../vocabulary.js';

export const DialogBox = component('dialog-box', {
  description: 'A button, and the dialog it opens; each use has its own.',
  props: { opener: prop.text(), title: prop.text() },
  slots: { default: slot.required(), footer: slot() },
  styles: `
    .dialog { border: 0; border-radius: 1rem; padding: 1.5rem; max-width: min(34rem, calc(100vw - 2rem)); box-sizing: border-box; background: var(--card); color: var(--ink); box-shadow: 0 1.5rem 4rem rgb(0 0 0 / .35) }
    .dialog::backdrop { background: rgb(20 16 8 / .5) }
    h2 { margin: 0 0 .75rem; font: 600 1.4rem/1.2 var(--display) }
    .foot { display: flex; gap: .75rem; align-items: center; justify-content: space-between; margin-top: 1.25rem }
  `,
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
