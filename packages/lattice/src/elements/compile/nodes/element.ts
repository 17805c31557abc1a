import {
  attributesIn,
  elementMarks,
  inspecting,
  markIn,
  mergedAttributes,
  type PlanAttribute,
  type PlanElement,
  type PlanUse,
} from '../../../plan/index.js';
import { type Core, isChangingTag } from '../../../template/index.js';
import { noting } from '../../inspected.js';
import { buildAttributes } from '../attributes.js';
import { Constant, call, InPage, ViewOnDemand } from '../call.js';
import { maskOf } from '../dependencies.js';
import type { Level, Spot } from '../level.js';
import { type Around, StaticElement } from '../static.js';
import { CompiledView, own } from '../view.js';

/** An element: made once with its constant attributes; the others are dynamic parts. */
export function buildElement(node: PlanElement, parent: Around, view: CompiledView, spot: Spot): void {
  if (typeof node.tag === 'string') buildTag(node.tag, node, parent, view, spot);
  else buildChanging(node, node.tag, parent, view, spot);
}

function buildTag(tag: string, node: PlanElement, parent: Around, view: CompiledView, spot: Spot): void {
  const { level } = spot;
  if (tag === 'form') view.common.hasForms = true;
  if (tag === 'output' && node.content.nodes.length > 0) view.common.hasOutputs = true;
  const element = view.add(parent, new StaticElement(tag, spot.isSvg || tag === 'svg'));
  const attributes = attributesHere(node, [tag], level);
  const isProperty = ({ kind }: PlanAttribute): boolean => kind === 'property';
  buildAttributes(
    attributes.filter((one) => !isProperty(one)),
    element,
    view,
    level,
  );
  addMarks(node, element, level, attributes);
  if (inspecting.isOn) view.part(element, new InPage(new Constant(noting(level.index))));
  const staysSvg = tag === 'svg' || (spot.isSvg && tag !== 'foreignObject');
  view.common.nodes(node.content.nodes, element, view, { ...spot, isSvg: staysSvg });
  // They may be of the content, such as which option is chosen.
  buildAttributes(attributes.filter(isProperty), element, view, level);
}

/** An element's attributes with those that the use of its component gives to it. */
function attributesHere(node: PlanElement, tags: readonly string[], level: Level): readonly PlanAttribute[] {
  const { accepted, component } = level;
  const own = accepted ? attributesIn(node, component) : node.attributes;
  return mergedAttributes(own, accepted ?? [], tags, () => undefined);
}

/** The marks by which the rules of who wrote an element, or gave attributes to it, find it. */
export function addMarks(
  node: PlanElement | PlanUse,
  element: StaticElement,
  { component, use }: Level,
  attributes: readonly PlanAttribute[],
): void {
  for (const [name, value] of elementMarks(component, node, use === undefined, markIn(attributes)))
    element.attributes.set(name, value);
}

/** An element whose tag is known only in the page: it is made anew when the tag changes. */
function buildChanging(node: PlanElement, tag: Core, parent: Around, view: CompiledView, spot: Spot): void {
  const { level } = spot;
  const mask = maskOf(tag, level);
  const made = new Map<string, CompiledView>();
  const viewFor = (name: string): CompiledView => {
    let one = made.get(name);
    if (!one) {
      one = new CompiledView(view.common);
      buildTag(name, node, one, one, spot);
      made.set(name, one);
    }
    return one;
  };
  view.note(own(level, mask));
  const mark = view.mark(parent);
  const tags = node.tags?.filter(isChangingTag);
  if (tags) {
    const views = Object.fromEntries(tags.map((name) => [name, viewFor(name)]));
    const reads = view.noteViews(...Object.values(views));
    return view.part(mark, call('changing', tag, mask, level.index, views, reads));
  }
  // One is made ahead to know what its content reads.
  const reads = view.noteViews(viewFor('div'));
  const any = new ViewOnDemand((name) => (isChangingTag(name) ? viewFor(name) : undefined));
  view.part(
    mark,
    new InPage(call('changing', tag, mask, level.index, any, reads), 'an element whose tag is calculated'),
  );
}
