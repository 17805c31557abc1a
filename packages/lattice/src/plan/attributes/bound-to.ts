import type { Core, OpOf } from '../../template/index.js';
import { ExprCore } from '../../template/index.js';

/** What a control is tied to: a field of the state, and the way from there to what it shows. */
export interface BoundTo {
  readonly field: string;
  /** Keys of records, the numbers of rows, and items that are looked for in their list. */
  readonly path: readonly (string | Core | ItemPlace)[];
}

/** The place of a row's item in the list that the row was calculated from: by a field that is its key, or as it is. */
export class ItemPlace {
  readonly list: Core;
  readonly key: string | undefined;
  /** What that field is, or the item. */
  readonly value: Core;

  constructor(list: Core, key: string | undefined, value: Core) {
    this.list = list;
    this.key = key;
    this.value = value;
  }
}

/** A list whose rows are around something. */
export interface RowList {
  readonly list: Core;
  readonly key: Core | undefined;
  /** The list of the state that it is calculated from, where it is. */
  readonly of: Core | undefined;
}

/** The lists whose rows are around something, by the local that holds the row's item. */
export type Lists = ReadonlyMap<number, RowList>;

/** Follows an expression to the field of the state that it is a part of; undefined for what is calculated or given. */
export function boundTo({ op }: Core, lists: Lists): BoundTo | undefined {
  switch (op.op) {
    case 'state':
      return { field: op.name, path: [] };
    case 'written':
      return boundTo(op.of, lists);
    case 'field':
      return further(op.of, op.key, lists);
    case 'member': {
      const key = op.key.op.op === 'literal' ? op.key.op.value : op.key;
      return typeof key === 'number' || typeof key === 'string' || typeof key === 'object'
        ? further(op.of, typeof key === 'object' ? (key as Core) : String(key), lists)
        : undefined;
    }
    case 'local': {
      const rows = op.what === 'item' ? lists.get(op.local) : undefined;
      if (!rows) return undefined;
      if (rows.of) return further(rows.of, itemPlace(rows.of, rows.key, op), lists);
      const index = new ExprCore({ op: 'local', local: op.local + 1, label: 'index', what: 'index' });
      return further(rows.list, index, lists);
    }
    default:
      return undefined;
  }
}

function itemPlace(list: Core, key: Core | undefined, item: OpOf<'local'>): ItemPlace {
  const name = key && fieldOf(key, item.local);
  return name === undefined
    ? new ItemPlace(list, undefined, new ExprCore(item))
    : new ItemPlace(list, name, key as Core);
}

/** The field of an item that an expression is. */
function fieldOf({ op }: Core, item: number): string | undefined {
  if (op.op === 'written') return fieldOf(op.of, item);
  if ((op.op !== 'field' && op.op !== 'member') || op.of.op.op !== 'local' || op.of.op.local !== item)
    return undefined;
  if (op.op === 'field') return op.key;
  return op.key.op.op === 'literal' ? String(op.key.op.value) : undefined;
}

function further(of: Core, key: string | Core | ItemPlace, lists: Lists): BoundTo | undefined {
  // What every record has is no field of anybody's.
  if (typeof key === 'string' && key in Object.prototype) return undefined;
  const around = boundTo(of, lists);
  return around && { field: around.field, path: [...around.path, key] };
}

export const noLists: Lists = new Map();
