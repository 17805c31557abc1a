import { dev } from '../../problem/index.js';
import type { Scope } from '../../template/scope.js';
import type { Block } from './block.js';
import type { OfRow } from './compared.js';
import { safe } from './dom.js';
import type { Going } from './going.js';
import type { Instance } from './instance.js';
import { moveBefore, movingIn, remove } from './move.js';
import { nodesOf } from './view.js';

interface RowWork {
  create(item: unknown, index: number): Block;
  /** Shows an item, which may be a new one, at a number, which may be another than before. */
  update(block: Block, isNew: boolean, item: unknown, index: number): void;
  /** What tells one item from another; without it rows are told apart by their number. */
  readonly keyOf: OfRow | undefined;
  /** A scope for what keys read besides their item. */
  readonly shared: Scope;
  /** Whether anything in a row asks for its number. */
  readonly areNumbered: boolean;
  doubled(key: unknown): void;
}

type KeyOf = NonNullable<RowWork['keyOf']>;

/** A row that moves, and the node that it is to stand before. */
type Move = readonly [row: Block, before: Node];

/** Items, the rows that they get, and from which to which these are made anew. */
interface NewRows {
  readonly rows: Block[];
  readonly items: readonly unknown[];
  readonly start: number;
  readonly end: number;
}

/** What is between those that stand at the same end as before: rows that were there, and what moves in any case. */
interface Middle extends NewRows {
  readonly old: readonly Block[];
  readonly from: number;
  readonly oldEnd: number;
  readonly moves: readonly Move[];
}

/** In place of where a row stood: it is new, and so is its key, or that key came up before. */
const made = -1;
const cameUp = -2;

/** The rows of one list, kept in step with its items: known keys move, new ones are made, others go. */
export class Rows {
  all: Block[] = [];
  readonly #mark: Node;
  readonly #instance: Instance;
  readonly #work: RowWork;

  constructor(mark: Node, instance: Instance, work: RowWork) {
    this.#mark = mark;
    this.#instance = instance;
    this.#work = work;
  }

  show(items: readonly unknown[]): void {
    const { areNumbered, doubled, keyOf, shared } = this.#work;
    if (!keyOf) return this.#showByNumber(items);
    if (dev) {
      const seen = new Set<unknown>();
      items.forEach((item, at) => {
        const key = keyOf(item, at, shared);
        if (seen.size === seen.add(key).size) doubled(key);
      });
    }
    const old = this.all;
    const rows: Block[] = new Array(items.length);
    const moves: Move[] = [];
    let from = 0;
    let oldEnd = old.length;
    let start = 0;
    let end = items.length;
    let isNewer = false;
    for (;;) {
      // Most items are the very ones of before, at one end or the other: those need no key, and nothing shown anew.
      while (from < oldEnd && start < end) {
        const row = old[from] as Block;
        if (row.item !== items[start]) {
          if (row.key !== keyOf(items[start], start, shared)) break;
          this.#keep(row, items, start);
        } else if (areNumbered && from !== start) this.#keep(row, items, start);
        rows[start++] = row;
        from++;
      }
      while (oldEnd > from && end > start) {
        const row = old[oldEnd - 1] as Block;
        if (row.item !== items[end - 1]) {
          if (row.key !== keyOf(items[end - 1], end - 1, shared)) break;
          isNewer = true;
        }
        rows[--end] = row;
        oldEnd--;
      }
      if (from === oldEnd || start === end) break;
      // What stood first and comes last now, or the other way round, moves in any case: what is between may have stayed.
      const first = old[from] as Block;
      const last = old[oldEnd - 1] as Block;
      if (first.key === keyOf(items[end - 1], end - 1, shared)) {
        moves.push([first, this.#following(rows, end)]);
        rows[--end] = first;
        from++;
        isNewer = true;
      } else if (last.key === keyOf(items[start], start, shared)) {
        moves.push([last, first.first as Node]);
        this.#keep(last, items, start);
        rows[start++] = last;
        oldEnd--;
      } else break;
    }
    if (from < oldEnd || start < end || moves.length > 0)
      movingIn(this.#mark.parentNode as Node, () =>
        this.#between({ old, from, oldEnd, rows, items, start, end, moves }, keyOf),
      );
    if (isNewer || (areNumbered && (old.length !== items.length || moves.length > 0)))
      for (let at = end; at < items.length; at++) this.#keep(rows[at] as Block, items, at);
    this.all = rows;
  }

  /** The node before which what ends at a place is put. */
  #following(rows: readonly Block[], end: number): Node {
    return end < rows.length ? ((rows[end] as Block).first as Node) : this.#mark;
  }

  #keep(row: Block, items: readonly unknown[], index: number): void {
    const item = items[index];
    const isNew = row.item !== item;
    row.item = item;
    if (this.#work.areNumbered) row.index = index;
    this.#work.update(row, isNew, item, index);
  }

  /** The rows between those that stand at the same end as before. The document is not touched before all keys are known. */
  #between(middle: Middle, keyOf: KeyOf): void {
    const { shared } = this.#work;
    const { old, from, oldEnd, items, start, end } = middle;
    const keys: unknown[] = [];
    /** Where the row of each item stood, below zero for new ones. */
    const places: number[] = [];
    /** Where each key stood; of those that came up, that they did. */
    const known = new Map<unknown, number>();
    for (let at = from; at < oldEnd; at++) known.set((old[at] as Block).key, at);
    const hasStayed = new Uint8Array(oldEnd - from);
    let staying = 0;
    let isRising = true;
    let highest = -1;
    for (let at = start; at < end; at++) {
      const key = keyOf(items[at], at, shared);
      const place = known.get(key) ?? made;
      known.set(key, cameUp);
      keys.push(key);
      places.push(place);
      if (place === cameUp) this.#work.doubled(key);
      if (place < 0) continue;
      hasStayed[place - from] = 1;
      staying++;
      isRising &&= place > highest;
      highest = place;
    }
    const parent = this.#mark.parentNode as Node;
    for (const [row, before] of middle.moves) moveBefore(row, parent, before);
    if (staying === 0) {
      if (from < oldEnd) this.#removeAll(old.slice(from, oldEnd), oldEnd - from === old.length);
      return this.#insert(middle, keys, this.#following(middle.rows, end));
    }
    for (let at = from; at < oldEnd; at++) if (hasStayed[at - from] === 0) remove(old[at] as Block);
    this.#arrange(middle, keys, places, isRising);
  }

