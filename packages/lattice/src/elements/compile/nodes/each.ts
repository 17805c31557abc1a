import { type PlanEach, type PlanElement, readsOp } from '../../../plan/index.js';
import { type Core, describe, inputsOf } from '../../../template/index.js';
import { Call, CompiledBinding, Constant, call } from '../call.js';
import { maskOf } from '../dependencies.js';
import { type Spot, viewOf } from '../level.js';
import type { Around } from '../static.js';
import { type CompiledView, type DynamicPart, own } from '../view.js';

/** Content for every item of a list, before a node that marks where it ends. */
export function buildEach(node: PlanEach, parent: Around, view: CompiledView, spot: Spot): void {
  const { level, depth } = spot;
  const { dependencies } = level;
  const { common } = view;
  const { item, key, list } = node;
  const mark = view.mark(parent);
  const isConstant = list.op.op === 'literal';
  const mask = maskOf(list, level);
  const itemMask = dependencies.of(`local ${item}`);
  const indexMask = dependencies.of(`local ${item + 1}`);
  const row = common.view(node.row.nodes, { ...spot, depth: depth + 1 });
  const empty = viewOf(node.empty, common, spot);
  view.note(own(level, mask));
  const of = {
    list: list.op.op === 'literal' ? call('always', new Constant(list.op.value)) : list,
    name: isConstant ? 'a list' : describe(list),
    mask,
    level: level.index,
    item,
    itemMask,
    indexMask,
    depth: mayMakeIds(node) ? depth : undefined,
    key,
    numbered: asksForNumber(node) || undefined,
    isPlain: (!mayMakeIds(node) && row.parts.every(({ work }) => isPlain(work))) || undefined,
    row,
    empty,
    reads: view.noteViews(row, empty),
  };
  view.part(mark, call('each', of));
}

/** Whether a part needs its scope just while it is looked at. */
function isPlain(work: DynamicPart['work']): boolean {
  return work instanceof CompiledBinding || (work instanceof Call && work.name === 'listen');
}

/** Whether something in the rows asks for their number: also the path of a use, and what an event's handler is called with. */
function asksForNumber({ item, key, row }: PlanEach): boolean {
  const isNumber = (core: Core): boolean =>
    (core.op.op === 'local' && core.op.local === item + 1) || inputsOf(core).some(isNumber);
  const isTold = ({ attributes }: PlanElement): boolean =>
    attributes.some((one) => one.kind === 'listener' && one.args.some(isNumber));
  return (
    row.placesSlots ||
    row.uses.length > 0 ||
    row.reads.some(isNumber) ||
    row.all('element').some(isTold) ||
    (key !== undefined && isNumber(key))
  );
}

/** Whether something in the rows makes ids, or passes on what may. */
function mayMakeIds({ row }: PlanEach): boolean {
  return row.placesSlots || row.uses.length > 0 || row.reads.some((core) => readsOp(core, 'uid'));
}
