import { component, el, prop, slot } from 'zesty-lattice';
import { markupFile } from 'zesty-lattice/markup';

export const NoticeBox = component('notice-box', {
  description: 'A short message with a title.',
  props: { title: prop.text(), tone: prop.choice(['info', 'warning', 'good']).fallback('info') },
  slots: { default: slot.required() },
  styles: markupFile(import.meta.url, './notice-box.css'),
  template: ({ props, slots }) =>
    el.article(
      { class: ['notice', props.tone] },
      el.h3(props.title),
      el.div({ class: 'text' }, slots.default()),
    ),
});
