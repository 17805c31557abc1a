import { component, eachOf, el, phrase } from 'zesty-lattice';
import { register } from 'zesty-lattice/elements';

interface Shift {
  readonly id: number;
  readonly name: string;
}

/** Shifts that a pointer moves about: the row under it changes places with the one that is held. */
export const ShiftRows = component('shift-rows', {
  state: () => ({
    held: 0,
    shifts: ['Gate', 'Press', 'Carts', 'Shade'].map((name, at) => ({
      id: at + 1,
      name,
    })) as readonly Shift[],
  }),
  handlers: {
    take: ({ event }, id: number) => {
      const { currentTarget, pointerId } = event as PointerEvent;
      (currentTarget as Element).setPointerCapture(pointerId);
      return { held: id };
    },
    over: ({ event, host, state }) => {
      if (state.held === 0) return;
      const { clientX, clientY } = event as PointerEvent;
      const under = host.shadowRoot?.elementFromPoint(clientX, clientY)?.closest('li');
      const to = state.shifts.findIndex(({ id }) => String(id) === under?.dataset.id);
      const from = state.shifts.findIndex(({ id }) => id === state.held);
      if (to < 0 || to === from) return;
      const shifts = [...state.shifts];
      shifts.splice(to, 0, ...shifts.splice(from, 1));
      return { shifts };
    },
    leave: () => ({ held: 0 }),
    down: ({ event, state }, id: number) => {
      const from = state.shifts.findIndex((shift) => shift.id === id);
      if ((event as KeyboardEvent).key !== 'ArrowDown' || from === state.shifts.length - 1) return;
      const shifts = [...state.shifts];
      shifts.splice(from + 1, 0, ...shifts.splice(from, 1));
      return { shifts };
    },
  },
  styles: 'li { display: flex; block-size: 40px } b { inline-size: 80px; touch-action: none }',
  template: ({ handlers, state }) =>
    el.ol(
      eachOf(
        state.shifts,
        (shift) =>
          el.li(
            { 'data-id': phrase`${shift.id}` },
            el.b(
              {
                on: {
                  pointerdown: handlers.take(shift.id),
                  pointermove: handlers.over(),
                  pointerup: handlers.leave(),
                },
              },
              shift.name,
            ),
            el.input({
              'aria-label': phrase`Helper at the ${shift.name}`,
              on: { keydown: handlers.down(shift.id) },
            }),
          ),
        { key: 'id' },
      ),
    ),
});

/** A log that a page shows while the rest of it is still on its way. */
export const GroveCount = component('grove-count', {
  state: () => ({ trees: 9 }),
  handlers: { more: ({ state }) => ({ trees: state.trees + 1 }) },
  styles: 'button { color: rgb(1, 2, 3) }',
  template: ({ handlers, state }) =>
    el.button({ type: 'button', on: { click: handlers.more() } }, state.trees, ' trees'),
});

export const startParts = (): void => register(ShiftRows, GroveCount);
