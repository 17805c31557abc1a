import { calc, eachOf, el, given, isSame, phrase } from 'zesty-lattice';
import { type Case, items } from '../case.js';
import {
  Card,
  Leaf,
  LivePairs,
  LiveRows,
  PairList,
  PairText,
  RowList,
  RowsThrough,
  SomeLiveRows,
  SomeRows,
} from '../components.js';

const [one, two, three] = items;
const four = { id: 4, name: 'four', on: false, inner: ['x'] };
const moves = [
  { state: { items: [three, one, two] } },
  { state: { items: [three, four, two] } },
  { state: { items: [] } },
  { state: { items: [one, { ...two, name: 'changed' }, three, four] } },
  { state: { items: [four, three, { ...two, name: 'again' }, one], count: 9 } },
  { props: { text: 'outside' } },
] as Case['steps'];

/** Rows, and slots that pass data. */
export const rows: readonly Case[] = [
  { name: 'rows', template: ({ state }) => el.ul(eachOf(state.items, (item) => el.li(item.name))) },
  {
    name: 'rows that move',
    template: ({ state }) => el.ul(eachOf(state.items, (item) => el.li(item.name), { key: 'id' })),
    ...(moves && { steps: moves }),
  },
  {
    name: 'rows with a key that is calculated',
    template: ({ state }) =>
      el.ul(
        eachOf(state.items, (item) => el.li(item.name), { key: (item) => calc(item.id, (id) => `k${id}`) }),
      ),
    ...(moves && { steps: moves }),
  },
  {
    name: 'rows of which one is selected',
    template: ({ state, props }) =>
      el.ul(
        eachOf(
          state.items,
          (item) =>
            el.li(
              { class: { picked: isSame(item.id, state.count) }, hidden: isSame(props.count, item.id) },
              item.name,
              calc(isSame(item.id, state.count), (is) => (is ? ' this one' : '')),
            ),
          { key: 'id' },
        ),
      ),
    steps: [
      { state: { count: 1 } },
      { state: { count: 3 }, props: { count: 3 } },
      { props: { count: 1 } },
      { state: { items: [three, one, four] as never, count: 4 } },
      { state: { count: 2 } },
      { state: { items: [two, { ...two, id: 7 }, one] as never } },
      { state: { count: 7, items: [{ ...two, id: 7 }] as never }, props: { count: 7 } },
      { state: { items: [] } },
      { state: { count: 1, items: [one, two] as never } },
    ],
  },
  {
    name: 'rows that compare what may be missing, and what comes up twice',
    template: ({ state, props }) =>
      el.ul(
        eachOf(state.items, (item) => el.li({ 'data-same': isSame(item.name, props.maybe) }, item.id), {
          key: 'id',
        }),
      ),
    state: {
      items: [
        { ...one, name: 'a' },
        { ...two, name: 'a' },
        { ...three, name: 'b' },
      ] as never,
    },
    steps: [
      { props: { maybe: 'a' } },
      { props: { maybe: 'b' } },
      { props: { maybe: undefined } },
      { props: { maybe: 'none' } },
      {
        state: {
          items: [
            { ...one, name: 'none' },
            { ...two, name: 'a' },
          ] as never,
        },
      },
      { props: { maybe: 'a' } },
    ],
  },
  {
    name: 'rows with their number',
    template: ({ state }) =>
      el.ul(eachOf(state.items, (item, index) => el.li(index, ' ', item.name), { key: 'id' })),
    ...(moves && { steps: moves }),
  },
  { name: 'rows of text', template: ({ state }) => el.p(eachOf(state.items, (item) => [item.name, ', '])) },
  { name: 'rows at the top', template: ({ state }) => eachOf(state.items, (item) => item.name) },
  {
    name: 'rows and content beside them',
    template: ({ state }) =>
      el.ul(
        el.li('first'),
        eachOf(state.items, (item) => el.li(item.name), { key: 'id' }),
        el.li('last'),
      ),
  },
  {
    name: 'content for no rows',
    template: ({ state }) =>
      el.ul(eachOf(state.items, (item) => el.li(item.name), { empty: el.li('none ', state.text) })),
  },
  {
    name: 'rows that read what is outside',
    template: ({ state, props }) =>
      el.ul(
        eachOf(
          state.items,
          (item) => el.li({ title: props.text, class: { on: item.on } }, item.name, state.count),
          { key: 'id' },
        ),
      ),
    ...(moves && { steps: moves }),
  },
  {
    name: 'rows in rows',
    template: ({ state }) =>
      el.ul(
        eachOf(
          state.items,
          (item) => el.li(item.name, el.ol(eachOf(item.inner, (it) => el.li(it, ' of ', item.name)))),
          { key: 'id' },
        ),
      ),
  },
  {
    name: 'rows in rows with numbers',
    template: ({ state }) =>
      eachOf(
        state.items,
        (item, n) => eachOf(item.inner, (it, m) => el.b(n, '.', m, it, item.name, state.count)),
        { key: 'id' },
      ),
  },
  {
    name: 'a condition in rows',
    template: ({ state }) =>
      eachOf(state.items, (item) => given(item.on, el.b(item.name), 'off'), { key: 'id' }),
    ...(moves && { steps: moves }),
  },
  {
    name: 'a condition from outside in rows',
    template: ({ state }) => eachOf(state.items, (item) => given(state.flag, el.b(item.name)), { key: 'id' }),
  },
  {
    name: 'rows under a condition',
    template: ({ state }) => given(state.flag, el.ul(eachOf(state.items, (item) => el.li(item.name))), 'off'),
  },
  {
    name: 'rows of a list that is calculated',
    template: ({ state }) =>
      eachOf(
        calc(state.items, (all) => all.filter((it) => it.on)),
        (item) => el.b(item.name),
        { key: 'id' },
      ),
  },
  {
    name: 'rows of a list that may be missing',
    template: ({ state }) =>
      eachOf(
        calc(state.flag, state.items, (on, all) => (on ? all : null)),
        (item) => el.b(item.name),
        { empty: 'none' },
      ),
  },
  {
    name: 'rows of a field',
    template: ({ props }) => el.p(eachOf(props.items, (item) => item.inner.length)),
  },
  {
    name: 'a row whose fields are taken apart',
    template: ({ state }) => eachOf(state.items, ({ name, on: _on }) => el.b(name)),
  },
  {
    name: 'several elements a row',
    template: ({ state }) =>
      el.dl(eachOf(state.items, (item) => [el.dt(item.name), el.dd(item.id)], { key: 'id' })),
    ...(moves && { steps: moves }),
  },
  {
    name: 'a table',
    template: ({ state }) =>
      el.table(
        el.caption(state.text),
        el.thead(el.tr(el.th({ scope: 'col' }, 'Name'))),
        el.tbody(eachOf(state.items, (item) => el.tr(el.td(item.id), el.td(item.name)), { key: 'id' })),
      ),
    ...(moves && { steps: moves }),
  },
  {
    name: 'two lists side by side',
    template: ({ state, props }) =>
      el.div(
        eachOf(state.items, (item) => el.b(item.name)),
        eachOf(props.items, (item) => el.i(item.name)),
      ),
  },
  {
    name: 'rows of a fixed list',
    template: ({ state }) => eachOf(items, (item) => el.b(item.name, state.count)),
  },
  {
    name: 'elements of any tag in rows',
    template: ({ state }) => eachOf(state.items, (item) => el.of(state.tag, item.name), { key: 'id' }),
  },

  ...(
    [
      ['records of a slot with data', PairList],
      ['records of a slot with data, in HTML text', PairText],
      ['records of a slot with data, of a live component', LivePairs],
    ] as const
  ).map(
    ([name, Pairs]): Case => ({
      name,
      template: ({ state }) =>
        Pairs(
          { items: state.items },
          {
            row: (pair) =>
              el.b(
                pair.at,
                pair.name,
                eachOf(pair.all, (one) => el.i(one)),
              ),
          },
        ),
      steps: [{ state: { items: items.slice().reverse() } }, { state: { items: items.slice(1) } }],
    }),
  ),
  {
    name: 'a slot that hands data',
    template: ({ props, state }) =>
      RowList({ items: state.items }, { row: (item) => el.b(item.name, props.text) }),
  },
  { name: 'a slot that hands data, not filled', template: ({ state }) => RowList({ items: state.items }) },
  {
    name: 'a slot that hands data, with a fallback elsewhere',
    template: ({ state }) => RowList({ items: state.items }, { row: (item) => item.name, default: 'mine' }),
  },
  {
    name: 'a condition in a slot that hands data',
    template: ({ state }) =>
      RowList({ items: state.items }, { row: (item) => given(item.on, item.name, state.text) }),
  },
  {
    name: 'a component in a slot that hands data',
    template: ({ state }) =>
      RowList(
        { items: state.items },
        { row: (item) => Card({ head: item.name }, { foot: given(item.on, 'on') }) },
      ),
  },
  {
    name: 'a slot that hands data in a slot that does',
    template: ({ state }) =>
      RowList(
        { items: state.items },
        { row: (item) => RowList({ items: state.items }, { row: (it) => [item.name, '/', it.name] }) },
      ),
  },
  {
    name: 'rows in a slot that hands data',
    template: ({ state }) =>
      RowList({ items: state.items }, { row: (item) => eachOf(item.inner, (it) => el.i(it, item.name)) }),
  },
  {
    name: 'a slot that hands data, handed on',
    template: ({ state }) => RowsThrough({ items: state.items }, { row: (item) => el.b(item.name) }),
  },
  {
    name: 'a slot that hands data, handed on and not filled',
    template: ({ state }) => RowsThrough({ items: state.items }),
  },
  {
    name: 'a slot that hands data, in rows',
    template: ({ state }) =>
      eachOf(
        state.items,
        (outer) => RowList({ items: state.items }, { row: (item) => phrase`${outer.name}-${item.name}` }),
        { key: 'id' },
      ),
  },
  ...[RowList, LiveRows].flatMap((List): readonly Case[] => [
    {
      name: `a slot of ${List.name} that is filled for some of its data`,
      template: ({ state }) =>
        List({ items: state.items }, { row: (item) => given(item.on, el.b(item.name, state.text)) }),
      steps: [
        { state: { items: items.map((one) => ({ ...one, on: !one.on })) } },
        { state: { text: 'other' } },
        { state: { items: items.slice().reverse() } },
      ],
    },
    {
      name: `a slot of ${List.name} that is filled by what its data and the state say`,
      template: ({ state }) =>
        List(
          { items: state.items },
          {
            row: (item) => [
              given(isSame(item.name, state.text), el.input({ value: item.name })),
              given(isSame(item.id, state.count), [Leaf({ text: item.name }), state.count]),
            ],
          },
        ),
      steps: [
        { state: { text: items[1]?.name ?? '' } },
        { state: { count: 1 } },
        { state: { text: '', count: -1 } },
        { state: { items: items.slice(1) } },
      ],
    },
    {
      name: `a slot of ${List.name} that is filled for some of its data in rows`,
      template: ({ state }) =>
        eachOf(
          state.items,
          (outer) =>
            List(
              { items: state.items },
              { row: (item) => given(isSame(item.id, outer.id), el.i(outer.name)) },
            ),
          { key: 'id' },
        ),
      steps: [{ state: { items: items.slice().reverse() } }, { state: { items: items.slice(1) } }],
    },
    {
      name: `a slot of ${List.name} that is filled for some of its data, in HTML text`,
      template: ({ state }) =>
        (List === RowList ? SomeRows : SomeLiveRows)({ items: state.items, text: state.text }),
      steps: [{ state: { text: items[1]?.name ?? '' } }, { state: { items: items.slice(1) } }],
    },
  ]),
  {
    name: 'a live slot that hands data',
    template: ({ state }) => LiveRows({ items: state.items }, { row: (item) => el.b(item.name, state.text) }),
  },
  {
    name: 'a live slot that hands data, not filled',
    template: ({ state }) => LiveRows({ items: state.items }, { foot: state.maybe }),
  },
  {
    name: 'a component in a live slot that hands data',
    template: ({ state }) =>
      LiveRows({ items: state.items }, { row: (item) => Card({ head: item.name, open: item.on }) }),
  },
  {
    name: 'a live slot that hands data, in rows',
    template: ({ state }) =>
      eachOf(
        state.items,
        (outer) => LiveRows({ items: state.items }, { row: (item) => [outer.name, item.name] }),
        { key: 'id' },
      ),
  },
];
