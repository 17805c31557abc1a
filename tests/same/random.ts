import fc from 'fast-check';
import { type Content, calc, type Expr, eachOf, el, given, phrase, trusted, uid } from 'zesty-lattice';
import type { Case, Data, Item, Step, Tools } from './case.js';
import {
  Branch,
  Card,
  Counter,
  Leaf,
  LineDeep,
  LineThrough,
  Link,
  LiveCard,
  LiveLeaf,
  LiveRows,
  LiveRowsThrough,
  LiveThrough,
  LiveThroughLive,
  Nest,
  Opener,
  pressWide,
  RowList,
  RowsThrough,
  Six,
  SixStraight,
  TextLine,
  Through,
  ThroughLive,
} from './components.js';

/** A piece of a random template. */
type Piece =
  | { readonly kind: 'text'; readonly text: string }
  | {
      readonly kind: 'value' | 'trusted' | 'data' | 'ids' | 'svg' | 'nest' | 'press' | 'counter';
      readonly which: number;
    }
  | {
      readonly kind: 'element';
      readonly tag: string;
      readonly attributes: readonly number[];
      readonly inside: Pieces;
    }
  | { readonly kind: 'of'; readonly attributes: readonly number[]; readonly inside: Pieces }
  | { readonly kind: 'given'; readonly test: number; readonly yes: Pieces; readonly no: Pieces }
  | { readonly kind: 'each'; readonly keyed: boolean; readonly row: Pieces; readonly empty: Pieces }
  | {
      readonly kind: 'use';
      readonly which: number;
      readonly title: Pieces;
      readonly foot: Pieces;
      readonly body: Pieces;
    }
  | { readonly kind: 'wrap'; readonly which: number; readonly body: Pieces }
  | { readonly kind: 'rows'; readonly which: number; readonly row: Pieces }
  | {
      readonly kind: 'line';
      readonly which: number;
      readonly attributes: readonly number[];
      readonly body: Pieces;
    }
  | { readonly kind: 'slot'; readonly which: number; readonly fallback: Pieces };
type Pieces = readonly Piece[];

const number = fc.nat(9);
const { top } = fc.letrec<{ top: Pieces; pieces: Pieces; piece: Piece }>((tie) => {
  const all = tie('pieces');
  const attributes = fc.uniqueArray(number, { maxLength: 3 });
  const one = <Kind extends string>(kind: Kind, more: object = { which: number }) =>
    fc.record({ kind: fc.constant(kind), ...more } as never) as unknown as fc.Arbitrary<Piece>;
  return {
    top: fc.array(tie('piece'), { minLength: 2, maxLength: 4, depthIdentifier: 'tree' }),
    pieces: fc.array(tie('piece'), { maxLength: 3, depthIdentifier: 'tree' }),
    piece: fc.oneof(
      { depthIdentifier: 'tree', depthSize: 'medium', withCrossShrink: true },
      one('text', { text: fc.constantFrom('a', ' ', '<b>', 'é\n') }),
      one('value'),
      one('value'),
      one('trusted'),
      one('data'),
      one('ids'),
      one('svg'),
      one('nest'),
      one('press'),
      one('counter'),
      one('element', { tag: fc.constantFrom('div', 'span', 'b', 'section'), attributes, inside: all }),
      one('of', { attributes, inside: all }),
      one('given', { test: number, yes: all, no: all }),
      one('given', { test: number, yes: all, no: all }),
      one('each', { keyed: fc.boolean(), row: all, empty: all }),
      one('use', { which: number, title: all, foot: all, body: all }),
      one('use', { which: number, title: all, foot: all, body: all }),
      one('wrap', { which: number, body: all }),
      one('rows', { which: number, row: all }),
      one('line', { which: number, attributes, body: all }),
      one('slot', { which: number, fallback: all }),
    ),
  };
});

