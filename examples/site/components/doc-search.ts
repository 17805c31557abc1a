import MiniSearch from 'minisearch';
import { calc, component, eachOf, el, given, phrase, prop, uid } from 'zesty-lattice';
import { type Found, searchOptions } from '../search-options.js';

/** What is shown of a part that was found. */
type Hit = Pick<Found, 'href' | 'page' | 'heading'>;

const most = 12;
let index: Promise<MiniSearch<Found>> | undefined;

/** The index is asked for when somebody first wants to search. */
function indexAt(address: string): Promise<MiniSearch<Found>> {
  index ??= fetch(address).then(async (answer) => MiniSearch.loadJSON(await answer.text(), searchOptions));
  return index;
}

export const DocSearch = component('doc-search', {
  description: 'Searches the site in the page, without a server.',
  props: { index: prop.url() },
  state: () => ({ words: '', hits: [] as readonly Hit[], isAsked: false }),
  handlers: {
    load: ({ props }) => void indexAt(props.index),
    find: async ({ event, props, change }) => {
      const words = (event.target as HTMLInputElement).value.trim();
      change({ words });
      if (words === '') return { hits: [], isAsked: false };
      const found = (await indexAt(props.index))
        .search(words)
        .slice(0, most)
        .map(({ heading, href, page }): Hit => ({ heading, href, page }));
      // What was typed meanwhile has its own answer.
      change((state) => (state.words === words ? { hits: found, isAsked: true } : {}));
    },
    move: ({ event, host }) => {
      const { key } = event as KeyboardEvent;
      const root = host.shadowRoot;
      if (!root) return;
      if (key === 'Escape') {
        root.querySelector('input')?.focus();
        return { hits: [], isAsked: false };
      }
      if (key !== 'ArrowDown' && key !== 'ArrowUp') return;
      const stops = [...root.querySelectorAll<HTMLElement>('input, a')];
      const at = stops.indexOf(root.activeElement as HTMLElement);
      const next = stops[at + (key === 'ArrowDown' ? 1 : -1)];
      if (!next) return;
      event.preventDefault();
      next.focus();
    },
  },
  connected: ({ host, signal }) => {
    // A slash anywhere goes to the field, as long as nobody is typing.
    document.addEventListener(
      'keydown',
      (event) => {
        const isTyping = (event.target as Element).closest?.('input, textarea, select, doc-search') ?? null;
        if (event.key !== '/' || isTyping) return;
        event.preventDefault();
        host.shadowRoot?.querySelector('input')?.focus();
      },
      { signal },
    );
  },
  styles: `
    :host { position: relative; display: block; inline-size: min(22rem, 100%) }
    label { position: absolute; inline-size: 1px; block-size: 1px; overflow: hidden; clip-path: inset(50%) }
    input { box-sizing: border-box; inline-size: 100%; padding: .45rem .8rem; border: 1px solid var(--bar-edge); border-radius: .5rem; background: var(--bar-field); color: var(--bar-ink); font: inherit }
    input::placeholder { color: var(--bar-quiet); opacity: 1 }
    input:focus-visible { outline: 2px solid var(--bar-accent); outline-offset: 1px }
    .found { position: absolute; inset-block-start: calc(100% + .5rem); inset-inline-end: 0; z-index: 3; box-sizing: border-box; inline-size: min(32rem, calc(100vw - 2rem)); max-block-size: 70vh; overflow: auto; padding: .4rem; border: 1px solid var(--edge); border-radius: .6rem; background: var(--paper); color: var(--ink); box-shadow: 0 .75rem 2rem rgb(0 0 0 / .25) }
    ul { margin: 0; padding: 0; list-style: none }
    a { display: grid; padding: .5rem .7rem; border-radius: .35rem; color: inherit; text-decoration: none }
    a:hover, a:focus-visible { background: var(--wash); outline: 2px solid var(--accent); outline-offset: -2px }
    small { color: var(--quiet) }
    p { margin: 0; padding: .6rem .7rem; color: var(--quiet) }
  `,
  template: ({ handlers, props, state }) => {
    const field = uid('search');
    return el.search(
      { on: { keydown: handlers.move() } },
      el.label({ for: field }, 'Search the docs'),
      el.input({
        id: field,
        type: 'search',
        placeholder: 'Search ( / )',
        autocomplete: 'off',
        'data-index': props.index,
        on: { focus: handlers.load(), input: handlers.find() },
      }),
      given(
        state.isAsked,
        el.div(
          { class: 'found' },
          el.ul(
            { role: 'list' },
            eachOf(
              state.hits,
              (hit) => el.li(el.a({ href: hit.href }, el.span(hit.heading), el.small(hit.page))),
              {
                key: 'href',
              },
            ),
          ),
          el.p(
            { role: 'status' },
            given(
              calc(state.hits, (hits) => hits.length === 0),
              phrase`Nothing is found for “${state.words}”.`,
              phrase`${calc(state.hits, (hits) => hits.length)} found`,
            ),
          ),
        ),
      ),
    );
  },
});
