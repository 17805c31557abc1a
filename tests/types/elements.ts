import { calc, component, el, event, prop, share } from 'zesty-lattice';
import { elementClass, register } from 'zesty-lattice/elements';
import { same, takes } from './expect.js';

const Counter = component('counter-type', {
  props: { label: prop.text(), start: prop.number().fallback(0), tags: prop.list(prop.text()).optional() },
  state: ({ start, label, tags }) => {
    same<typeof start, number>(true);
    same<typeof tags, readonly string[] | undefined>(true);
    return { count: start, note: label };
  },
  events: { changed: event<{ count: number }>(), cleared: event() },
  handlers: {
    add: ({ state, props, dispatch, host, event: cause }, step: number, why?: string) => {
      same<typeof state.count, number>(true);
      same<typeof props.label, string>(true);
      takes<HTMLElement>(host);
      takes<Event>(cause);
      dispatch('changed', { count: state.count + step });
      dispatch('cleared');
      // @ts-expect-error "cleared" has no detail
      dispatch('cleared', 3);
      // @ts-expect-error there is no event "chnged"
      dispatch('chnged', { count: 1 });
      // @ts-expect-error the event "changed" has a detail with a count
      dispatch('changed');
      // @ts-expect-error the count is a number
      dispatch('changed', { count: 'x' });
      // @ts-expect-error the state is changed by what the handler gives, not in place
      state.count = 3;
      return { count: state.count + step, note: why ?? '' };
    },
    clear: () => ({ count: 0 }),
  },
  reactions: {
    start: ({ props }, before) => {
      takes<number>(before);
      return { count: props.start };
    },
  },
  connected: ({ change, signal }) => {
    takes<AbortSignal>(signal);
    change({ count: 1 });
    // @ts-expect-error the state has no field "cont"
    change({ cont: 1 });
  },
  template: ({ props, state, handlers }) => {
    // @ts-expect-error "add" needs its step
    handlers.add();
    // @ts-expect-error the step is a number
    handlers.add('1');
    // @ts-expect-error there is no handler "ad"
    takes(handlers.ad);
    // @ts-expect-error the state has no field "cout"
    takes(state.cout);
    el.input({ bind: state.note });
    el.input({ type: 'number', bind: state.count });
    // @ts-expect-error a control is tied to a field of the state, not to a prop
    el.input({ bind: props.label });
    // @ts-expect-error nor to what is worked out from it
    el.input({ bind: calc(state.note, (note) => note.trim()) });
    // @ts-expect-error nor to text
    el.input({ bind: 'note' });
    return el.button(
      { on: { click: handlers.add(state.count, props.label), blur: handlers.clear() } },
      state.count,
    );
  },
});

register(Counter);
const Element = elementClass(Counter);
const counter = new Element();
takes<HTMLElement>(counter);
same<typeof counter.label, string>(true);
counter.start = 3;
// @ts-expect-error "start" is a number
counter.start = 'x';
// @ts-expect-error the element has no property "strat"
counter.strat = 3;
// @ts-expect-error only components can be registered
register('counter-type');

const Basket = share<{ readonly crates: number }>('basket');
component('type-box', {
  state: () => ({ crates: 1 }),
  provides: ({ state }) => [Basket.provide({ crates: state.crates })],
  template: () => el.p(Basket.read().crates),
});
// @ts-expect-error the basket holds a number of crates
Basket.provide({ crates: 'x' });
// @ts-expect-error a whole basket is no content
el.p(Basket.read());
