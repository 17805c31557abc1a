import type { ComponentCore } from '../../../component/index.js';
import { alwaysPlaces, isInteractive, type PlanFill, type PlanUse, planOf } from '../../../tree/index.js';
import { type Attach, update } from '../../live/block.js';
import { forward, mount } from '../../live/move.js';
import type { View } from '../../live/view.js';
import { Bits } from '../bits.js';
import { buildAll, draftOf } from '../build.js';
import { Constant, call, InPage } from '../call.js';
import type { Draft, Scope, Spot } from '../draft.js';
import { FillTest } from '../fill-test.js';
import { filledBits } from '../filled-bits.js';
import { liveView } from '../live-view.js';
import { draftProp } from '../props.js';
import { type Around, SketchElement } from '../sketch.js';
import { getterOf } from './getter.js';

/** A use: an element of its own where the component has something to do in a page, else its template in place. */
export function buildUse(node: PlanUse, parent: Around, view: Draft, spot: Spot): void {
  if (isInteractive(node.component)) return buildHost(node, parent, view, spot);
  if (isInside(spot.scope, node.component)) return buildLater(node, parent, view, spot);
  const scope = enter(node, view, spot);
  buildAll(planOf(node.component).content, parent, view, { ...spot, scope, depth: 0, isOutermost: true });
}

function isInside(scope: Scope | undefined, component: ComponentCore): boolean {
  for (let one = scope; one; one = one.use?.owner) if (one.use?.node.component === component) return true;
  return false;
}

/** Makes the scope of a use: a frame of its own, kept in step with what the use's props read. */
function enter(node: PlanUse, view: Draft, spot: Spot): Scope {
  const { component, site } = node;
  const owner = spot.scope;
  const scope: Scope = {
    index: view.common.next++,
    component,
    bits: new Bits(),
    use: { node, owner, depth: spot.depth },
    mark: component.styles === '' ? undefined : component.name,
  };
  if (component.styles !== '') view.common.styled.add(component);
  const changing = node.props.flatMap(({ expr }, at) =>
    expr ? [{ at, get: expr, prop: draftProp(component, at, scope.bits) }] : [],
  );
  const of = {
    name: component.name,
    scope: scope.index,
    owner: owner.index,
    depth: spot.depth,
    site: new Constant(site),
    values: new Constant(node.props.map((prop) => prop.value)),
    changing,
    fills: node.fills.map((fill) => fill && new FillTest(fill)),
  };
  const bits = changing.reduce((all, { get }) => all | owner.bits.read(get), 0);
  const fills = node.fills.flatMap((fill, at) => {
    const filled = fill && !alwaysPlaces(fill) ? filledBits(fill.content, owner) : 0;
    return filled === 0 ? [] : [[filled, scope.bits.of(`slot ${component.slots.names[at]}`)] as const];
  });
  view.note(
    owner.index,
    fills.reduce((all, [filled]) => all | filled, bits),
  );
  // Before all that reads the frame: places are taken in the order they are drafted.
  view.place(view, call('innerFrame', of, bits, fills));
  return scope;
}

/** A component inside itself: its view is made when the first one is really there. */
function buildLater(node: PlanUse, parent: Around, view: Draft, spot: Spot): void {
  const everything = ~0;
  const { index } = spot.scope;
  view.note(index, everything);
  const attach = (): Attach => {
    let later: View | undefined;
    return (mark, frames, block, instance) => {
      later ??= liveView(laterDraft(node, view, spot));
      const inner = mount(later, mark, [...frames], instance);
      forward(block, [[index, everything]], (one, bits) => update(inner, one, bits));
    };
  };
  view.place(view.mark(parent), new InPage(attach, 'a component inside itself'));
}

function laterDraft(node: PlanUse, view: Draft, spot: Spot): Draft {
  // Entered as if it stood outside: the next one inside is made later again.
  const owner: Scope = {
    ...spot.scope,
    use: spot.scope.use && { ...spot.scope.use, node: { ...spot.scope.use.node, component: nobody } },
  };
  return draftOf([node], view.common, { ...spot, scope: cutAbove(owner, node.component) });
}

/** Stands for a component that is nobody's. */
const nobody = {} as ComponentCore;

function cutAbove(scope: Scope, component: ComponentCore): Scope {
  const { use } = scope;
  if (!use) return scope;
  const own = use.node.component === component ? { ...use.node, component: nobody } : use.node;
  return { ...scope, use: { ...use, node: own, owner: cutAbove(use.owner, component) } };
}

/** A component that stays an element: its props go to it as properties, its content as its children. */
function buildHost(node: PlanUse, parent: Around, view: Draft, spot: Spot): void {
  const { component } = node;
  const host = view.add(parent, new SketchElement(component.name));
  view.common.uses.add(component);
  buildFills(node, host, view, spot);
  const owner = spot.scope;
  for (const { expr, name, from, value } of node.props) {
    if (!expr && from !== 'given') continue;
    const bits = expr ? owner.bits.read(expr) : 0;
    view.note(owner.index, bits);
    view.place(host, call('property', name, getterOf(expr ?? value), bits, owner.index));
  }
}

/** Content of an element's slots. Text for a named slot needs an element to say which; it has no box of its own. */
function buildFills(node: PlanUse, host: SketchElement, view: Draft, spot: Spot): void {
  const inside = { ...spot, isOutermost: false };
  for (const [at, fill] of node.fills.entries()) {
    const name = node.component.slots.names[at] as string;
    if (!fill) continue;
    if (fill.data !== undefined) buildFiller(fill, fill.data, name, host, view, spot);
    else if (name === 'default') buildAll(fill.content, host, view, inside);
    else if (fill.content.every((one) => one.kind === 'element' && typeof one.tag === 'string')) {
      const before = host.content.length;
      buildAll(fill.content, host, view, inside);
      for (const child of host.content.slice(before))
        if (child instanceof SketchElement) child.attributes.set('slot', name);
    } else {
      const home = view.add(host, new SketchElement('span'));
      home.attributes.set('style', 'display: contents;');
      buildAll(fill.content, home, view, inside);
      home.attributes.set('slot', name);
    }
  }
}

/** Content of a slot that hands data, as a function of the element: it makes a block for each piece of data. */
function buildFiller(
  fill: PlanFill,
  local: number,
  name: string,
  host: SketchElement,
  view: Draft,
  spot: Spot,
): void {
  const content = draftOf(fill.content, view.common, { ...spot, depth: spot.depth + 1, isOutermost: true });
  const reads = view.noteAll(content);
  view.place(host, call('filling', name, local, content, spot.scope.index, reads));
}
