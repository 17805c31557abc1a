import fc from 'fast-check';
import {
  type Content,
  calc,
  component,
  type Expr,
  eachOf,
  el,
  given,
  phrase,
  prop,
  slot,
  trusted,
  uid,
} from 'zesty-lattice';
import { register } from 'zesty-lattice/elements';
import { renderHtml } from 'zesty-lattice/html';
import { componentCore } from '../../src/component/index.js';
import { countInPage } from '../../src/elements/draft/sketch.js';
import * as live from '../../src/elements/live/index.js';
import { NotWritten, own, type Sources, writeComponent } from '../../src/elements/written/index.js';

interface Item {
  readonly id: number;
  readonly name: string;
  readonly on: boolean;
  readonly inner: readonly string[];
}

/** Everything a random component can show: half of it comes as props, half is state. */
interface Data {
  readonly text: string;
  readonly count: number;
  readonly flag: boolean;
  readonly maybe?: string | undefined;
  readonly items: readonly Item[];
  readonly tag: string;
}

/** A piece of a random template. */
type Piece =
  | { readonly kind: 'text'; readonly text: string }
  | { readonly kind: 'value'; readonly which: number }
  | {
      readonly kind: 'element';
      readonly tag: string;
      readonly attributes: readonly number[];
      readonly inside: readonly Piece[];
    }
  | { readonly kind: 'svg'; readonly which: number }
  | {
      readonly kind: 'given';
      readonly test: number;
      readonly yes: readonly Piece[];
      readonly no: readonly Piece[];
    }
  | {
      readonly kind: 'each';
      readonly keyed: boolean;
      readonly row: readonly Piece[];
      readonly empty: readonly Piece[];
    }
  | {
      readonly kind: 'panel';
      readonly which: number;
      readonly title: readonly Piece[];
      readonly foot: readonly Piece[];
      readonly body: readonly Piece[];
    }
  | { readonly kind: 'rows'; readonly row: readonly Piece[] }
  | { readonly kind: 'nest'; readonly which: number }
  | { readonly kind: 'trusted'; readonly which: number }
  | { readonly kind: 'of'; readonly inside: readonly Piece[] };

const number = fc.nat(7);
const { pieces } = fc.letrec<{ pieces: Piece[]; piece: Piece }>((tie) => ({
  pieces: fc.array(tie('piece'), { maxLength: 3, depthIdentifier: 'tree' }),
  piece: fc.oneof(
    { depthIdentifier: 'tree', depthSize: 'small', withCrossShrink: true },
    fc.record({ kind: fc.constant('text' as const), text: fc.constantFrom('a', ' ', '<b>', 'é\n') }),
    fc.record({ kind: fc.constant('value' as const), which: number }),
    fc.record({
      kind: fc.constant('element' as const),
      tag: fc.constantFrom('div', 'span', 'b', 'section'),
      attributes: fc.uniqueArray(number, { maxLength: 3 }),
      inside: tie('pieces'),
    }),
    fc.record({ kind: fc.constant('given' as const), test: number, yes: tie('pieces'), no: tie('pieces') }),
    fc.record({
      kind: fc.constant('each' as const),
      keyed: fc.boolean(),
      row: tie('pieces'),
      empty: tie('pieces'),
    }),
    fc.record({
      kind: fc.constant('panel' as const),
      which: number,
      title: tie('pieces'),
      foot: tie('pieces'),
      body: tie('pieces'),
    }),
    fc.record({ kind: fc.constant('rows' as const), row: tie('pieces') }),
    fc.record({ kind: fc.constant('svg' as const), which: number }),
    fc.record({ kind: fc.constant('nest' as const), which: number }),
    fc.record({ kind: fc.constant('trusted' as const), which: number }),
    fc.record({ kind: fc.constant('of' as const), inside: tie('pieces') }),
  ),
}));

const word = fc.constantFrom('', 'x', 'yy', '<i>', 'a b', '&');
const item: fc.Arbitrary<Item> = fc.record({
  id: fc.nat(9),
  name: word,
  on: fc.boolean(),
  inner: fc.array(word, { maxLength: 2 }),
});
const data: fc.Arbitrary<Data> = fc.record(
  {
    text: word,
    count: fc.nat(3),
    flag: fc.boolean(),
    maybe: fc.option(word, { nil: undefined }),
    items: fc.uniqueArray(item, { maxLength: 4, selector: ({ id }) => id }),
    tag: fc.constantFrom('div', 'span', 'aside'),
  },
  { requiredKeys: ['text', 'count', 'flag', 'items', 'tag'] },
);

