import { calc, component, eachOf, el, event, given, isSame, node, prop } from 'zesty-lattice';

export interface Grove {
  readonly id: string;
  readonly label: string;
  readonly groves?: readonly Grove[] | undefined;
}

interface Line extends Grove {
  readonly level: number;
  readonly place: number;
  readonly beside: number;
  readonly of: string;
  readonly isOpen: boolean | undefined;
}

interface Shown {
  /** The branches that are open, the line that the Tab key comes to, the one that was picked. */
  readonly open: readonly string[];
  readonly at: string;
  readonly picked: string;
}

/** What is shown of a tree, line by line. */
function linesOf(groves: readonly Grove[], open: readonly string[], level = 1, of = ''): readonly Line[] {
  return groves.flatMap((grove, at) => {
    const isOpen = grove.groves ? open.includes(grove.id) : undefined;
    const line = { ...grove, level, place: at + 1, beside: groves.length, of, isOpen };
    return [line, ...(isOpen && grove.groves ? linesOf(grove.groves, open, level + 1, grove.id) : [])];
  });
}

/** A tree whose branches open and close (https://www.w3.org/WAI/ARIA/apg/patterns/treeview/). */
export const GroveTree = component('grove-tree', {
  description: 'A tree whose branches open and close.',
  props: { label: prop.text(), groves: prop.list<Grove>() },
  events: { picked: event<{ id: string }>() },
  state: (): Shown => ({ open: [], at: '', picked: '' }),
  nodes: { lines: node.keyed('li') },
  handlers: {
    move: async ({ change, nodes, props, state }, to: 'next' | 'before' | 'first' | 'last') => {
      const lines = linesOf(props.groves, state.open);
      const at = Math.max(
        0,
        lines.findIndex(({ id }) => id === state.at),
      );
      const next = { next: at + 1, before: at - 1, first: 0, last: lines.length - 1 }[to];
      const line = lines[next];
      if (!line) return;
      await change({ at: line.id });
      nodes.lines.get(line.id)?.focus();
    },
    right: async ({ change, nodes, state }, { groves, id, isOpen }: Line) => {
      if (isOpen === false) return { at: id, open: [...state.open, id] };
      const [first] = groves ?? [];
      if (!first) return {};
      await change({ at: first.id });
      nodes.lines.get(first.id)?.focus();
      return {};
    },
    left: async ({ change, nodes, state }, { id, isOpen, of }: Line) => {
      if (isOpen) return { at: id, open: state.open.filter((one) => one !== id) };
      if (of === '') return {};
      await change({ at: of });
      nodes.lines.get(of)?.focus();
      return {};
    },
    // All branches beside this one.
    openAll: ({ props, state }, { of }: Line) => ({
      open: [
        ...new Set([
          ...state.open,
          ...linesOf(props.groves, state.open).flatMap((one) =>
            one.of === of && one.groves ? [one.id] : [],
          ),
        ]),
      ],
    }),
    pick: ({ dispatch, state }, { id, isOpen }: Line) => {
      dispatch('picked', { id });
      const open = isOpen ? state.open.filter((one) => one !== id) : [...state.open, id];
      return { at: id, picked: id, ...(isOpen !== undefined && { open }) };
    },
    find: async ({ change, nodes, props, state }, { id }: Line, key: string) => {
      if (key.length !== 1 || /[\s*]/.test(key)) return;
      const lines = linesOf(props.groves, state.open);
      const at = lines.findIndex((one) => one.id === id) + 1;
      const found = [...lines.slice(at), ...lines.slice(0, at)].find(({ label }) =>
        label.toLowerCase().startsWith(key.toLowerCase()),
      );
      if (!found) return;
      await change({ at: found.id });
      nodes.lines.get(found.id)?.focus();
    },
  },
  styles: `
    ul { list-style: none; margin: 0; padding: 0 }
    li { display: flex; gap: .4rem; padding: .25rem .4rem; padding-inline-start: calc(.4rem + (var(--level) - 1) * 1.2rem); border-radius: .3rem; cursor: pointer }
    li[aria-selected=true] { background: var(--good-tint) }
    li:focus-visible { outline: 2px solid var(--focus); outline-offset: -2px }
    .twig { width: 1em; text-align: center }
  `,
  template: ({ handlers, nodes, props, state }) =>
    el.ul(
      { role: 'tree', 'aria-label': props.label },
      eachOf(
        calc(props.groves, state.open, (groves, open) => linesOf(groves, open)),
        (line, at) =>
          el.li(
            {
              role: 'treeitem',
              style: { '--level': line.level },
              'aria-level': line.level,
              'aria-posinset': line.place,
              'aria-setsize': line.beside,
              'aria-expanded': line.isOpen,
              'aria-selected': isSame(line.id, state.picked),
              // One of the lines is in the order of the Tab key.
              tabindex: calc(line.id, state.at, at, (id, now, number) =>
                (now === '' ? number === 0 : id === now) ? 0 : -1,
              ),
              node: nodes.lines(line.id),
              on: {
                click: handlers.pick(line),
                'keydown ArrowDown': handlers.move('next'),
                'keydown ArrowUp': handlers.move('before'),
                'keydown Home': handlers.move('first'),
                'keydown End': handlers.move('last'),
                'keydown ArrowRight': handlers.right(line),
                'keydown ArrowLeft': handlers.left(line),
                'keydown Enter Space': handlers.pick(line),
                'keydown *': handlers.openAll(line),
                keypress: (press) => handlers.find(line, press.key),
              },
            },
            el.span(
              { class: 'twig', 'aria-hidden': true },
              given(
                line.groves,
                calc(line.isOpen, (isOpen) => (isOpen ? '▾' : '▸')),
              ),
            ),
            line.label,
          ),
        { key: 'id' },
      ),
    ),
});
