import { describe } from '../../../template/index.js';
import type { PlanEach } from '../../../tree/index.js';
import { draftOf } from '../build.js';
import { call, Later } from '../call.js';
import type { Draft, Spot } from '../draft.js';
import type { Around } from '../sketch.js';
import { getterOf } from './getter.js';

/** Content for every item of a list, before a node that marks the place. */
export function buildEach(node: PlanEach, parent: Around, view: Draft, spot: Spot): void {
  const mark = view.mark(parent);
  const { index, bits } = spot.scope;
  const { item, key } = node;
  const list = 'get' in node.list ? node.list : undefined;
  const listBits = list ? bits.read(list) : 0;
  const itemBit = bits.of(`local ${item}`);
  const indexBit = bits.of(`local ${item + 1}`);
  const row = draftOf(node.row, view.common, { ...spot, depth: spot.depth + 1 });
  const empty = node.empty.length === 0 ? undefined : draftOf(node.empty, view.common, spot);
  view.note(index, listBits);
  const of = {
    list: getterOf(node.list),
    name: list ? describe(list) : 'a list',
    bits: listBits,
    scope: index,
    item,
    itemBit,
    indexBit,
    // Locals of what stands around may be numbered later.
    locals: new Later(() => bits.locals),
    depth: spot.depth,
    key,
    row,
    empty,
    reads: view.noteAll(row, empty),
  };
  view.place(mark, call('each', of));
}
