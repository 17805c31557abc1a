import {
  type ButtonAttributes,
  component,
  type Expr,
  eachOf,
  el,
  event,
  given,
  isSame,
  node,
  prop,
  uid,
} from 'zesty-lattice';

export interface Action {
  readonly id: string;
  readonly label: string;
  readonly actions?: readonly Action[] | undefined;
}

const inside = prop.record({ id: prop.text(), label: prop.text() });
const actions = prop.list(
  prop.record({ id: prop.text(), label: prop.text(), actions: prop.list(inside).optional() }),
);

/** The actions beside one: those of its own menu, and what holds them. */
function around(
  all: readonly Action[],
  id: string,
): { readonly list: readonly Action[]; readonly of?: Action } {
  for (const one of all)
    if (one.actions?.some((inner) => inner.id === id)) return { list: one.actions, of: one };
  return { list: all };
}

/** A button with a menu, and menus in it (https://www.w3.org/WAI/ARIA/apg/patterns/menu-button/). */
export const ActionMenu = component('action-menu', {
  description: 'A button with a menu, and menus in it.',
  props: { label: prop.text(), actions },
  events: { picked: event<{ id: string }>() },
  /** Which menu in it is open, by the action that holds it. */
  state: () => ({ isOpen: false, inner: '' }),
  nodes: { button: node('button'), items: node.keyed('button') },
  handlers: {
    open: async ({ change, nodes, props }, at: number) => {
      await change({ isOpen: true, inner: '' });
      nodes.items.get(props.actions.at(at)?.id)?.focus();
    },
    toggle: async ({ change, nodes, props, state }) => {
      await change({ isOpen: !state.isOpen, inner: '' });
      if (!state.isOpen) nodes.items.get(props.actions[0]?.id)?.focus();
    },
    move: ({ nodes, props }, id: string, step: number) => {
      const { list } = around(props.actions, id);
      const at = list.findIndex((one) => one.id === id);
      nodes.items.get(list.at((at + step) % list.length)?.id)?.focus();
    },
    go: ({ nodes, props }, id: string, at: number) => {
      nodes.items.get(around(props.actions, id).list.at(at)?.id)?.focus();
    },
    // The focus goes first: with what has it goes the menu.
    leave: ({ nodes, props }, id: string) => {
      const { of } = around(props.actions, id);
      if (of) nodes.items.get(of.id)?.focus();
      return { inner: '' };
    },
    pick: async ({ change, dispatch, nodes, props }, id: string) => {
      const [first] = props.actions.find((one) => one.id === id)?.actions ?? [];
      if (first) {
        await change({ inner: id });
        nodes.items.get(first.id)?.focus();
        return {};
      }
      nodes.button?.focus();
      dispatch('picked', { id });
      return { isOpen: false, inner: '' };
    },
    // From the button on to what is next, or before it.
    close: ({ nodes }) => {
      nodes.button?.focus();
      return { isOpen: false, inner: '' };
    },
    // By the first letter, from the one that has the focus on.
    find: ({ nodes, props }, id: string, key: string) => {
      if (key.length !== 1 || key === ' ') return;
      const { list } = around(props.actions, id);
      const at = list.findIndex((one) => one.id === id) + 1;
      const found = [...list.slice(at), ...list.slice(0, at)].find(({ label }) =>
        label.toLowerCase().startsWith(key.toLowerCase()),
      );
      if (found) nodes.items.get(found.id)?.focus();
    },
    // The focus has gone somewhere else.
    away: ({ nodes }, to: EventTarget | null) => {
      const isInside = to === nodes.button || [...nodes.items.values()].some((one) => one === to);
      return isInside ? {} : { isOpen: false, inner: '' };
    },
  },
  styles: `
    .menu { display: inline-block; position: relative }
    button { font: inherit; color: inherit; cursor: pointer; text-align: start }
    .opener { background: var(--card); border: 1px solid var(--line-strong); border-radius: .4rem; padding: .5rem .8rem }
    ul { position: absolute; z-index: 3; inset-block-start: calc(100% + .25rem); min-width: 11rem; margin: 0; padding: .25rem; list-style: none; background: var(--card); border: 1px solid var(--line-strong); border-radius: .4rem; box-shadow: 0 .5rem 1.5rem rgb(0 0 0 / .15) }
    li { position: relative }
    li button { width: 100%; background: none; border: 0; border-radius: .3rem; padding: .4rem .6rem }
    li > ul { inset-block-start: -.25rem; inset-inline-start: 100% }
    li button:focus { background: var(--zest); color: var(--on-zest); outline: 0 }
    .opener:focus-visible { outline: 2px solid var(--focus); outline-offset: 1px }
    .more::after { content: "›"; float: inline-end }
    @media (width < 30rem) { li > ul { inset-block-start: 100%; inset-inline-start: 1rem } }
  `,
  template: ({ handlers, nodes, props, state }) => {
    /** What is the same of all that can be picked, in whichever menu. */
    const item = (id: Expr<string>): ButtonAttributes => ({
      type: 'button',
      role: 'menuitem',
      tabindex: -1,
      node: nodes.items(id),
    });
    const keys = (id: Expr<string>) => ({
      click: handlers.pick(id),
      'keydown ArrowDown': handlers.move(id, 1),
      'keydown ArrowUp': handlers.move(id, -1),
      'keydown Home': handlers.go(id, 0),
      'keydown End': handlers.go(id, -1),
      keypress: (press: Expr<KeyboardEvent>) => handlers.find(id, press.key),
    });
    return el.div(
      { class: 'menu', on: { focusout: (event) => handlers.away(event.relatedTarget) } },
      el.button(
        {
          class: 'opener',
          type: 'button',
          id: uid('opener'),
          'aria-haspopup': 'menu',
          'aria-expanded': state.isOpen,
          node: nodes.button,
          on: {
            click: handlers.toggle(),
            'keydown ArrowDown': handlers.open(0),
            'keydown ArrowUp': handlers.open(-1),
          },
        },
        props.label,
      ),
      given(
        state.isOpen,
        el.ul(
          { role: 'menu', 'aria-labelledby': uid('opener') },
          eachOf(
            props.actions,
            (action) =>
              el.li(
                { role: 'none' },
                given(
                  action.actions,
                  (inner) => [
                    el.button(
                      {
                        ...item(action.id),
                        class: 'more',
                        'aria-haspopup': 'menu',
                        'aria-expanded': isSame(action.id, state.inner),
                        on: {
                          ...keys(action.id),
                          'keydown ArrowRight': handlers.pick(action.id),
                          'keydown Escape Tab Shift+Tab': handlers.close(),
                        },
                      },
                      action.label,
                    ),
                    given(
                      isSame(action.id, state.inner),
                      el.ul(
                        { role: 'menu', 'aria-label': action.label },
                        eachOf(
                          inner,
                          (one) =>
                            el.li(
                              { role: 'none' },
                              el.button(
                                {
                                  ...item(one.id),
                                  on: {
                                    ...keys(one.id),
                                    'keydown ArrowLeft Escape': handlers.leave(one.id),
                                    'keydown Tab Shift+Tab': handlers.close(),
                                  },
                                },
                                one.label,
                              ),
                            ),
                          { key: 'id' },
                        ),
                      ),
                    ),
                  ],
                  el.button(
                    {
                      ...item(action.id),
                      on: { ...keys(action.id), 'keydown Escape Tab Shift+Tab': handlers.close() },
                    },
                    action.label,
                  ),
                ),
              ),
            { key: 'id' },
          ),
        ),
      ),
    );
  },
});