const Panel = component('random-panel', {
  props: { head: prop.text(), count: prop.number().fallback(1), open: prop.flag() },
  slots: { default: slot(), title: slot(), foot: slot() },
  template: ({ props, slots }) =>
    el.article(
      { class: ['panel', { open: props.open }], 'data-count': props.count, 'aria-labelledby': uid('head') },
      el.header({ id: uid('head') }, slots.title(el.em(props.head))),
      slots.default(),
      given(slots.foot.filled, el.footer(slots.foot(), props.count), 'no foot'),
      given(props.open, el.i(props.head)),
    ),
});
const RowList = component('random-rows', {
  props: { items: prop.list<Item>() },
  slots: { row: slot.with<Item>() },
  template: ({ props, slots }) =>
    el.ol(
      eachOf(props.items, (one, index) => el.li({ id: uid('row') }, index, slots.row(one, el.q(one.name))), {
        key: 'id',
      }),
    ),
});
const Nest: (props: { depth: number | Expr<number>; text: string | Expr<string> }) => Content = component(
  'random-nest',
  {
    props: { depth: prop.number(), text: prop.text() },
    template: ({ props }) =>
      el.u(
        props.text,
        given(props.depth, Nest({ depth: calc(props.depth, (n) => n - 1), text: props.text })),
      ),
  },
) as never;

type Exprs = { readonly [K in keyof Data]: Expr<Data[K]> };

/** What can be read where a piece stands: props, state, and the row around it. */
interface Around {
  readonly props: Exprs;
  readonly state: Exprs;
  readonly row: Expr<Item> | undefined;
  readonly index: Expr<number> | undefined;
}

function contentOf({ props, state, row, index }: Around, which: number): Content {
  switch (which) {
    case 0:
      return props.text;
    case 1:
      return state.text;
    case 2:
      return phrase`${state.count}/${props.maybe}`;
    case 3:
      return calc(state.items, props.count, (items, count) => `${items.length * count}`);
    case 4:
      return row?.name ?? state.maybe;
    case 5:
      return index ?? props.count;
    case 6:
      return row ? calc(row, state.text, (one, text) => one.name + text) : 'no row';
    default:
      return state.items.length;
  }
}

function testOf({ props, state, row, index }: Around, which: number): Expr<unknown> {
  const tests: (() => unknown)[] = [
    () => props.flag,
    () => state.flag,
    () => props.maybe,
    () => calc(state.count, (n) => n > 1),
    () => row?.on ?? state.maybe,
    () => index ?? props.count,
    () => calc(props.items, (items) => items.length > 1),
    () => state.text,
  ];
  return tests[which]?.() as Expr<unknown>;
}

function attributesOf(around: Around, which: readonly number[]): Record<string, unknown> {
  const { props, state, row } = around;
  const all: (() => Record<string, unknown>)[] = [
    () => ({ class: ['c', props.text, { on: state.flag }] }),
    () => ({ title: state.text }),
    () => ({ style: { color: 'red', '--count': props.count } }),
    () => ({ hidden: props.flag }),
    () => ({ 'aria-hidden': state.flag }),
    () => ({ 'data-row': row?.name ?? state.maybe }),
    () => ({ id: uid('here') }),
    () => ({ lang: 'en', class: { off: props.flag } }),
  ];
  const classes = which.filter((n) => n === 0 || n === 7).length;
  return Object.assign({}, ...which.filter((n) => classes < 2 || n !== 0).map((n) => all[n]?.()));
}

type Loose = Record<string, (attributes: unknown, ...content: Content[]) => Content>;

