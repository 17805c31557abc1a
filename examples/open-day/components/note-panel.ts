import { calc, component, el, given, prop, slot, uid } from 'zesty-lattice';

export const NotePanel = component('note-panel', {
  description: 'A question that opens to its answer.',
  props: { title: prop.text(), open: prop.flag() },
  slots: { default: slot() },
  state: ({ open }) => ({ open }),
  styles: `
    :host { display: block; border-block-end: 1px solid var(--line, #ddd) }
    h3 { margin: 0; font-size: 1rem }
    button { all: unset; box-sizing: border-box; inline-size: 100%; padding: .8rem .25rem; font-weight: 600; cursor: pointer; display: flex; justify-content: space-between }
    button:focus-visible { outline: 3px solid var(--focus, #c25e00); outline-offset: 2px; border-radius: .3rem }
    div { padding: 0 .25rem 1rem; line-height: 1.6 }
  `,
  handlers: { turn: ({ state }) => ({ open: !state.open }) },
  template: ({ props, slots, state, handlers }) => {
    const answer = uid('answer');
    return [
      el.h3(
        el.button(
          {
            type: 'button',
            'aria-expanded': state.open,
            'aria-controls': answer,
            on: { click: handlers.turn() },
          },
          props.title,
          el.span({ 'aria-hidden': true }, given(state.open, '−', '+')),
        ),
      ),
      el.div({ id: answer, hidden: calc(state.open, (open) => !open) }, slots.default()),
    ];
  },
});
