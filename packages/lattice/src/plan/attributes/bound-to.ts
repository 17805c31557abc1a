import type { Core } from '../../template/index.js';
import { ExprCore } from '../../template/index.js';

/** What a control is tied to: a field of the state, and the way from there to what it shows. */
export interface BoundTo {
  readonly field: string;
  /** Keys of records, and the numbers of rows. */
  readonly path: readonly (string | Core)[];
}

/** The lists whose rows are around something, by the local that holds the row's item. */
export type Lists = ReadonlyMap<number, Core>;

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
      const list = op.what === 'item' ? lists.get(op.local) : undefined;
      const index = new ExprCore({ op: 'local', local: op.local + 1, label: 'index', what: 'index' });
      return list && further(list, index, lists);
    }
    default:
      return undefined;
  }
}

function further(of: Core, key: string | Core, lists: Lists): BoundTo | undefined {
  // What every record has is no field of anybody's.
  if (typeof key === 'string' && key in Object.prototype) return undefined;
  const around = boundTo(of, lists);
  return around && { field: around.field, path: [...around.path, key] };
}

export const noLists: Lists = new Map();
