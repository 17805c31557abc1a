// Listening to a component's events where it is used, by the names it declares; compiled, not run.
import { component, el, event, type PropsOf, preset, prop, slot } from 'zesty-lattice';
import { same } from './expect.js';

const Counter = component('typed-counter', {
  props: { start: prop.number().fallback(0) },
  slots: { default: slot() },
  events: { changed: event<{ count: number }>(), closed: event() },
  template: ({ slots }) => el.div(slots.default()),
});
same<PropsOf<typeof Counter>, { start?: number | undefined }>(true);

const Early = preset(Counter, { start: 3 });
component('typed-page', {
  state: () => ({ count: 0 }),
  handlers: { note: () => ({ count: 1 }) },
  template: ({ handlers, state }) => [
    Counter({ start: state.count, on: { changed: handlers.note(), closed: handlers.note() } }, 'x'),
    Counter({ on: { changed: handlers.note() } }),
    Counter({}),
    Counter(),
    Early({ on: { closed: handlers.note() } }),
    // @ts-expect-error it sends no "opened"
    Counter({ on: { opened: handlers.note() } }),
    // @ts-expect-error a listener is the call of a handler
    Counter({ on: { changed: () => undefined } }),
  ],
});

const Quiet = component('typed-quiet', { props: { a: prop.text() }, template: () => null });
component('typed-other', {
  handlers: { note: () => undefined },
  template: ({ handlers }) => [
    // @ts-expect-error it sends nothing
    Quiet({ a: 'x', on: { changed: handlers.note() } }),
  ],
});

// What a component is given for the element that it renders as it may pass on, however deep.
const Line = component('typed-line', {
  props: { tag: prop.tag(['p', 'label']) },
  accepts: 'tag',
  slots: { default: slot() },
  template: ({ props, slots, accepted }) => el.of(props.tag, { ...accepted }, slots.default()),
});
const Outer = component('typed-outer', {
  props: { tag: prop.tag(['p', 'label']), text: prop.text() },
  accepts: 'tag',
  template: ({ props, accepted }) => Line({ tag: props.tag, ...accepted }, props.text),
});
component('typed-outermost', {
  props: { tag: prop.tag(['p', 'label']) },
  accepts: 'tag',
  template: ({ props, accepted }) => Outer({ tag: props.tag, text: 'x', ...accepted }),
});