const word = fc.constantFrom('', 'x', 'yy', '<i>', 'a b', '&');
const item: fc.Arbitrary<Item> = fc.record({
  id: fc.nat(9),
  name: word,
  on: fc.boolean(),
  inner: fc.array(word, { maxLength: 2 }),
});
const data: fc.Arbitrary<Partial<Data>> = fc.record(
  {
    text: word,
    count: fc.nat(3),
    flag: fc.boolean(),
    maybe: fc.option(word, { nil: undefined }),
    items: fc.uniqueArray(item, { maxLength: 4, selector: ({ id }) => id }),
    tag: fc.constantFrom('div', 'span', 'aside'),
    url: fc.constantFrom('/a', 'https://grove.example/?a=1&b', ''),
    note: fc.record({ title: word }),
  },
  { requiredKeys: ['tag', 'url'] },
);
const step: fc.Arbitrary<Step> = fc.oneof(
  data.map((state) => ({ state })),
  data.map((props) => ({ props })),
);
const contents = [undefined, 'given text', '<p>'] as const;

export interface RandomCase {
  readonly tree: Pieces;
  readonly props: Partial<Data>;
  readonly state: Partial<Data>;
  readonly steps: readonly Step[];
  readonly content: readonly number[];
}

export const randomCases: fc.Arbitrary<RandomCase> = fc.record({
  tree: top,
  props: data,
  state: data,
  steps: fc.array(step, { minLength: 4, maxLength: 4 }),
  content: fc.tuple(fc.nat(2), fc.nat(2), fc.nat(2)),
});

/** What can be read where a piece stands: besides props and state the row around it. */
interface Around extends Tools {
  readonly row?: Expr<Item>;
  readonly index?: Expr<number>;
  /** Slots that were placed already: an element shows each once. */
  readonly placed: Set<number>;
  /** Whether what stands here may be there many times. */
  readonly repeats?: boolean;
}

/** The case that a random one describes. */
export function caseOf({ tree, props, state, steps, content }: RandomCase): Case {
  const given = (which: number, element: Content): Content =>
    which === 1 ? contents[1] : which === 2 ? element : undefined;
  return {
    name: 'random',
    props,
    state,
    steps,
    content: {
      default: given(content[0] ?? 0, [el.i('given'), ' text']),
      title: given(content[1] ?? 0, el.b('title')),
      foot: given(content[2] ?? 0, [el.u('foot'), 'text']),
    },
    template: (tools) => written(tree, { ...tools, placed: new Set() }),
  };
}

