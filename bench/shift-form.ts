import { component, el, event } from 'zesty-lattice';
import { register } from 'zesty-lattice/elements';

/** A form of three fields: a text, a number and a mark, which a helper sends. */
export const ShiftForm = component('shift-form', {
  state: () => ({ name: '', crates: 2, cap: false }),
  events: { signed: event<{ name: string; crates: number; cap: boolean }>() },
  handlers: {
    send: ({ dispatch, event, state }) => {
      event.preventDefault();
      dispatch('signed', state);
    },
  },
  template: ({ handlers, state }) =>
    el.form(
      { on: { submit: handlers.send() } },
      el.label('Your name', el.input({ bind: state.name, required: true })),
      el.label('Crates', el.input({ type: 'number', bind: state.crates, min: 0, max: 9 })),
      el.label(el.input({ type: 'checkbox', bind: state.cap }), 'I need a cap'),
      el.button({ type: 'submit' }, 'Sign up'),
    ),
});

register(ShiftForm);
