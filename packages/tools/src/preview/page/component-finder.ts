import { calc, component, eachOf, el, event, given, phrase, prop, uid } from 'zesty-lattice';
import type { ComponentFacts } from '../../reading/facts.js';
import { finderRules } from './rules.js';

type Found = Pick<ComponentFacts, 'name' | 'description'>;

function found(components: readonly Found[], words: string): readonly Found[] {
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
  const rank = ({ name }: Found): number => (wanted[0] !== undefined && name.startsWith(wanted[0]) ? 0 : 1);
  return components
    .filter((one) => wanted.every((word) => `${one.name} ${one.description}`.toLowerCase().includes(word)))
    .sort((a, b) => rank(a) - rank(b));
}

/** Chooses a component by typing (https://www.w3.org/WAI/ARIA/apg/patterns/combobox/). */
export const ComponentFinder = component('component-finder', {
  props: { components: prop.list<ComponentFacts>() },
  state: () => ({ words: '', isOpen: false, active: 0 }),
  events: { chosen: event<{ name: string }>() },
  styles: finderRules,
  handlers: {
    typed: () => ({ isOpen: true, active: 0 }),
    pressed: ({ dispatch, event, props, state }) => {
      const { key } = event as KeyboardEvent;
      const all = found(props.components, state.words);
      if (key === 'Escape') return { isOpen: false, words: '' };
      if (key === 'Enter') {
        const one = all[state.active];
        if (!one || !state.isOpen) return;
        event.preventDefault();
        dispatch('chosen', { name: one.name });
        return { isOpen: false, words: '', active: 0 };
      }
      const step = { ArrowDown: 1, ArrowUp: -1 }[key];
      if (step === undefined || all.length === 0) return;
      event.preventDefault();
      return { isOpen: true, active: state.isOpen ? (state.active + step + all.length) % all.length : 0 };
    },
    open: () => ({ isOpen: true, active: 0 }),
    left: () => ({ isOpen: false }),
    pick: ({ dispatch, event }, name: string) => {
      // Before the field loses its focus, which would close the list under the pointer.
      event.preventDefault();
      dispatch('chosen', { name });
      return { isOpen: false, words: '', active: 0 };
    },
  },
  connected: ({ host, signal }) => {
    const focus = (): void => (host as HTMLElement).shadowRoot?.querySelector('input')?.focus();
    addEventListener(
      'keydown',
      (pressed) => {
        const [origin] = pressed.composedPath();
        const isTyping = origin instanceof Element && origin.closest('input, textarea, select') !== null;
        if (pressed.key !== '/' || isTyping) return;
        pressed.preventDefault();
        focus();
      },
      { signal: signal as AbortSignal },
    );
    addEventListener('lattice-find', focus, { signal: signal as AbortSignal });
  },
  template: ({ props, state, handlers }) => {
    const list = uid('list');
    const all = calc(props.components, state.words, found);
    return [
      el.input({
        type: 'search',
        role: 'combobox',
        placeholder: 'Choose a component  ( / )',
        autocomplete: 'off',
        spellcheck: false,
        'aria-label': 'Choose a component',
        'aria-expanded': state.isOpen,
        'aria-controls': list,
        'aria-autocomplete': 'list',
        'aria-activedescendant': calc(
          state.isOpen,
          all,
          state.active,
          list,
          (isOpen, { length }, active, id) => (isOpen && length > 0 ? `${id}-${active}` : null),
        ),
        bind: state.words,
        on: {
          input: handlers.typed(),
          keydown: handlers.pressed(),
          click: handlers.open(),
          blur: handlers.left(),
        },
      }),
      el.ul(
        {
          id: list,
          role: 'listbox',
          'aria-label': 'Components',
          hidden: calc(state.isOpen, (isOpen) => !isOpen),
        },
        eachOf(
          all,
          (one, index) =>
            el.li(
              {
                id: phrase`${list}-${index}`,
                role: 'option',
                'aria-selected': calc(index, state.active, (at, active) => at === active),
                on: { pointerdown: handlers.pick(one.name) },
              },
              el.span(one.name),
              given(one.description, el.small(one.description)),
            ),
          {
            empty: el.li(
              { class: 'none', role: 'option', 'aria-disabled': true, 'aria-selected': false },
              'None of that name.',
            ),
          },
        ),
      ),
    ];
  },
});
