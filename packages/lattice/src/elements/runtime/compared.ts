import type { Scope } from '../../template/scope.js';
import type { Block } from './block.js';
import type { Get } from './text.js';

/** How to have something of a row: of its item, its number, and a scope for all else. */
export type OfRow = (item: unknown, index: number, scope: Scope) => unknown;

/** What all rows of a list do no more with than compare it with something of their own. */
export interface Comparison {
  readonly mask: number;
  /** Notes what the rows are shown with; their list may be another than before. */
  shown(scope: Scope): void;
  /** Shows the rows for which the comparison may come out differently now. */
  changed(rows: readonly Block[], scope: Scope, shared: Scope, show: (row: Block) => void): void;
}

/** Finds the rows by what they compare, so that not all are asked: those that were the same, and those that are. */
export function compared(mask: number, own: OfRow, other: Get): () => Comparison {
  return () => {
    let before: unknown;
    /** Null and undefined are the same. */
    let rowsOf: Map<unknown, Block[]> | undefined;
    return {
      mask,
      shown(scope) {
        before = other(scope) ?? null;
        rowsOf = undefined;
      },
      changed(rows, scope, shared, show) {
        if (!rowsOf) {
          rowsOf = new Map();
          for (const row of rows) {
            const value = own(row.item, row.index, shared) ?? null;
            const same = rowsOf.get(value);
            if (same) same.push(row);
            else rowsOf.set(value, [row]);
          }
        }
        const now = other(scope) ?? null;
        const value = before;
        before = now;
        rowsOf.get(value)?.forEach(show);
        if (now !== value) rowsOf.get(now)?.forEach(show);
      },
    };
  };
}
