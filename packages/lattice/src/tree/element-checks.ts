import { htmlTags, svgTags } from '../generated/tags.js';
import { attributesIn, mergedAttributes, type PlanElement, type PlanNode } from '../plan/index.js';
import { type Finding, finding } from '../problem/index.js';
import { type Report, withSource } from '../template/index.js';
import { mathTags, unknownAttribute, unknownTag } from './attribute-names.js';
import { attributeValueFault } from './attribute-values.js';
import type { TreeBuilder } from './build.js';
import { childrenFault, misplacedElement } from './conforming.js';
import { misspeltEvent } from './event-names.js';
import { knownValue } from './known.js';
import { elementMisfit, type Misfit, openName } from './nesting.js';
import { madeId, type Spot, type TreeScope } from './scope.js';

/** Follows an element: its names, where it stands, its ids, what stands in it. */
export function followElement(node: PlanElement, scope: TreeScope, spot: Spot, builder: TreeBuilder): void {
  const say: Report = (found) => builder.report(withSource(found, node), scope.path);
  const tag = knownTag(node, scope);
  const tags = tag === undefined ? node.tags : [tag];
  const own = scope.accepted ? attributesIn(node, scope.component) : node.attributes;
  const attributes = mergedAttributes(own, scope.accepted, tags, say);
  if (typeof node.tag === 'string') checkNames(node, say);
  if (tag !== undefined) {
    const misfit = (open: readonly string[]) => elementMisfit(tag, open);
    builder.misfit(misfit, `<${tag}>`, scope, spot.open, node);
    const misplaced = misfit(spot.open)
      ? undefined
      : misplacedElement(tag, (one) => hasAttribute(one, attributes), spot.open);
    if (misplaced) say(misplaced);
    const order = childrenFault(tag, namesIn(node.content.nodes));
    if (order) say(order);
    if (
      tag === 'iframe' &&
      !hasAttribute('title', attributes) &&
      !attributes.some(({ kind }) => kind === 'accepted')
    )
      say(finding('frame-unnamed', {}));
  } else if (node.tags) checkAll(node.tags, node, scope, spot, builder);
  if (tag === 'label' && !attributes.some(({ kind }) => kind === 'accepted')) {
    const label = labelFault(hasAttribute('for', attributes), controlsIn(node.content.nodes));
    if (label) say(label);
  }
  builder.elements.push({ tag: tag ?? unknownName(node, scope), open: spot.open });
  builder.ids.element(
    tag ?? '?',
    attributes,
    (core) => knownValue(core, scope),
    (core) => madeId(core, scope),
    {
      where: scope.path,
      branches: spot.branches,
      repeats: spot.repeats,
      place: node.place,
      root: scope.root,
    },
  );
  if (tag === 'script' || tag === 'style') return;
  const open = [...spot.open, tag === undefined ? unknownName(node, scope) : openName(tag, spot.open)];
  builder.nodes(node.content, scope, { ...spot, open, outlines: false });
}

/** The tags of the elements in an element; `?` for what may be any. */
function namesIn(nodes: readonly PlanNode[]): readonly string[] {
  return nodes.flatMap((node) => {
    if (node.kind === 'text' || node.kind === 'value') return [];
    return node.kind === 'element' && typeof node.tag === 'string' ? [node.tag] : ['?'];
  });
}

/** What a label may be of (https://html.spec.whatwg.org/#category-label); of elements from elsewhere it is not known. */
export const isLabelable = (tag: string): boolean =>
  /^(?:button|input|meter|output|progress|select|textarea)$|-/.test(tag);

/** What is wrong with a label: it is of no control, or of several. */
export function labelFault(namesOne: boolean, controls: readonly string[]): Finding | undefined {
  const [first, second] = controls;
  if (first === undefined) return namesOne ? undefined : finding('label-unbound', {});
  if (second === undefined || first.includes('-') || first === '?') return undefined;
  return finding('element-misplaced', {
    tag: second,
    place: `in a <label> that has a <${first}>`,
    hint: 'A label has one control. Write a label for each (https://html.spec.whatwg.org/#the-label-element).',
  });
}

/** The controls in a label; `?` for what may be one. */
function controlsIn(nodes: readonly PlanNode[]): readonly string[] {
  return nodes.flatMap((node): readonly string[] => {
    switch (node.kind) {
      case 'element':
        if (typeof node.tag !== 'string') return ['?'];
        return isLabelable(node.tag) ? [node.tag] : controlsIn(node.content.nodes);
      case 'given':
        // One of the two is there.
        return [...controlsIn(node.content.nodes), ...controlsIn(node.otherwise.nodes)].slice(0, 1);
      case 'text':
      case 'value':
        return [];
      default:
        return ['?'];
    }
  });
}

/** Whether an attribute is there; `hidden` stands for the type of a control that nobody sees. */
function hasAttribute(name: string, attributes: PlanElement['attributes']): boolean {
  return attributes.some((one) => {
    if (one.kind !== 'fixed' && one.kind !== 'value') return false;
    return name === 'hidden'
      ? one.kind === 'fixed' && one.name === 'type' && one.text === 'hidden'
      : one.name === name;
  });
}

/** An element that may be any among the open ones; of one that a prop of an open root chooses, with the prop's number. */
function unknownName({ tag }: PlanElement, { isOpen }: TreeScope): string {
  return isOpen && typeof tag !== 'string' && tag.op.op === 'prop' ? `?${tag.op.index}` : '?';
}

/** The tag, as far as what is known says it. */
function knownTag({ tag }: PlanElement, scope: TreeScope): string | undefined {
  if (typeof tag === 'string') return tag;
  const known = knownValue(tag, scope);
  return typeof known === 'string' ? known : undefined;
}

/** One of several tags: a problem where none of them could stand. */
function checkAll(
  tags: readonly string[],
  node: PlanElement,
  scope: TreeScope,
  spot: Spot,
  builder: TreeBuilder,
): void {
  const misfit = (open: readonly string[]): Misfit | undefined => {
    const misfits = tags.map((tag) => elementMisfit(tag, open));
    return misfits.every((one) => one !== undefined) ? misfits[0] : undefined;
  };
  builder.misfit(misfit, `<${tags[0]}>`, scope, spot.open, node);
}

/** Names that no element, or not this one, has. Foreign and custom elements may have any. */
function checkNames({ tag, attributes, old }: PlanElement, say: Report): void {
  if (
    typeof tag !== 'string' ||
    tag.includes('-') ||
    (svgTags.has(tag) && !htmlTags.has(tag)) ||
    mathTags.has(tag)
  )
    return;
  const unknown = unknownTag(tag);
  if (unknown) return say(unknown);
  for (const one of attributes) {
    const misspelt = one.kind === 'listener' ? misspeltEvent(tag, one.type) : undefined;
    if (misspelt) say(misspelt);
    const name = one.kind === 'fixed' || one.kind === 'value' ? one.name : one.kind === 'none' ? one.key : '';
    const found = name === '' || old?.includes(name) ? undefined : unknownAttribute(tag, name);
    if (found) say(found);
    const fault = one.kind === 'fixed' ? attributeValueFault(tag, one.name, one.text) : undefined;
    if (fault) say(fault);
  }
}
