import { calc, component, eachOf, el, event, isSame, node, prop, slot, uid } from 'zesty-lattice';

export interface Tab {
  readonly id: string;
  readonly label: string;
}

/** Tabs over panels, of which one is shown (https://www.w3.org/WAI/ARIA/apg/patterns/tabs/). */
export const TabSet = component('tab-set', {
  description: 'Tabs over panels, of which one is shown.',
  props: {
    label: prop.text(),
    tabs: prop.list(prop.record({ id: prop.text(), label: prop.text() })),
  },
  slots: { panel: slot.with<Tab>().required() },
  events: { changed: event<{ id: string }>() },
  state: () => ({ at: 0 }),
  nodes: { tabs: node.keyed('button') },
  handlers: {
    choose: async ({ change, dispatch, nodes, props }, at: number) => {
      const tab = props.tabs.at(at % props.tabs.length);
      if (!tab) return;
      await change({ at: props.tabs.indexOf(tab) });
      nodes.tabs.get(tab.id)?.focus();
      dispatch('changed', { id: tab.id });
    },
  },
  styles: `
    [role=tablist] { display: flex; gap: .25rem; overflow-x: auto; border-block-end: 1px solid var(--line) }
    button { font: inherit; color: inherit; background: none; border: 0; border-block-end: 3px solid transparent; padding: .6rem 1rem; cursor: pointer; white-space: nowrap }
    button[aria-selected=true] { border-color: var(--zest); font-weight: 600 }
    button:focus-visible, .panel:focus-visible { outline: 2px solid var(--focus); outline-offset: -2px }
    .panel { padding: 1rem 0 }
  `,
  template: ({ handlers, nodes, props, slots, state }) => [
    el.div(
      {
        role: 'tablist',
        'aria-label': props.label,
        on: {
          'keydown ArrowRight': handlers.choose(calc(state.at, (at) => at + 1)),
          'keydown ArrowLeft': handlers.choose(calc(state.at, (at) => at - 1)),
          'keydown Home': handlers.choose(0),
          'keydown End': handlers.choose(-1),
        },
      },
      eachOf(
        props.tabs,
        (tab, at) =>
          el.button(
            {
              type: 'button',
              role: 'tab',
              id: uid('tab'),
              'aria-controls': uid('panel'),
              'aria-selected': isSame(at, state.at),
              tabindex: calc(at, state.at, (one, chosen) => (one === chosen ? 0 : -1)),
              node: nodes.tabs(tab.id),
              on: { click: handlers.choose(at) },
            },
            tab.label,
          ),
        { key: 'id' },
      ),
    ),
    eachOf(
      props.tabs,
      (tab, at) =>
        el.div(
          {
            class: 'panel',
            role: 'tabpanel',
            id: uid('panel'),
            'aria-labelledby': uid('tab'),
            tabindex: 0,
            hidden: calc(at, state.at, (one, chosen) => one !== chosen),
          },
          slots.panel(tab),
        ),
      { key: 'id' },
    ),
  ],
});
