import type { Block } from './block.js';
import { safe } from './dom.js';
import { moveBefore, remove } from './move.js';

interface Row {
  readonly block: Block;
  readonly key: unknown;
  item: unknown;
}

interface RowWork {
  create(item: unknown, index: number): { readonly block: Block; readonly fragment: Node };
  /** Shows an item, which may be a new one, at a number, which may be another than before. */
  update(block: Block, isNew: boolean, item: unknown, index: number): void;
  /** What tells one item from another; without it rows are told apart by their number. */
  readonly keyOf: ((item: unknown, index: number) => unknown) | undefined;
  doubled(key: unknown): void;
}

type KeyOf = NonNullable<RowWork['keyOf']>;

/** The rows of one list, kept in step with its items: known keys move, new ones are made, others go. */
export class Rows {
  all: Row[] = [];
  readonly #mark: Node;
  readonly #work: RowWork;

  constructor(mark: Node, work: RowWork) {
    this.#mark = mark;
    this.#work = work;
  }

  show(items: readonly unknown[]): void {
    const { keyOf } = this.#work;
    if (!keyOf) return this.#showByNumber(items);
    const old = this.all;
    const rows: Row[] = new Array(items.length);
    let start = 0;
    let oldEnd = old.length;
    let end = items.length;
    // Most items are the very ones of before, at one end or the other: those need no key, and nothing shown anew.
    while (start < oldEnd && start < end) {
      const row = old[start] as Row;
      if (row.item !== items[start]) {
        if (row.key !== keyOf(items[start], start)) break;
        this.#keep(row, items, start);
      }
      rows[start++] = row;
    }
    while (oldEnd > start && end > start) {
      const row = old[oldEnd - 1] as Row;
      if (row.item !== items[end - 1] && row.key !== keyOf(items[end - 1], end - 1)) break;
      rows[--end] = row;
      oldEnd--;
    }
    const keys = this.#keys(items, start, end, keyOf);
    this.#between(old, start, oldEnd, rows, items, keys, end);
    const haveMoved = old.length !== items.length;
    for (let at = end; at < items.length; at++)
      if (haveMoved || (rows[at] as Row).item !== items[at]) this.#keep(rows[at] as Row, items, at);
    this.all = rows;
  }

  /** The keys of the items in between; a doubled one is told, and counts as one of its own. */
  #keys(items: readonly unknown[], start: number, end: number, keyOf: KeyOf): unknown[] {
    const keys: unknown[] = new Array(end);
    const seen = new Set<unknown>();
    for (let at = start; at < end; at++) {
      const key = keyOf(items[at], at);
      if (seen.has(key)) this.#work.doubled(key);
      keys[at] = seen.has(key) ? { doubled: key } : key;
      seen.add(key);
    }
    return keys;
  }

  #keep(row: Row, items: readonly unknown[], index: number): void {
    const item = items[index];
    this.#work.update(row.block, row.item !== item, item, index);
    row.item = item;
  }

  /** The rows between those that stand at the same end as before. */
  #between(
    old: readonly Row[],
    start: number,
    oldEnd: number,
    rows: Row[],
    items: readonly unknown[],
    keys: readonly unknown[],
    end: number,
  ): void {
    if (start === oldEnd) {
      const before = end < items.length ? ((rows[end] as Row).block.first as Node) : this.#mark;
      return this.#insert(rows, items, keys, start, end, before);
    }
    if (start === end) return this.#removeAll(old.slice(start, oldEnd), start === 0 && oldEnd === old.length);
    const known = new Map<unknown, number>();
    for (let at = start; at < oldEnd; at++) known.set((old[at] as Row).key, at);
    const from: number[] = [];
    for (let at = start; at < end; at++) {
      const place = known.get(keys[at]);
      from.push(place ?? -1);
      if (place !== undefined) known.delete(keys[at]);
    }
    if (known.size === oldEnd - start) {
      this.#removeAll(old.slice(start, oldEnd), start === 0 && oldEnd === old.length);
      const before = end < items.length ? ((rows[end] as Row).block.first as Node) : this.#mark;
      return this.#insert(rows, items, keys, start, end, before);
    }
    for (const place of known.values()) remove((old[place] as Row).block);
    this.#arrange(old, from, rows, items, keys, start, end);
  }

  /** From the last to the first: rows of the longest run that is in order stay, the others move before what follows. */
  #arrange(
    old: readonly Row[],
    from: readonly number[],
    rows: Row[],
    items: readonly unknown[],
    keys: readonly unknown[],
    start: number,
    end: number,
  ): void {
    const staying = longestRun(from);
    const parent = this.#mark.parentNode as Node;
    let before: Node = end < items.length ? ((rows[end] as Row).block.first as Node) : this.#mark;
    for (let at = end - 1; at >= start; at--) {
      const place = from[at - start] as number;
      if (place < 0) {
        const { block, fragment } = this.#work.create(items[at], at);
        rows[at] = { block, key: keys[at], item: items[at] };
        safe(parent).insertBefore(fragment, before);
      } else {
        const row = old[place] as Row;
        rows[at] = row;
        if (row.item !== items[at] || place !== at) this.#keep(row, items, at);
        if (!staying.has(at - start)) moveBefore(row.block, parent, before);
      }
      before = (rows[at] as Row).block.first as Node;
    }
  }

  #insert(
    rows: Row[],
    items: readonly unknown[],
    keys: readonly unknown[],
    start: number,
    end: number,
    before: Node,
  ): void {
    if (start === end) return;
    const all = new DocumentFragment();
    for (let at = start; at < end; at++) {
      const { block, fragment } = this.#work.create(items[at], at);
      rows[at] = { block, key: keys[at], item: items[at] };
      all.append(fragment);
    }
    safe(this.#mark.parentNode as Node).insertBefore(all, before);
  }

  #removeAll(rows: readonly Row[], areAll: boolean): void {
    const parent = this.#mark.parentNode as Node;
    const [first] = rows;
    if (
      areAll &&
      !(parent instanceof HTMLFormElement) &&
      first?.block.first === parent.firstChild &&
      this.#mark === parent.lastChild
    ) {
      parent.textContent = '';
      parent.appendChild(this.#mark);
      return;
    }
    for (const { block } of rows) remove(block);
  }

  #showByNumber(items: readonly unknown[]): void {
    const both = Math.min(this.all.length, items.length);
    for (let at = 0; at < both; at++) {
      const row = this.all[at] as Row;
      if (row.item !== items[at]) this.#keep(row, items, at);
    }
    if (items.length < this.all.length) this.#removeAll(this.all.splice(items.length), items.length === 0);
    else
      this.#insert(
        this.all,
        items,
        items.map((_, index) => index),
        both,
        items.length,
        this.#mark,
      );
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
