import { component, el, prop, slot } from 'zesty-lattice';

export const VarietyCard = component('variety-card', {
  props: {
    title: prop.text(),
    season: prop.choice(['early', 'late']).fallback('early'),
    crates: prop.number().fallback(0),
  },
  slots: { default: slot(), badge: slot() },
  template: ({ props, slots }) => el.p(props.title, props.season, props.crates, slots.default(), slots.badge()),
});
export const StallSign = component('stall-sign', {
  props: { name: prop.text() },
  template: ({ props }) => el.p(props.name),
});
export const TextLine = component('text-line', {
  props: { tag: prop.tag(['p', 'h1', 'label']) },
  slots: { default: slot() },
  accepts: 'tag',
  template: ({ props, slots, accepted }) => el.of(props.tag, accepted, slots.default()),
});
export const OpenDayNotice = component('open-day-notice', {
  slots: { default: slot() },
  template: ({ slots }) => el.p('Open day', slots.default()),
});