/** How many pieces of each kind a random case has. */
export function kindsIn({ tree }: RandomCase): readonly string[] {
  return JSON.stringify(tree).match(/(?<="kind":")\w+/g) ?? [];
}

function shownBy({ props, state, row, index }: Around, which: number): Content {
  const values: readonly (() => Content)[] = [
    () => props.text,
    () => state.text,
    () => phrase`${state.count}/${props.maybe}`,
    () => calc(state.items, props.count, (all, n) => `${all.length * n}`),
    () => row?.name ?? state.maybe,
    () => index ?? props.count,
    () => (row ? calc(row, state.text, (one, text) => one.name + text) : 'no row'),
    () => state.items.length,
    () => state.note.title,
    () => state.note.by,
  ];
  return values[which]?.();
}

function testOf({ props, state, slots, row, index }: Around, which: number): Expr<boolean> {
  const tests: readonly (() => unknown)[] = [
    () => props.flag,
    () => state.flag,
    () => props.maybe,
    () => calc(state.count, (n) => n > 1),
    () => row?.on ?? state.maybe,
    () => index ?? props.count,
    () => calc(props.items, (all) => all.length > 1),
    () => state.text,
    () => slots.title.filled,
    () => slots.default.filled,
  ];
  return tests[which]?.() as Expr<boolean>;
}

function attributesOf({ props, state, row }: Around, which: readonly number[]): object {
  const all: readonly (() => object)[] = [
    () => ({ class: ['c', props.text, { on: state.flag }] }),
    () => ({ title: state.text }),
    () => ({ style: { color: 'red', '--count': props.count } }),
    () => ({ hidden: props.flag }),
    () => ({ 'aria-hidden': state.flag }),
    () => ({ 'data-row': row?.name ?? state.maybe }),
    () => ({ id: uid('here') }),
    () => ({ lang: 'en', class: { off: props.flag } }),
    () => ({ 'data-url': props.url, 'data-gone': null }),
    () => ({ 'aria-label': phrase`${state.count} ${state.text}` }),
  ];
  const classes = which.filter((n) => n === 0 || n === 7).length;
  return Object.assign({}, ...which.filter((n) => classes < 2 || n !== 0).map((n) => all[n]?.()));
}

type Loose = (...args: unknown[]) => Content;
const elements = el as unknown as Readonly<Record<string, Loose>>;
const uses = [
  Card,
  LiveCard,
  Through,
  ThroughLive,
  LiveThrough,
  LiveThroughLive,
  Card,
  LiveCard,
  LiveCard,
  Card,
] as unknown as Loose[];
const wraps = [
  Leaf,
  Branch,
  LiveLeaf,
  Six,
  SixStraight,
  Opener,
  Leaf,
  Branch,
  SixStraight,
  LiveLeaf,
] as unknown as Loose[];

function written(all: Pieces, around: Around): Content {
  return all.map((piece): Content => {
    const { props, state, slots, handlers, row } = around;
    const inside = (more: Pieces): Content => written(more, around);
    switch (piece.kind) {
      case 'text':
        return piece.text;
      case 'value':
        return shownBy(around, piece.which);
      case 'trusted':
        return piece.which < 5
          ? trusted('<s>ready</s> made')
          : trusted(calc(state.count, (n) => `<em title="${n}">${'x'.repeat(n)}</em>`));
      case 'data':
        return el.script({
          type: 'application/json',
          json: piece.which < 5 ? state.note : { a: '</script>' },
        });
      case 'ids':
        return [el.label({ for: uid('both') }, 'l'), el.input({ id: uid('both'), value: props.text })];
      case 'svg':
        return el.svg(
          { viewBox: '0 0 9 9' },
          el.g(
            given(testOf(around, piece.which), el.circle({ r: state.count })),
            el.foreignObject(el.div(props.text)),
          ),
        );
      case 'nest':
        return Nest({ depth: state.count, text: props.text });
      case 'press':
        return pressWide(
          { class: { on: state.flag }, on: { click: handlers.add(1) } },
          shownBy(around, piece.which),
        );
      case 'counter':
        return Counter({ start: state.count });
      case 'element':
        return elements[piece.tag]?.(attributesOf(around, piece.attributes), inside(piece.inside));
      case 'of':
        return el.of(state.tag, attributesOf(around, piece.attributes) as never, inside(piece.inside));
      case 'given':
        return given(testOf(around, piece.test), inside(piece.yes), inside(piece.no));
      case 'each':
        return eachOf(
          state.items,
          (one, index) => written(piece.row, { ...around, row: one, index, repeats: true }),
          { ...(piece.keyed && { key: 'id' as const }), empty: inside(piece.empty) },
        );
      case 'use': {
        const { which } = piece;
        const given = {
          title: inside(piece.title),
          ...(which !== 5 && { foot: inside(piece.foot) }),
          default: inside(piece.body),
        };
        if (which >= 2 && which <= 5) return uses[which]?.({}, given);
        return uses[which]?.(
          { head: row?.name ?? state.text, count: props.count, open: which % 2 === 0 ? state.flag : true },
          given,
        );
      }
      case 'wrap':
        return wraps[piece.which]?.(piece.which === 5 ? { label: state.text } : {}, inside(piece.body));
      case 'rows': {
        const list = [RowList, LiveRows, RowsThrough, LiveRowsThrough][piece.which % 4] as unknown as Loose;
        const fill = (one: Expr<Item>): Content => written(piece.row, { ...around, row: one, repeats: true });
        return list({ items: state.items }, piece.row.length === 0 ? {} : { row: fill });
      }
      case 'line': {
        const given = attributesOf(around, piece.attributes);
        const lines: readonly (() => Content)[] = [
          () => TextLine({ tag: 'p', ...(given as object) }, shownBy(around, piece.which)),
          () => el.div(Link({ to: props.url, ...(given as object) }, shownBy(around, piece.which))),
          () => LineThrough({ text: state.text, ...(given as object) }),
          () => LineDeep({ text: state.text, ...(given as object) }),
        ];
        return lines[piece.which % 4]?.();
      }
      case 'slot': {
        const which = piece.which % 3;
        if (around.repeats || around.placed.has(which)) return inside(piece.fallback);
        around.placed.add(which);
        const place = [slots.default, slots.title, slots.foot][which];
        return place?.(inside(piece.fallback));
      }
    }
  });
}
