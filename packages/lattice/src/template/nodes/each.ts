import { dev, refuseCall } from '../../problem/index.js';
import { isAsyncRows } from '../async-rows.js';
import {
  coreOf,
  type Expr,
  ExprCore,
  type ExprOf,
  fieldOf,
  type PerhapsOfState,
  type StateExpr,
} from '../expression/expr.js';
import type { Core } from '../expression/ops.js';
import { gotIn } from '../got.js';
import { brandNodes, type Content, nodeBrand, placeNow } from '../node.js';
import { deeper } from '../run-state.js';

/** Content repeated for every item of a list. */
export class EachNode {
  declare readonly [nodeBrand]: true;
  declare readonly kind: 'each';
  readonly place = placeNow(eachOf);
  /** The list, or an expression of it. */
  readonly list: unknown;
  /** The local that holds the item; the next one holds its number from 0. */
  readonly item: number;
  readonly label: string;
  readonly row: Content;
  readonly key: Core | undefined;
  readonly empty: Content;
  /** The list of the state whose items these are, sorted, filtered or copied. */
  readonly of: Core | undefined;

  constructor(
    list: unknown,
    item: number,
    label: string,
    row: Content,
    key: Core | undefined,
    empty: Content,
    of?: Core,
  ) {
    this.list = list;
    this.item = item;
    this.label = label;
    this.row = row;
    this.key = key;
    this.empty = empty;
    this.of = of;
  }

  parts(): readonly unknown[] {
    const faceOf = (core: Core | undefined): unknown => (core as ExprCore | undefined)?.face;
    return [this.list, faceOf(this.key), faceOf(this.of), this.row, this.empty];
  }
}
brandNodes(EachNode, 'each');

/** Options of `eachOf`. */
export interface EachOptions<Item, IsState = false> {
  /** The name of a field that is different for each item, or a function of the item. */
  readonly key?: (keyof Item & string) | ((item: Expr<Item>) => ExprOf<string | number>);
  /** Content for an empty list. */
  readonly empty?: Content;
  /**
   * The list of the state that the rows are calculated from: form controls in a row are then tied to the item that it was made of,
   * which is found by its key.
   *
   * @example eachOf(calc(state.stalls, byName), (stall) => el.input({ bind: stall.name }), { key: 'id', of: state.stalls })
   */
  readonly of?: ExprOf<readonly Item[]> & PerhapsOfState<IsState>;
}

/** A row's item: of a list of the state a form control may be tied to a part of it. */
export type RowExpr<Item, IsState> = IsState extends true ? StateExpr<Item> : Expr<Item>;

/** What content is repeated for: a list, or rows that come one after another. */
export type Rows<Item> = readonly Item[] | AsyncIterable<Item>;

/**
 * Repeats content for every item of a list. The function runs once, with expressions of the item and of its
 * number from 0. A list that may be missing counts as empty. Rows that
 * come one after another are taken by `renderHtmlAsync` and `streamHtml`, which write each as it comes. For a fixed range write plain JavaScript:
 * `[1, 2, 3].map((n) => el.li(n))`.
 *
 * @throws LatticeError `call-invalid`, during development
 * @example eachOf(props.varieties, (variety) => el.li(variety.name), { key: 'id', empty: el.p('None left') })
 */
export function eachOf<Item, IsState = false>(
  list: (ExprOf<Rows<Item> | null | undefined> & PerhapsOfState<IsState>) | Rows<Item>,
  row: (item: RowExpr<Item, IsState>, index: Expr<number>) => Content,
  options?: EachOptions<Item, IsState>,
): Content {
  if (dev && !Array.isArray(list) && !coreOf(list) && !isAsyncRows(list))
    refuseCall(
      eachOf,
      'eachOf',
      `repeats content for a list, but received ${gotIn(list)}`,
      'Give it a list or an expression of one: eachOf(props.items, (item) => …).',
    );
  if (dev && (typeof row !== 'function' || coreOf(row)))
    refuseCall(
      eachOf,
      'eachOf',
      `expects a function of the item as its second argument, but received ${gotIn(row)}`,
      'Write eachOf(list, (item) => el.li(item.name)).',
    );
  const label = parameterName(row) ?? 'item';
  return deeper(2, (first) => {
    const item = localExpr(first, label, 'item');
    const index = localExpr(first + 1, 'index', 'index');
    const content = row(item.face as RowExpr<Item, IsState>, index.face as Expr<number>);
    const { key, empty, of } = options ?? {};
    const keyed = typeof key === 'string' ? fieldOf(item, key).face : key?.(item.face as Expr<Item>);
    return new EachNode(list, first, label, content, coreOf(keyed), empty, coreOf(of));
  });
}

export function localExpr(local: number, label: string, what: 'item' | 'index' | 'data'): ExprCore {
  return new ExprCore({ op: 'local', local, label, what });
}

/** The name a function gives its first parameter, so that messages can speak of `variety.name`. */
export function parameterName(row: unknown): string | undefined {
  return /^(?:async\s*)?(?:function\s*\w*\s*)?\(?\s*([A-Za-z_$][\w$]*)/.exec(String(row))?.[1];
}
