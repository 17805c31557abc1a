// Components made from another one's definition: with another template, another look, more props.

import {
  type Content,
  component,
  definition,
  el,
  event,
  given,
  type PropsOf,
  prop,
  type SlotsOf,
  slot,
} from 'zesty-lattice';
import { same } from './expect.js';

const counting = definition({
  props: { label: prop.text(), start: prop.number().fallback(0) },
  slots: { default: slot(), note: slot.required() },
  state: ({ start }) => ({ count: start }),
  events: { changed: event<{ readonly count: number }>() },
  handlers: {
    add: ({ state, dispatch }, step: number) => {
      dispatch('changed', { count: state.count + step });
      return { count: state.count + step };
    },
  },
  template: ({ props, state, slots }) => el.p(props.label, state.count, slots.note(), slots.default()),
});

export const PlainCounter = component('plain-counter', counting);

export const BigCounter = component('big-counter', {
  ...counting,
  styles: 'b { font-size: 3rem }',
  template: ({ props, slots, state, handlers }) =>
    el.button(
      { on: { click: handlers.add(1) } },
      props.label,
      el.b(state.count),
      slots.note(),
      slots.default(),
    ),
});
same<PropsOf<typeof BigCounter>, PropsOf<typeof PlainCounter>>(true);
same<SlotsOf<typeof BigCounter>, SlotsOf<typeof PlainCounter>>(true);

// With more props, and state that reads them.
export const StepCounter = component('step-counter', {
  ...counting,
  props: { ...counting.props, step: prop.number().fallback(1) },
  template: ({ props, state, handlers, slots }) =>
    el.button(
      { on: { click: handlers.add(props.step) } },
      state.count,
      given(props.step, props.label),
      slots.note(),
      slots.default(),
    ),
});
same<PropsOf<typeof StepCounter>['step'], number | undefined>(true);
StepCounter({ label: 'Crates', step: 2, on: { changed: undefined as never } }, { note: 'x' });
// @ts-expect-error "note" has to be filled
StepCounter({ label: 'Crates' }, {});
// @ts-expect-error there is no "steps"
StepCounter({ label: 'Crates', steps: 2 }, { note: 'x' });

component('wrong-counter', {
  ...counting,
  // @ts-expect-error the state has no "total"
  template: ({ state }) => el.p(state.total),
});
export const content: Content = BigCounter({ label: 'x' }, { note: 'x' });

// With more slots.
export const NotedCounter = component('noted-counter', {
  ...counting,
  slots: { ...counting.slots, foot: slot() },
  template: ({ slots }) => el.p(slots.note(), slots.foot()),
});
same<keyof SlotsOf<typeof NotedCounter>, 'default' | 'note' | 'foot'>(true);
