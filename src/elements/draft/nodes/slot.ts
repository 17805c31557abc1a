import { coreOf } from '../../../template/index.js';
import { alwaysPlaces, type PlanFill, type PlanSlot } from '../../../tree/index.js';
import { buildAll, draftOf } from '../build.js';
import { call, Later } from '../call.js';
import { type Draft, fillOf, type Scope, type Spot } from '../draft.js';
import { filledBits } from '../filled-bits.js';
import { type Around, SketchElement } from '../sketch.js';
import { getterOf } from './getter.js';

/**
 * A slot: of the element itself it is the browser's own `slot`; of a component within, the content given to it stands
 * there, or the fallback.
 */
export function buildSlot(node: PlanSlot, parent: Around, view: Draft, spot: Spot): void {
  const { scope } = spot;
  if (!scope.use && node.hands) return buildHanded(node, parent, view, spot);
  if (!scope.use) {
    const slot = view.add(parent, new SketchElement('slot'));
    if (node.name !== 'default') slot.attributes.set('name', node.name);
    return buildAll(node.fallback, slot, view, spot);
  }
  const filled = fillOf(scope, node.slot);
  if (!filled) return buildAll(node.fallback, parent, view, spot);
  const { fill, owner } = filled;
  const inside: Spot = {
    ...spot,
    scope: owner,
    isOutermost: true,
    depth: scope.use.depth + (fill.data === undefined ? 0 : 1),
  };
  if (fill.data === undefined && alwaysPlaces(fill)) return buildAll(fill.content, parent, view, inside);
  buildDepending(node, fill, owner, parent, view, spot, inside);
}

/** A slot of the element itself that hands data. */
function buildHanded(node: PlanSlot, parent: Around, view: Draft, spot: Spot): void {
  const mark = view.mark(parent);
  const { index, bits: all } = spot.scope;
  const core = coreOf(node.data);
  const bits = (core ? all.read(core) : 0) | all.of(`slot ${node.name}`);
  const fallback = draftOf(node.fallback, view.common, spot);
  view.note(index, bits);
  const reads = view.noteAll(fallback);
  view.place(mark, call('handed', node.name, getterOf(node.data), bits, index, fallback, reads));
}

/** Content that takes data, or that may come to nothing, so that the fallback shows. */
function buildDepending(
  node: PlanSlot,
  { content, data: local }: PlanFill,
  owner: Scope,
  parent: Around,
  view: Draft,
  spot: Spot,
  inside: Spot,
): void {
  const mark = view.mark(parent);
  const { scope } = spot;
  const fallback = draftOf(node.fallback, view.common, spot);
  const drafted = draftOf(content, view.common, inside);
  const reads = view.noteAll(fallback, drafted);
  const core = coreOf(node.data);
  const dataBits = core ? scope.bits.read(core) : 0;
  view.note(scope.index, dataBits);
  const fillBits = owner.bits.of(`fill ${scope.index} ${node.slot}`) | filledBits(content, owner);
  view.note(owner.index, fillBits);
  const of = {
    data: getterOf(node.data),
    dataBits,
    localBit: local === undefined ? 0 : owner.bits.of(`local ${local}`),
    fillBits,
    locals: new Later(() => owner.bits.locals),
    scope: scope.index,
    owner: owner.index,
    slot: node.slot,
    number: node.number,
    depth: spot.depth,
    ownerDepth: inside.depth,
    local,
    fallback,
    content: drafted,
    reads,
  };
  view.place(mark, call('depending', of));
}
