import type { ComponentCore } from '../../../component/index.js';
import {
  filledCore,
  hostContent,
  isInteractive,
  mergedAttributes,
  type PlanFill,
  type PlanUse,
  planOf,
} from '../../../plan/index.js';
import { buildAttributes } from '../attributes.js';
import { Constant, call, FillTest, InPage, ViewOnDemand } from '../call.js';
import { Dependencies, maskOf, readsOf } from '../dependencies.js';
import type { Level, Spot } from '../level.js';
import { compiledProp } from '../props.js';
import { type Around, StaticElement } from '../static.js';
import { type CompiledView, own } from '../view.js';

/** A use: an element of its own where the component has something to do in a page, else its template in place. */
export function buildUse(node: PlanUse, parent: Around, view: CompiledView, spot: Spot): void {
  if (isInteractive(node.component)) return buildHost(node, parent, view, spot);
  if (isInside(spot.level, node.component)) return buildLater(node, parent, view, spot);
  const level = enter(node, view, spot);
  view.common.nodes(planOf(node.component).content.nodes, parent, view, { ...spot, level, depth: 0 });
}

function isInside(level: Level | undefined, component: ComponentCore): boolean {
  for (let one = level; one; one = one.use?.owner) if (one.use?.node.component === component) return true;
  return false;
}

/** Makes the level of a use: a scope of its own, kept in step with what the use's props read. */
function enter(node: PlanUse, view: CompiledView, spot: Spot): Level {
  const { component, site } = node;
  const owner = spot.level;
  const { content } = planOf(component);
  const level: Level = {
    index: view.common.next++,
    component,
    dependencies: new Dependencies(),
    use: { node, owner, depth: spot.depth },
    accepted:
      node.accepted && mergedAttributes(node.accepted, owner.accepted ?? [], undefined, () => undefined),
  };
  if (component.styles !== '') view.common.styled.add(component);
  const changing = node.props.flatMap(({ expr }, at) =>
    expr ? [{ at, get: expr, prop: compiledProp(component, at, level.dependencies) }] : [],
  );
  // Only who asks whether its slots are filled has to be told.
  const asked = content.asksForSlots ? node.fills : [];
  const of = {
    name: component.name,
    level: level.index,
    owner: owner.index,
    depth: spot.depth,
    site: new Constant({ path: site.path.map(({ name, nth, rows }) => ({ name, nth, rows })), id: site.id }),
    values: new Constant(node.props.map((prop) => prop.value)),
    changing,
    fills: asked.map(
      (fill) => fill && new FillTest(filledCore(fill.data !== undefined || fill.block.filled)),
    ),
  };
  const mask = changing.reduce((all, { get }) => all | maskOf(get, owner), 0);
  const fills = asked.flatMap((fill, at) => {
    const filled =
      fill && fill.data === undefined && typeof fill.block.filled !== 'boolean'
        ? maskOf(fill.block.filled, owner)
        : 0;
    const slotMask = level.dependencies.of(`slot ${component.slots.names[at]}`);
    return filled === 0 ? [] : [[filled, slotMask] as const];
  });
  view.note(
    own(
      owner,
      fills.reduce((all, [filled]) => all | filled, mask),
    ),
  );
  // Before all that reads the scope: parts are attached in the order they are compiled.
  view.part(view, call('innerScope', of, mask, fills));
  return level;
}

/** A component inside itself: its view is made when the first one is really there. */
function buildLater(node: PlanUse, parent: Around, view: CompiledView, spot: Spot): void {
  const everything = own(spot.level, ~0);
  view.note(everything);
  const later = new ViewOnDemand(() => laterView(node, view, spot));
  const mark = view.mark(parent);
  view.part(mark, new InPage(call('later', later, everything), 'a component inside itself'));
}

function laterView(node: PlanUse, view: CompiledView, spot: Spot): CompiledView {
  // Entered as if it stood outside: the next one inside is made later again.
  const { level } = spot;
  const outside: Level = {
    ...level,
    use: level.use && { ...level.use, node: { ...level.use.node, component: nobody } },
  };
  return view.common.view([node], { ...spot, level: cutAbove(outside, node.component) });
}

/** Stands for a component that is nobody's. */
const nobody = {} as ComponentCore;

function cutAbove(level: Level, component: ComponentCore): Level {
  const { use } = level;
  if (!use) return level;
  const node = use.node.component === component ? { ...use.node, component: nobody, filled: true } : use.node;
  return { ...level, use: { ...use, node, owner: cutAbove(use.owner, component) } };
}

/** A component that stays an element: its props go to it as properties, its content as its children. */
function buildHost(node: PlanUse, parent: Around, view: CompiledView, spot: Spot): void {
  const { component } = node;
  const { level } = spot;
  const host = view.add(parent, new StaticElement(component.name));
  view.common.uses.add(component);
  buildAttributes(node.own, host, view, level);
  view.common.nodes(hostContent(node), host, view, { ...spot, isSvg: false });
  for (const [at, fill] of node.fills.entries())
    if (fill?.data !== undefined)
      buildFilling(fill, fill.data, component.slots.names[at] as string, host, view, spot);
  for (const { expr, name, from, value } of node.props) {
    if (!expr && from !== 'given') continue;
    const mask = expr ? maskOf(expr, level) : 0;
    view.note(expr ? readsOf([expr], level) : []);
    const get = expr ?? call('always', new Constant(value));
    view.part(host, call('property', name, get, mask, level.index));
  }
}

/** Content of a slot that hands data, as a function of the element: it makes a block for each piece of data. */
function buildFilling(
  { block }: PlanFill,
  local: number,
  name: string,
  host: StaticElement,
  view: CompiledView,
  spot: Spot,
): void {
  const content = view.common.view(block.nodes, { ...spot, depth: spot.depth + 1 });
  const reads = view.noteViews(content);
  view.common.fillsOthers = true;
  view.part(host, call('filling', name, local, content, spot.level.index, reads, spot.depth + 1));
}
