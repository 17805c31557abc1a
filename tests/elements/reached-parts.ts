import { component, el, given, prop } from 'zesty-lattice';
import { renderHtml } from 'zesty-lattice/html';

export const CrateClock = component('crate-clock', {
  state: () => ({ ticks: 0 }),
  connected: ({ change, signal, state }) => {
    addEventListener('tick', () => change(({ ticks }) => ({ ticks: ticks + 1 })), {
      signal: signal as AbortSignal,
    });
    addEventListener('stale', () => change({ ticks: state.ticks + 1 }), { signal: signal as AbortSignal });
  },
  handlers: {
    twice: async ({ change }) => {
      change(({ ticks }) => ({ ticks: ticks + 1 }));
      await Promise.resolve();
      change(({ ticks }) => ({ ticks: ticks + 1 }));
      change(() => undefined);
    },
  },
  template: ({ state, handlers }) =>
    el.button({ type: 'button', on: { click: handlers.twice() } }, state.ticks),
});

const SmallNote = component('small-note', {
  props: { text: prop.text() },
  styles: 'b { font-weight: 300 }',
  template: ({ props }) => el.b(props.text),
});

/** Its rules name the element of another component, which stands in its shadow root beside one that is flattened. */
export const ClockRow = component('clock-row', {
  state: () => ({ isOn: true }),
  styles: 'crate-clock { margin-inline-start: 7px } .apart > crate-clock { padding-inline-start: 9px }',
  template: ({ state }) =>
    el.div(
      CrateClock(),
      el.p({ class: 'apart' }, CrateClock()),
      SmallNote({ text: 'beside' }),
      given(state.isOn, 'on'),
    ),
});

/** Dissolves, and is nothing but an element of another one: its rules for the host are for the box around that. */
const ClockAlone = component('clock-alone', {
  styles: ':host { margin-block-start: 5px } crate-clock { margin-block-end: 3px }',
  template: () => CrateClock(),
});
export const ClockBoard = component('clock-board', {
  state: () => ({ isOn: true }),
  template: ({ state }) => el.div(ClockAlone(), given(state.isOn, 'on')),
});

/** Its handler changes the state in place. */
export const CrateMark = component('crate-mark', {
  state: () => ({ marks: 0 }),
  handlers: {
    mark: ({ state }) => {
      (state as { marks: number }).marks++;
    },
  },
  template: ({ state, handlers }) =>
    el.button({ type: 'button', on: { click: handlers.mark() } }, state.marks),
});

/** One that cannot be registered: a page has such an element already. */
export const TakenPart = component('taken-part', { template: () => el.p('x') });

Object.assign(globalThis, {
  written: () =>
    renderHtml(ClockRow, {}, { form: 'elements' }) + renderHtml(ClockBoard, {}, { form: 'elements' }),
  look: () => {
    const clocks = (name: string): Element[] => [
      ...(document.querySelector(name)?.shadowRoot?.querySelectorAll('crate-clock') ?? []),
    ];
    const [first, second] = clocks('clock-row').map((one) => getComputedStyle(one));
    const [alone] = clocks('clock-board');
    const box = alone?.closest('lattice-host');
    return [
      first?.marginInlineStart,
      first?.paddingInlineStart,
      second?.marginInlineStart,
      second?.paddingInlineStart,
      box && getComputedStyle(box).marginBlockStart,
      alone && getComputedStyle(alone).marginBlockEnd,
    ];
  },
});