function written(all: readonly Piece[], around: Around): Content {
  return all.map((piece): Content => {
    const inside = (more: readonly Piece[]): Content => written(more, around);
    switch (piece.kind) {
      case 'text':
        return piece.text;
      case 'value':
        return contentOf(around, piece.which);
      case 'element':
        return (el as unknown as Loose)[piece.tag]?.(
          attributesOf(around, piece.attributes),
          inside(piece.inside),
        );
      case 'svg':
        return el.svg(
          { viewBox: '0 0 9 9' },
          el.g(
            given(testOf(around, piece.which) as Expr<boolean>, el.circle({ r: around.state.count })),
            el.foreignObject(el.div(around.props.text)),
          ),
        );
      case 'given':
        return given(testOf(around, piece.test) as Expr<boolean>, inside(piece.yes), inside(piece.no));
      case 'each':
        return eachOf(around.state.items, (row, index) => written(piece.row, { ...around, row, index }), {
          ...(piece.keyed && { key: 'id' as const }),
          empty: inside(piece.empty),
        });
      case 'panel':
        return Panel(
          {
            head: around.row?.name ?? around.state.text,
            count: around.props.count,
            open: piece.which % 2 === 0 ? around.state.flag : true,
          },
          { title: inside(piece.title), foot: inside(piece.foot), default: inside(piece.body) },
        );
      case 'rows':
        return RowList(
          { items: around.state.items },
          piece.row.length === 0 ? {} : { row: (row) => written(piece.row, { ...around, row }) },
        );
      case 'nest':
        return Nest({ depth: around.state.count, text: around.props.text });
      case 'trusted':
        return trusted(calc(around.state.count, (n) => `<em title="${n}">${'x'.repeat(n)}</em>`));
      case 'of':
        return el.of(around.state.tag, { title: around.props.text }, inside(piece.inside));
    }
  });
}

const propKinds = {
  text: prop.text(),
  count: prop.number(),
  flag: prop.flag(),
  maybe: prop.text().optional(),
  items: prop.list<Item>(),
  tag: prop.text(),
};
let count = 0;

/** Shadow roots and parsed HTML, made comparable: no marks, neighbouring texts joined. */
function plain(root: ParentNode & Node): string {
  const copy = document.createElement('div');
  copy.append(...[...root.childNodes].map((node) => node.cloneNode(true)));
  const walker = document.createTreeWalker(copy, NodeFilter.SHOW_COMMENT);
  const comments: Comment[] = [];
  while (walker.nextNode()) comments.push(walker.currentNode as Comment);
  for (const comment of comments) comment.remove();
  copy.normalize();
  return JSON.stringify(shape(copy));
}

function shape(node: Node): unknown {
  if (node.nodeType === 3) return node.nodeValue;
  const element = node as Element;
  const attributes = [...element.attributes].map(({ name, value }) => `${name}=${value}`).sort();
  return [element.namespaceURI?.slice(-3), element.localName, attributes, [...element.childNodes].map(shape)];
}

function parsed(html: string): string {
  const template = document.createElement('template');
  template.innerHTML = html;
  return plain(template.content);
}

type Host = HTMLElement & Record<string, unknown>;

function made(name: string, props: object): Host {
  return Object.assign(document.createElement(name), props) as unknown as Host;
}

/**
 * An element as a page's parser makes it of what a server sent, with its shadow root, before any script. Done by hand,
 * since scripts have no parser that keeps both comments and declared shadow roots.
 */
function declared(html: string): Host {
  const template = document.createElement('template');
  template.innerHTML = html;
  const host = template.content.firstElementChild as Host;
  const root = host.firstElementChild as HTMLTemplateElement;
  host.attachShadow({ mode: 'open' }).append(root.content);
  root.remove();
  return host;
}

/** All nodes in document order, save texts that are empty: those have no form in HTML. */
function nodesIn(root: Node): Node[] {
  const walker = document.createTreeWalker(root);
  const nodes: Node[] = [];
  while (walker.nextNode()) {
    const { currentNode } = walker;
    if (!(currentNode instanceof Text && currentNode.data === '')) nodes.push(currentNode);
  }
  return nodes;
}