  /** From the last to the first: rows of the longest run that is in order stay, the others move before what follows. */
  #arrange(
    { end, items, old, rows, start }: Middle,
    keys: readonly unknown[],
    places: readonly number[],
    isRising: boolean,
  ): void {
    const staying = isRising ? undefined : longestRun(places);
    const parent = this.#mark.parentNode as Node;
    let before = this.#following(rows, end);
    for (let at = end - 1; at >= start; at--) {
      const place = places[at - start] as number;
      if (place < 0) {
        const row = this.#made(items, at, keys[at - start]);
        rows[at] = row;
        safe(parent).insertBefore(nodesOf(row), before);
      } else {
        const row = old[place] as Block;
        rows[at] = row;
        if (row.item !== items[at] || (this.#work.areNumbered && place !== at)) this.#keep(row, items, at);
        if (staying && !staying.has(at - start)) moveBefore(row, parent, before);
      }
      before = (rows[at] as Block).first as Node;
    }
  }

  #made(items: readonly unknown[], index: number, key: unknown): Block {
    const row = this.#work.create(items[index], index);
    row.item = items[index];
    row.key = key;
    row.index = index;
    return row;
  }

  #insert({ end, items, rows, start }: NewRows, keys: readonly unknown[], before: Node): void {
    if (start === end) return;
    const all = new DocumentFragment();
    const isThere = this.#instance.adoption;
    for (let at = start; at < end; at++) {
      const row = this.#made(items, at, keys[at - start]);
      rows[at] = row;
      if (!isThere) all.appendChild(nodesOf(row));
    }
    safe(this.#mark.parentNode as Node).insertBefore(all, before);
  }

  #removeAll(rows: readonly Block[], areAll: boolean): void {
    const parent = this.#mark.parentNode as Node;
    const [first] = rows;
    if (
      areAll &&
      (first?.first as Going | undefined)?.isGoing === undefined &&
      !(parent instanceof HTMLFormElement) &&
      first?.first === parent.firstChild &&
      this.#mark === parent.lastChild
    ) {
      parent.textContent = '';
      parent.appendChild(this.#mark);
      return;
    }
    for (const row of rows) remove(row);
  }

  #showByNumber(items: readonly unknown[]): void {
    const both = Math.min(this.all.length, items.length);
    for (let at = 0; at < both; at++) {
      const row = this.all[at] as Block;
      if (row.item !== items[at]) this.#keep(row, items, at);
    }
    if (items.length < this.all.length) this.#removeAll(this.all.splice(items.length), items.length === 0);
    else this.#insert({ rows: this.all, items, start: both, end: items.length }, [], this.#mark);
  }
}

/** Which places of a list of numbers make up its longest rising run, those below zero left out. */
export function longestRun(numbers: readonly number[]): ReadonlySet<number> {
  const before: number[] = [];
  const tails: number[] = [];
  for (let at = 0; at < numbers.length; at++) {
    const number = numbers[at] as number;
    if (number < 0) continue;
    let low = 0;
    let high = tails.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if ((numbers[tails[middle] as number] as number) < number) low = middle + 1;
      else high = middle;
    }
    before[at] = low > 0 ? (tails[low - 1] as number) : -1;
    tails[low] = at;
  }
  const run = new Set<number>();
  for (let at = tails.at(-1) ?? -1; at >= 0; at = before[at] as number) run.add(at);
  return run;
}
