import { calc, component, eachOf, el, event, given, isSame, node, phrase, prop, uid } from 'zesty-lattice';

export interface Suggestion {
  readonly id: string;
  readonly label: string;
}

interface Shown {
  readonly text: string;
  readonly found: readonly Suggestion[];
  /** The number of the suggestion that Enter takes; -1 for none. */
  readonly at: number;
  readonly isOpen: boolean;
  readonly isAsking: boolean;
}

/** A text field with suggestions of a service (https://www.w3.org/WAI/ARIA/apg/patterns/combobox/). */
export const SuggestBox = component('suggest-box', {
  description: 'A text field with suggestions of a service.',
  props: {
    label: prop.text(),
    /** Asks the service; an older answer is left when the next is asked for. */
    search: prop
      .function<(word: string, signal: AbortSignal) => Promise<readonly Suggestion[]>>()
      .fallback(() => async () => []),
  },
  events: { picked: event<Suggestion>() },
  state: (): Shown => ({ text: '', found: [], at: -1, isOpen: false, isAsking: false }),
  nodes: { text: node('input'), options: node.keyed('li') },
  field: {
    value: ({ state }) => (state.text === '' ? null : state.text),
    restore: (text) => ({ text }),
    focuses: 'text',
  },
  handlers: {
    type: async ({ change, latest, nodes, props }) => {
      const text = nodes.text?.value ?? '';
      await change({ text, isAsking: text !== '', at: -1, ...(text === '' && { isOpen: false, found: [] }) });
      if (text === '') return {};
      const found = await props.search(text, latest);
      return { found, isOpen: found.length > 0, isAsking: false };
    },
    open: ({ state }) => ({ isOpen: state.found.length > 0 }),
    move: ({ event, nodes, state }, step: number) => {
      if (state.found.length === 0) return {};
      event.preventDefault();
      const from = state.isOpen ? state.at : step > 0 ? -1 : 0;
      const at = (from + step + state.found.length) % state.found.length;
      nodes.options.get(state.found[at]?.id)?.scrollIntoView({ block: 'nearest' });
      return { at, isOpen: true };
    },
    take: ({ dispatch, event, state }, at: number) => {
      const one = state.found[at];
      if (!state.isOpen || !one) return {};
      // Enter would submit the form around it.
      event.preventDefault();
      dispatch('picked', one);
      return { text: one.label, isOpen: false, at: -1 };
    },
    close: ({ state }) => (state.isOpen ? { isOpen: false, at: -1 } : { text: '', found: [] }),
    leave: () => ({ isOpen: false, at: -1 }),
  },
  styles: `
    :host { display: block; position: relative }
    label { display: grid; gap: .25rem; font-weight: 600 }
    input { font: inherit; font-weight: 400; color: inherit; background: var(--card); border: 1px solid var(--line-strong); border-radius: .4rem; padding: .5rem .6rem }
    input:focus-visible { outline: 2px solid var(--focus); outline-offset: 1px }
    ul { position: absolute; inset-inline: 0; inset-block-start: 100%; z-index: 2; margin: .25rem 0 0; padding: .25rem; list-style: none; max-height: 14rem; overflow: auto; background: var(--card); border: 1px solid var(--line-strong); border-radius: .4rem; box-shadow: 0 .5rem 1.5rem rgb(0 0 0 / .15) }
    li { padding: .4rem .5rem; border-radius: .3rem; cursor: pointer }
    li[aria-selected=true] { background: var(--zest); color: var(--on-zest) }
    .said { position: absolute; width: 1px; height: 1px; overflow: hidden; clip-path: inset(50%) }
  `,
  template: ({ handlers, nodes, props, state }) => {
    const list = uid('list');
    return [
      el.label(
        props.label,
        el.input({
          type: 'text',
          role: 'combobox',
          autocomplete: 'off',
          'aria-autocomplete': 'list',
          'aria-expanded': state.isOpen,
          'aria-controls': list,
          'aria-activedescendant': calc(list, state.found, state.at, (id, found, at) =>
            found[at] ? `${id}-${found[at].id}` : null,
          ),
          bind: state.text,
          node: nodes.text,
          on: {
            input: handlers.type(),
            'keydown ArrowDown': handlers.move(1),
            'keydown ArrowUp': handlers.move(-1),
            'keydown Alt+ArrowDown': handlers.open(),
            'keydown Enter': handlers.take(state.at),
            'keydown Escape': handlers.close(),
            blur: handlers.leave(),
          },
        }),
      ),
      el.ul(
        {
          id: list,
          role: 'listbox',
          'aria-label': props.label,
          hidden: calc(state.isOpen, (isOpen) => !isOpen),
        },
        eachOf(
          state.found,
          (one, at) =>
            el.li(
              {
                id: phrase`${list}-${one.id}`,
                role: 'option',
                'aria-selected': isSame(at, state.at),
                node: nodes.options(one.id),
                // The field keeps the focus.
                on: { mousedown: handlers.take(at) },
              },
              one.label,
            ),
          { key: 'id' },
        ),
      ),
      el.div(
        { class: 'said', role: 'status' },
        given(
          state.isAsking,
          'Searching',
          given(
            state.isOpen,
            calc(state.found, (found) => `${found.length} found`),
          ),
        ),
      ),
    ];
  },
});
