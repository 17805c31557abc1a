import { calc, component, eachOf, el, prop } from 'zesty-lattice';

// What a form control may be tied to: fields of the state, their parts, parts of their rows, and nothing else.
component('bound-form', {
  props: { list: prop.list<{ id: string }>() },
  state: () => ({
    draft: { title: '', weight: null as number | null, when: null as Date | null },
    rows: [{ text: '', tags: ['a'] }],
    files: [] as readonly File[],
  }),
  template: ({ state, props }) => [
    el.input({ bind: state.draft.title }),
    el.input({ type: 'number', bind: state.draft.weight }),
    el.input({ type: 'date', bind: state.draft.when }),
    el.input({ type: 'file', bind: state.files }),
    eachOf(state.rows, (row) => [
      el.input({ bind: row.text }),
      eachOf(row.tags, (tag) => el.input({ bind: tag })),
    ]),
    eachOf(props.list, (one) => el.p(one.id), { key: 'id' }),
    // @ts-expect-error: a prop is its giver's
    eachOf(props.list, (one) => el.input({ bind: one.id })),
    // @ts-expect-error: a control shows no record
    el.input({ bind: state.draft }),
    eachOf(
      calc(state.rows, (rows) => rows.slice(1)),
      // @ts-expect-error: what is calculated cannot be set
      (one) => el.input({ bind: one.text }),
    ),
  ],
});
