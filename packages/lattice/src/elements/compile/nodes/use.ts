import {
  type Block,
  dissolvedContent,
  filledCore,
  fillsWithData,
  givenHere,
  hostAttributesIn,
  hostContent,
  inspecting,
  isInteractive,
  mergedAttributes,
  type PlanFill,
  type PlanUse,
  planOf,
  standsApart,
} from '../../../plan/index.js';
import { noting } from '../../inspected.js';
import { buildAttributes } from '../attributes.js';
import { CompiledBinding, Constant, call, FillTest, InPage, ViewOnDemand } from '../call.js';
import { Dependencies, maskOf, readsOf } from '../dependencies.js';
import type { Common, Level, Spot } from '../level.js';
import { compiledProp } from '../props.js';
import { type Around, StaticElement } from '../static.js';
import { CompiledView, own } from '../view.js';
import { addMarks } from './element.js';

/** A use: an element of its own where the component has something to do in a page, else its template in place. */
export function buildUse(node: PlanUse, parent: Around, view: CompiledView, spot: Spot): void {
  if (isInteractive(node.component)) return buildHost(node, parent, view, spot);
  if (standsApart(node.component)) return buildLater(node, parent, view, spot);
  buildInPlace(node, parent, view, spot);
}

function buildInPlace(node: PlanUse, parent: Around, view: CompiledView, spot: Spot): void {
  const level = enter(node, view, spot);
  view.common.nodes(dissolvedContent(node.component).nodes, parent, view, { ...spot, level, depth: 0 });
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
    accepted: givenHere(node, owner),
  };
  if (component.styles !== '') view.common.styled.add(component);
  const changing = node.props.flatMap(({ expr }, at) =>
    expr ? [{ at, get: expr, prop: compiledProp(component, at, level.dependencies) }] : [],
  );
  // Only a component that asks whether its slots are filled has to know.
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

/** A component that may hold itself, or much: its view is made when it is really there. */
function buildLater(node: PlanUse, parent: Around, view: CompiledView, spot: Spot): void {
  const everything = own(spot.level, ~0);
  view.note(everything);
  noteUse(node, view.common);
  const later = new ViewOnDemand(() => {
    const inner = new CompiledView(view.common);
    inner.mark(inner);
    buildInPlace(node, inner, inner, spot);
    return inner;
  });
  const mark = view.mark(parent);
  view.part(mark, new InPage(call('later', later, everything), 'a component that may hold itself, or much'));
}

/** Takes note of all that is going to stand in a view that is made later: the element has to be ready for it. */
function noteUse(node: PlanUse, common: Common): void {
  const { component } = node;
  for (const fill of node.fills) if (fill) noteBlock(fill.block, common);
  if (isInteractive(component)) {
    common.uses.add(component);
    if (fillsWithData(node)) common.fillsOthers = true;
    return;
  }
  if (common.noted.has(component)) return;
  common.noted.add(component);
  if (component.styles !== '') common.styled.add(component);
  noteBlock(planOf(component).content, common);
}

function noteBlock(block: Block, common: Common): void {
  for (const use of block.uses) noteUse(use, common);
  common.hasForms = true;
  if (block.some((node) => node.kind === 'element' && node.attributes.some(({ kind }) => kind === 'style')))
    common.hasStyles = true;
}

/** A component that stays an element: its props go to it as properties, its content as its children. */
function buildHost(node: PlanUse, parent: Around, view: CompiledView, spot: Spot): void {
  const { component } = node;
  const { level } = spot;
  const host = view.add(parent, new StaticElement(component.name));
  view.common.uses.add(component);
  const given = level.accepted ? hostAttributesIn(node, level.component) : node.own;
  const own = mergedAttributes(given, level.accepted ?? [], [component.name], () => undefined);
  buildAttributes(own, host, view, level);
  addMarks(node, host, level, own);
  if (inspecting.isOn) view.part(host, new InPage(new Constant(noting(level.index, node.site))));
  view.common.nodes(hostContent(node), host, view, { ...spot, isSvg: false });
  for (const [at, fill] of node.fills.entries())
    if (fill?.data !== undefined)
      buildFilling(fill, fill.data, component.slots.names[at] as string, host, view, spot);
  for (const { expr, name, from, value } of node.props) {
    if (!expr && from !== 'given') continue;
    const mask = expr ? maskOf(expr, level) : 0;
    view.note(expr ? readsOf([expr], level) : []);
    const get = expr ?? call('always', new Constant(value));
    view.part(host, new CompiledBinding(get, call('property', name), mask, level.index));
  }
}

/** Content of a slot that passes data, as a function of the element: it makes a block for each piece of data. */
function buildFilling(
  { block }: PlanFill,
  local: number,
  name: string,
  host: StaticElement,
  view: CompiledView,
  spot: Spot,
): void {
  const { level } = spot;
  const content = view.common.view(block.nodes, { ...spot, depth: spot.depth + 1 });
  const filled = block.filled === true ? [] : [filledCore(block.filled)];
  content.note(readsOf(filled, level));
  const reads = view.noteViews(content);
  view.common.fillsOthers = true;
  view.part(host, call('filling', name, local, content, level.index, reads, spot.depth + 1, ...filled));
}
