import { component, eachOf, el, node, phrase, prop } from 'zesty-lattice';

interface Shown {
  /** The number of the next note. */
  readonly next: number;
  readonly notes: readonly { readonly id: number; readonly text: string }[];
}

/** Notes that come and go by themselves; a screen reader reads each when it comes. */
export const ToastStack = component('toast-stack', {
  description: 'Notes that come and go by themselves.',
  props: { seconds: prop.number().fallback(6) },
  state: (): Shown => ({ next: 1, notes: [] }),
  nodes: { close: node.keyed('button') },
  elementMethods: {
    show: async ({ change, props, signal }, text: string) => {
      let id = 0;
      await change(({ next, notes }) => {
        id = next;
        return { next: next + 1, notes: [...notes, { id, text }] };
      });
      const timer = setTimeout(
        () => void change(({ notes }) => ({ notes: notes.filter((note) => note.id !== id) })),
        props.seconds * 1000,
      );
      signal.addEventListener('abort', () => clearTimeout(timer));
    },
  },
  handlers: {
    close: async ({ change, nodes, state }, id: number) => {
      const at = state.notes.findIndex((note) => note.id === id);
      const next = state.notes[at + 1] ?? state.notes[at - 1];
      await change({ notes: state.notes.filter((note) => note.id !== id) });
      // Whoever closes one by keyboard is not left without a place.
      if (next) nodes.close.get(next.id)?.focus();
    },
  },
  styles: `
    :host { position: fixed; inset-block-end: 1rem; inset-inline-end: 1rem; z-index: 9 }
    ul { list-style: none; margin: 0; padding: 0; display: grid; gap: .5rem; justify-items: end }
    li { display: flex; gap: .75rem; align-items: center; max-width: min(24rem, calc(100vw - 2rem)); padding: .6rem .6rem .6rem 1rem; border-radius: .6rem; background: var(--ink); color: var(--paper); animation: come .2s }
    .goes { animation: go .2s forwards }
    button { font: inherit; color: inherit; background: none; border: 1px solid currentColor; border-radius: .4rem; padding: .15rem .5rem; cursor: pointer }
    button:focus-visible { outline: 2px solid var(--zest); outline-offset: 2px }
    @keyframes come { from { opacity: 0; transform: translateY(.5rem) } }
    @keyframes go { to { opacity: 0 } }
    @media (prefers-reduced-motion: reduce) { li, .goes { animation: none } }
  `,
  template: ({ handlers, nodes, state }) =>
    el.div(
      { role: 'log', 'aria-label': 'Notes' },
      el.ul(
        eachOf(
          state.notes,
          (note) =>
            el.li(
              { leaving: 'goes' },
              el.span(note.text),
              el.button(
                {
                  type: 'button',
                  'aria-label': phrase`Close: ${note.text}`,
                  node: nodes.close(note.id),
                  on: { click: handlers.close(note.id) },
                },
                'Close',
              ),
            ),
          { key: 'id' },
        ),
      ),
    ),
});
