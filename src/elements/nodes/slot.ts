import { coreOf, type Frame } from '../../template/index.js';
import { alwaysPlaces, type PlanNode, type PlanSlot } from '../../tree/index.js';
import type { Block } from '../block.js';
import { buildAll, viewOf } from '../build.js';
import { filledBits } from '../filled-bits.js';
import { type Filled, fillerOf } from '../fillers.js';
import type { Instance } from '../instance.js';
import { fillOf, forward, type Scope, type Spot, type View } from '../view.js';

/**
 * A slot: of the element itself it is the browser's own `slot`; of a component within, the content given to it stands
 * there, or the fallback.
 */
export function buildSlot(node: PlanSlot, parent: Node, view: View, spot: Spot): void {
  const { scope } = spot;
  if (!scope.use && node.hands) return buildHanded(node, parent, view, spot);
  if (!scope.use) {
    const slot = document.createElement('slot');
    if (node.name !== 'default') slot.name = node.name;
    parent.appendChild(slot);
    return buildAll(node.fallback, slot, view, spot);
  }
  const filled = fillOf(scope, node.slot);
  if (!filled) return buildAll(node.fallback, parent, view, spot);
  const inside: Spot = {
    ...spot,
    scope: filled.owner,
    isOutermost: true,
    depth: scope.use.depth + (filled.fill.data === undefined ? 0 : 1),
  };
  if (filled.fill.data === undefined && alwaysPlaces(filled.fill)) {
    return buildAll(filled.fill.content, parent, view, inside);
  }
  buildDepending(node, filled.fill.content, filled.fill.data, filled.owner, parent, view, spot, inside);
}

/** A slot of the element itself that hands data: a function or a template of the page says what stands there. */
function buildHanded(node: PlanSlot, parent: Node, view: View, spot: Spot): void {
  const mark = parent.appendChild(document.createComment(''));
  const { index, bits: all } = spot.scope;
  const core = coreOf(node.data);
  const bits = (core ? all.read(core) : 0) | all.of(`slot ${node.name}`);
  const fallback = viewOf(node.fallback, view.numbers, spot);
  view.note(spot.scope, bits);
  for (const [scope, read] of fallback.reads) view.note({ ...spot.scope, index: scope }, read);
  const reads = new Map(fallback.reads);
  view.place(mark, (found, frames, block, instance) => {
    let release: (() => void) | undefined;
    let inner: Block | undefined;
    let shown: unknown = block;
    const show = (): void => {
      const data = core ? core.get(frames[index] as Frame) : node.data;
      const filler = fillerOf(instance.host, node.name);
      if (filler === undefined && inner) return;
      if (filler !== undefined && shown === data && !instance.refills) return;
      shown = data;
      release?.();
      inner?.remove();
      inner = undefined;
      if (!filler) {
        inner = fallback.mount(found, [...frames], instance);
        return;
      }
      const given = filler(data);
      const filled: Filled = given instanceof Node || typeof given === 'string' ? { content: given } : given;
      const nodes =
        typeof filled.content === 'string'
          ? [document.createTextNode(filled.content)]
          : nodesOf(filled.content);
      for (const one of nodes) (found.parentNode as Node).insertBefore(one, found);
      release = () => {
        for (const one of nodes) (one as ChildNode).remove();
        filled.release?.();
      };
    };
    clear(found, instance);
    instance.anew(show);
    block.updaters.push({ scope: index, bits, run: show });
    forward(block, reads, (scope, changed) => inner?.update(scope, changed));
  });
}

/** What a server wrote in the place is made anew: the functions that fill it are the page's. */
function clear(mark: Node, instance: Instance): void {
  if (!instance.adoption) return;
  for (let node = instance.adoption.inside(mark); node !== mark; ) {
    const next = node.nextSibling as Node;
    (node as ChildNode).remove();
    node = next;
  }
}

function nodesOf(content: Node): Node[] {
  return content instanceof DocumentFragment ? [...content.childNodes] : [content];
}

/** Content that takes data, or that may come to nothing, so that the fallback shows. */
function buildDepending(
  node: PlanSlot,
  content: readonly PlanNode[],
  local: number | undefined,
  owner: Scope,
  parent: Node,
  view: View,
  spot: Spot,
  inside: Spot,
): void {
  const mark = parent.appendChild(document.createComment(''));
  const views = [viewOf(node.fallback, view.numbers, spot), viewOf(content, view.numbers, inside)];
  for (const one of views) for (const [index, bits] of one.reads) view.note({ ...owner, index }, bits);
  const core = coreOf(node.data);
  const dataBits = core ? spot.scope.bits.read(core) : 0;
  view.note(spot.scope, dataBits);
  const bitsOfFill = owner.bits.of(`fill ${spot.scope.index} ${node.slot}`) | filledBits(content, owner);
  view.note(owner, bitsOfFill);
  const reads = new Map(view.reads);
  const localBit = local === undefined ? 0 : owner.bits.of(`local ${local}`);
  view.place(mark, (found, frames, block, instance) => {
    const own = frames[spot.scope.index] as Frame;
    const ownerFrame =
      local === undefined ? (frames[owner.index] as Frame) : derived(frames[owner.index] as Frame);
    let side = -1;
    let inner: Block | undefined;
    const show = (): void => {
      if (local !== undefined && ownerFrame.at && own.at) {
        ownerFrame.at = [...ownerFrame.at];
        ownerFrame.at[inside.depth] = `${own.at[spot.depth] ?? ''}s${node.number}`;
      }
      if (local !== undefined)
        ownerFrame.locals[local] = core ? core.get(frames[spot.scope.index] as Frame) : node.data;
      const next = own.fills[node.slot]?.isFilled(ownerFrame) === false ? 0 : 1;
      if (next === side) return;
      side = next;
      inner?.remove();
      const innerFrames = [...frames];
      innerFrames[owner.index] = ownerFrame;
      inner = (views[side] as View).mount(found, innerFrames, instance);
    };
    show();
    if (dataBits !== 0) {
      const run = (): void => {
        show();
        inner?.update(owner.index, localBit);
      };
      block.updaters.push({ scope: spot.scope.index, bits: dataBits, run });
    }
    if (bitsOfFill !== 0) block.updaters.push({ scope: owner.index, bits: bitsOfFill, run: show });
    forward(block, reads, (one, bits) => {
      if (local !== undefined && one === owner.index && (bits & owner.bits.locals) !== 0) {
        refresh(ownerFrame, frames[owner.index] as Frame, local, 1);
      }
      inner?.update(one, bits);
    });
  });
}

/** A frame with locals of its own, which start as those around it. */
export function derived(frame: Frame): Frame {
  const { name, props, fills, owner, site, at, state, shared, accepted } = frame;
  return { name, props, locals: frame.locals.slice(), fills, owner, site, at, state, shared, accepted };
}

/** Brings the locals of a derived frame in step with those around it, save its own. */
export function refresh(frame: Frame, around: Frame, own: number, count: number): void {
  for (let local = 0; local < around.locals.length; local++) {
    if (local < own || local >= own + count) frame.locals[local] = around.locals[local];
  }
}
