import { calc, component, el, event, given, phrase, uid } from 'zesty-lattice';

export const HelperForm = component('helper-form', {
  description: 'Signs a helper up for a shift, with a preview of what will be written down.',
  state: () => ({ name: '', crates: 2, cap: false, sent: '' }),
  events: { signed: event<{ name: string }>() },
  styles: `
    :host { display: block }
    form { display: grid; gap: .9rem; border: 1px solid var(--line, #ddd); border-radius: .9rem; background: var(--card, #fff); padding: 1rem }
    label { display: grid; gap: .25rem; font-size: .875rem; color: var(--quiet, #555) }
    .line { display: flex; gap: .5rem; align-items: center }
    input:not([type=checkbox]) { font: inherit; font-size: 1rem; padding: .45rem .7rem; border-radius: .6rem; border: 1px solid var(--line-strong, #999); background: var(--paper, #fff); color: var(--ink, #000); min-inline-size: 0 }
    input:focus-visible, button:focus-visible { outline: 3px solid var(--focus, #c25e00); outline-offset: 2px }
    button { font: inherit; font-weight: 600; justify-self: start; padding: .55rem 1rem; border-radius: .6rem; border: 0; background: var(--zest, #f6b73c); color: var(--on-zest, #000); cursor: pointer }
    button:disabled { opacity: .5; cursor: default }
    p { margin: 0 }
    .preview { border-inline-start: 3px solid var(--zest, #f6b73c); padding-inline-start: .75rem }
  `,
  handlers: {
    send: ({ event, state, dispatch }) => {
      event.preventDefault();
      dispatch('signed', { name: state.name });
      return { sent: state.name, name: '' };
    },
  },
  template: ({ state, handlers }) => {
    const [name, crates] = [uid('name'), uid('crates')];
    return el.form(
      { on: { submit: handlers.send() } },
      el.label(
        { for: name },
        'Your name',
        el.input({ id: name, bind: state.name, autocomplete: 'name', required: true }),
      ),
      el.label(
        { for: crates },
        'Crates you can carry',
        el.input({ id: crates, type: 'number', min: 0, max: 9, bind: state.crates }),
      ),
      el.label({ class: 'line' }, el.input({ type: 'checkbox', bind: state.cap }), 'I need a cap'),
      el.p(
        { class: 'preview', 'aria-live': 'polite' },
        given(
          state.name,
          phrase`${state.name} carries ${state.crates} crates${calc(state.cap, (cap) => (cap ? ' and gets a cap' : ''))}.`,
          'Your line in the log book.',
        ),
      ),
      el.button({ type: 'submit', disabled: calc(state.name, (text) => text.trim() === '') }, 'Sign up'),
      given(state.sent, (sent) =>
        el.p({ role: 'status' }, phrase`Thank you, ${sent}. See you at the gate barn.`),
      ),
    );
  },
});
