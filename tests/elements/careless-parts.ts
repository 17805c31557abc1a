import { component, eachOf, el, prop } from 'zesty-lattice';

interface Crate {
  readonly fruit: string;
}

/** What beginners write in handlers, and give to elements, by mistake. */
export const CrateRack = component('crate-rack', {
  props: { title: prop.text(), crates: prop.list<Crate>().fallback([]) },
  state: () => ({ items: ['Dunlight'], size: { rows: 1 }, count: 0 }),
  handlers: {
    push: ({ state }) => {
      state.items.push('Saltbell');
      return { items: state.items };
    },
    widen: ({ state }) => {
      (state.size as { rows: number }).rows = 2;
    },
    later: async ({ state }) => {
      await Promise.resolve();
      state.items.length = 0;
      return {};
    },
    right: ({ state }) => ({
      items: [...state.items, 'Saltbell'],
      size: { rows: 3 },
      count: state.count + 1,
    }),
  },
  template: ({ handlers, props, state }) => [
    el.h2(props.title),
    ...(['push', 'widen', 'later', 'right'] as const).map((name) =>
      el.button({ type: 'button', class: name, on: { click: handlers[name]() } }, name),
    ),
    el.ul(
      eachOf(state.items, (item) => el.li(item)),
      eachOf(props.crates, (crate) => el.li(crate.fruit), { key: 'id' as never }),
    ),
    el.b(state.size.rows, state.count),
  ],
});
