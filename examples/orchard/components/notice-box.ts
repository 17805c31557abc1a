import { component, el, prop, slot } from 'zesty-lattice';

export const NoticeBox = component('notice-box', {
  description: 'A short message with a title.',
  props: { title: prop.text(), tone: prop.choice(['info', 'warning', 'good']).fallback('info') },
  slots: { default: slot.required() },
  styles: `
    .notice { padding: .85rem 1rem; border-radius: .9rem; background: var(--tint); color: var(--ink) }
    .info { --tint: var(--info-tint) }
    .warning { --tint: var(--warn-tint) }
    .good { --tint: var(--good-tint) }
    h3 { margin: 0 0 .2rem; font-size: 1rem }
    .text { font-size: .9375rem; line-height: 1.5 }
  `,
  template: ({ props, slots }) =>
    el.article(
      { class: ['notice', props.tone] },
      el.h3(props.title),
      el.div({ class: 'text' }, slots.default()),
    ),
});
