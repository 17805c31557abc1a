/** A component with a prop of each kind, to be written into a project of a test. */
export const everyKind = `import { calc, component, el, eachOf, event, given, phrase, prop, slot } from 'zesty-lattice';

export const GroveForm = component('grove-form', {
  description: 'A grove, with something of each kind.',
  props: {
    name: prop.text(),
    trees: prop.number().where((n) => n >= 0, 'must not be below zero').describe('How many stand there.'),
    open: prop.flag(),
    size: prop.choice(['small', 'large']).fallback('small'),
    planted: prop.date().optional(),
    map: prop.url().optional(),
    tag: prop.tag(['p', 'h2']),
    picks: prop.list(prop.text()).fallback([]),
    plot: prop.record({ row: prop.number(), label: prop.text().optional(), shaded: prop.flag() }).optional(),
    rows: prop.list(prop.record({ kind: prop.text() })).fallback([]),
    notes: prop.list<string>().fallback([]),
  },
  slots: { default: slot(), foot: slot(), row: slot.with<{ kind: string }>() },
  state: () => ({ said: 0 }),
  events: { told: event<{ said: number }>() },
  handlers: {
    tell: ({ dispatch, state }) => {
      dispatch('told', { said: state.said + 1 });
      return { said: state.said + 1 };
    },
  },
  styles: '.look { color: rgb(10, 20, 30) } @media (prefers-reduced-motion: reduce) { .look { font-weight: 900 } } @media (prefers-color-scheme: dark) { .look { color: rgb(200, 210, 220) } }',
  template: ({ props, slots, state, handlers }) => [
    el.of(props.tag, { class: ['look', props.size] }, phrase\`\${props.name}, \${props.trees} trees\`, given(props.open, ', open')),
    el.button({ type: 'button', on: { click: handlers.tell() } }, phrase\`told \${state.said}\`),
    given(props.planted, (day) => el.time(calc(day, (one) => one.getFullYear()))),
    given(props.map, (map) => el.a({ href: map }, 'map')),
    el.ul(eachOf(props.picks, (pick) => el.li(pick))),
    given(props.plot, (plot) => el.b(plot.row, plot.label)),
    eachOf(props.rows, (row) => el.i(slots.row(row, row.kind))),
    eachOf(props.notes, (note) => el.u(note)),
    slots.default(el.em('nothing said')),
    el.footer(slots.foot()),
  ],
});
`;
