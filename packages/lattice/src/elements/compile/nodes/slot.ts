import { type Block, filledCore, type PlanFill, type PlanSlot } from '../../../plan/index.js';
import { blankSlot, type Core, ExprCore, operand } from '../../../template/index.js';
import { buildAttributes } from '../attributes.js';
import { call } from '../call.js';
import { maskOf } from '../dependencies.js';
import { type Level, type Spot, viewOf } from '../level.js';
import { type Around, StaticElement } from '../static.js';
import { CompiledView, own } from '../view.js';
import { placeGiven } from './given.js';

/**
 * A slot: of the element itself it is the browser's own `slot`; of a component within, the content given to it stands
 * there, or the fallback.
 */
export function buildSlot(node: PlanSlot, parent: Around, view: CompiledView, spot: Spot): void {
  const { level } = spot;
  const { common } = view;
  if (!level.use)
    return node.hands ? buildHanded(node, parent, view, spot) : buildOwn(node, parent, view, spot);
  const fill = level.use.node.fills[node.slot];
  if (!fill || (fill.data === undefined && fill.block.filled === false))
    return common.nodes(node.fallback.nodes, parent, view, spot);
  const { owner } = level.use;
  const inside: Spot = {
    ...spot,
    level: owner,
    depth: level.use.depth + (fill.data === undefined ? 0 : 1),
  };
  if (fill.data !== undefined) return buildReceiving(node, fill, parent, view, spot, inside);
  const { filled } = fill.block;
  if (typeof filled === 'boolean') return common.nodes(fill.block.nodes, parent, view, inside);
  const [fallback, content] = [viewOf(node.fallback, common, spot), viewOf(fill.block, common, inside)];
  placeGiven(filled, owner, fallback, content, parent, view);
}

function buildOwn(node: PlanSlot, parent: Around, view: CompiledView, spot: Spot): void {
  const slot = view.add(parent, new StaticElement('slot'));
  if (node.name !== 'default') slot.attributes.set('name', node.name);
  else if (node.fallback.nodes.length > 0) leaveOutBlanks(slot, view, spot);
  view.common.nodes(node.fallback.nodes, slot, view, spot);
}

/** Takes white space alone away from a default slot, which would show it in place of its fallback. */
function leaveOutBlanks(slot: StaticElement, view: CompiledView, { level }: Spot): void {
  view.common.leavesOutBlanks = true;
  const test = new ExprCore({ op: 'filled', slot: blankSlot, index: level.component.slots.names.length });
  const value = new ExprCore({
    op: 'choice',
    test,
    holds: operand(blankSlot),
    otherwise: operand(undefined),
  });
  buildAttributes([{ kind: 'value', key: 'name', name: 'name', rule: 'plain', value }], slot, view, level);
}

/** A slot of the element itself that passes data: functions of the page, or of whoever uses it, fill it. */
function buildHanded(node: PlanSlot, parent: Around, view: CompiledView, spot: Spot): void {
  const { level } = spot;
  const mask = maskOf(node.data, level) | level.dependencies.of(`slot ${node.name}`);
  const mark = view.mark(parent);
  const fallback = view.common.view(node.fallback.nodes, spot);
  view.note(own(level, mask));
  const reads = view.noteViews(fallback);
  const { data, name, number } = node;
  const of = { name, data, mask, level: level.index, fallback, reads, depth: spot.depth, number };
  view.part(mark, call('handed', of));
}

/** Content that takes what the slot passes. */
function buildReceiving(
  node: PlanSlot,
  { block, data: local }: PlanFill,
  parent: Around,
  view: CompiledView,
  spot: Spot,
  inside: Spot,
): void {
  const { depth, level } = spot;
  const owner: Level = inside.level;
  const mark = view.mark(parent);
  const content =
    block.filled === true
      ? view.common.view(block.nodes, inside)
      : chosen(filledCore(block.filled), block, node, view, spot, inside);
  const reads = view.noteViews(content);
  const mask = maskOf(node.data, level);
  view.note(own(level, mask));
  const of = {
    data: node.data,
    mask,
    localMask: owner.dependencies.of(`local ${local}`),
    level: level.index,
    owner: owner.index,
    number: node.number,
    depth,
    ownerDepth: inside.depth,
    local,
    content,
    reads,
  };
  view.part(mark, call('receiving', of));
}

/** The content where it comes to something for what the slot passes, else the fallback. */
function chosen(
  filled: Core,
  block: Block,
  { fallback }: PlanSlot,
  { common }: CompiledView,
  spot: Spot,
  inside: Spot,
): CompiledView {
  const either = new CompiledView(common);
  // The first node of the view stays, whichever of the two is shown.
  either.mark(either);
  const views = [viewOf(fallback, common, spot), viewOf(block, common, inside)] as const;
  placeGiven(filled, inside.level, ...views, either, either);
  return either;
}