/** A component's elements as a build writes them, with the functions of its template at hand by number. */
function evaluated(random: unknown): live.Live {
  const core = componentCore(random);
  if (!core) throw new Error('no component');
  const theirs: unknown[] = [];
  const at = (one: unknown): string => `theirs[${theirs.push(one) - 1}]`;
  const sources: Sources = {
    closure: (compute) => at(compute),
    expression: () => undefined,
    part: (of, key) => at(of[key as keyof typeof of]),
    kindPart: (_component, prop, part) =>
      part === 'schema' ? at(core.props.kinds[core.props.at.get(prop) ?? -1]?.rules.holds) : undefined,
    component: () => undefined,
    scopedSheet: () => undefined,
    htmlFault: () => undefined,
  };
  const { code, names } = writeComponent(core, sources, countInPage);
  const make = new Function('theirs', ...names.map((name) => own + name), `return ${code}`);
  const all: Readonly<Record<string, unknown>> = { ...live };
  return make(theirs, ...names.map((name) => all[name]));
}

/** How many of them were written out: those with a component inside itself, or a changing tag, are not. */
let writtenOut = 0;

async function check(
  tree: readonly Piece[],
  first: Data,
  initial: Data,
  changes: readonly (readonly [boolean, Partial<Data>])[],
  adopts: boolean,
  isWritten: boolean,
): Promise<void> {
  let change: (data: Partial<Data>) => void = () => {};
  const Random = component(`random-tree-${count++}`, {
    props: {
      ...propKinds,
      initial: prop.schema<Data, Data>({
        '~standard': { version: 1, vendor: 'test', validate: (value) => ({ value: value as Data }) },
      }),
    },
    state: ({ initial: data }) => ({ ...data }),
    connected: (context) => {
      change = context.change;
    },
    template: ({ props, state }) =>
      written(tree, {
        props: props as unknown as Exprs,
        state: state as unknown as Exprs,
        row: undefined,
        index: undefined,
      }),
  });
  if (isWritten) {
    try {
      live.define(evaluated(Random));
      writtenOut++;
    } catch (thrown) {
      if (!(thrown instanceof NotWritten)) throw thrown;
      register(Random);
    }
  } else register(Random);
  let now = { props: first, state: initial };
  const fresh = (): string => parsed(renderHtml(Random({ ...now.props, initial: now.state } as never)));
  const host = adopts
    ? declared(renderHtml(Random({ ...first, initial } as never), { form: 'elements' }))
    : made(Random.name, { ...first, initial });
  const sent = adopts ? nodesIn(host.shadowRoot as ShadowRoot) : [];
  document.body.append(host);
  if (adopts && nodesIn(host.shadowRoot as ShadowRoot).some((node, at) => node !== sent[at]))
    throw new Error('a node was made anew');
  const shown = (): string => plain(host.shadowRoot as ShadowRoot);
  const fail = (when: string): void => {
    const [got, wanted] = [shown(), fresh()];
    if (got !== wanted)
      throw new Error(
        `${when}\n got    ${got}\n wanted ${wanted}\n html ${renderHtml(Random({ ...now.props, initial: now.state } as never))}`,
      );
  };
  fail('at first');
  for (const [isState, more] of changes) {
    now = isState
      ? { ...now, state: { ...now.state, ...more } }
      : { ...now, props: { ...now.props, ...more } };
    if (isState) change(more);
    else Object.assign(host, more);
    await Promise.resolve();
    await Promise.resolve();
    fail(`after ${isState ? 'state' : 'props'} ${JSON.stringify(more)}`);
  }
  host.remove();
}

/** Compares random elements with their HTML text; gives how many were compared, or throws the smallest that differs. */
async function compareRandomTrees(
  runs: number,
  seed: number,
): Promise<{ compared: number; writtenOut: number }> {
  let compared = 0;
  const changed = fc.tuple(
    fc.boolean(),
    data.chain((one) =>
      fc
        .subarray(Object.entries(one), { minLength: 1, maxLength: 2 })
        .map((some) => Object.fromEntries(some) as Partial<Data>),
    ),
  );
  const outcome = await fc.check(
    fc.asyncProperty(
      pieces,
      data,
      data,
      fc.array(changed, { minLength: 20, maxLength: 20 }),
      async (tree, first, initial, changes) => {
        await check(tree, first, initial, changes, compared % 2 === 1, compared % 4 > 1);
        compared++;
      },
    ),
    { numRuns: runs, seed },
  );
  if (outcome.failed) {
    const thrown = outcome.errorInstance as Error;
    throw new Error(`${thrown.stack ?? thrown.message}\n${JSON.stringify(outcome.counterexample)}`);
  }
  return { compared, writtenOut };
}

Object.assign(window, { compareRandomTrees });
