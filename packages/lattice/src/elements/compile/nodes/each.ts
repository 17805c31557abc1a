import { type PlanEach, type PlanElement, readsOp } from '../../../plan/index.js';
import { type Core, canFail, describe, inputsOf, isCore } from '../../../template/index.js';
import { Call, CompiledBinding, Constant, call, OfRow } from '../call.js';
import { maskOf } from '../dependencies.js';
import { type Level, type Spot, viewOf } from '../level.js';
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
  const isPlainRow = !mayMakeIds(node) && row.parts.every(({ work }) => isPlain(work));
  const comparisons = isPlainRow ? comparisonsIn(row, item, level) : [];
  const of = {
    list: list.op.op === 'literal' ? call('always', new Constant(list.op.value)) : list,
    name: isConstant ? 'a list' : describe(list),
    mask,
    level: level.index,
    item,
    itemMask,
    indexMask,
    path: mayMakeIds(node) ? call('rowPath', depth) : undefined,
    key: key && new OfRow(key, item),
    numbered: asksForNumber(node) || undefined,
    isPlain: isPlainRow || undefined,
    compared: comparisons.length > 0 ? comparisons : undefined,
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

/** A comparison of something outside of a row with something of it. */
interface Comparison {
  readonly own: Core;
  readonly outside: Core;
}

/** What plain rows read besides their item, as far as they just compare it, and always in one way. */
function comparisonsIn({ parts }: CompiledView, item: number, level: Level): Call[] {
  const known = new Map<number, Comparison | undefined>();
  const isOfRow = ({ op }: Core): boolean => op.op === 'local' && op.local === item;
  const isOfRowAlone = (core: Core): boolean => leavesOf(core).every(isOfRow) && !canFail(core);
  const note = (mask: number, found?: Comparison): void => {
    const before = known.get(mask);
    const isSame = before && found && textOf(before) === textOf(found);
    known.set(mask, known.has(mask) && !isSame ? undefined : found);
  };
  const look = (part: unknown): void => {
    if (part instanceof Call) return part.args.forEach(look);
    if (Array.isArray(part)) return part.forEach(look);
    if (!isCore(part)) return;
    const { op } = part;
    if (op.op === 'binary' && /^[=!]=$/.test(op.operator))
      for (const [own, outside] of [
        [op.left, op.right],
        [op.right, op.left],
      ] as const)
        if (leavesOf(own).length > 0 && isOfRowAlone(own) && /^(?:prop|state|shared)$/.test(outside.op.op))
          return note(maskOf(outside, level), { own, outside });
    if (isOfRow(part)) return;
    const inputs = inputsOf(part);
    if (inputs.length === 0) note(maskOf(part, level));
    else inputs.forEach(look);
  };
  for (const { work } of parts) if (work instanceof CompiledBinding) look(work.get);
  return [...known].flatMap(([mask, found]) =>
    found && mask !== 0 && [...known.keys()].every((other) => other === mask || (other & mask) === 0)
      ? [call('compared', mask, new OfRow(found.own, item), found.outside)]
      : [],
  );
}

const textOf = ({ own, outside }: Comparison): string => `${describe(own)} ${describe(outside)}`;

/** What an expression reads in the end, constants left out. */
function leavesOf(core: Core): readonly Core[] {
  const inputs = inputsOf(core);
  if (inputs.length > 0) return inputs.flatMap(leavesOf);
  return core.op.op === 'literal' ? [] : [core];
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
