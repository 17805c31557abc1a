import {
  type ComponentCore,
  isHostAttribute,
  propsByAttribute,
  type SlotContent,
  UseNode,
} from '../../component/index.js';
import { isInteractive } from '../../plan/index.js';
import { suggest } from '../../problem/index.js';
import {
  type Content,
  deeper,
  type ExprCore,
  isBlank,
  localExpr,
  trimmedEnd,
  trimmedStart,
} from '../../template/index.js';
import { hasHole } from '../syntax/holes.js';
import type { MarkupAttribute, MarkupElement, MarkupNode } from '../syntax/nodes.js';
import { attributesOf, listeners, namesNodes, nodePlace, propValue } from './attributes.js';
import { attributeOf, isDirective, nameIn } from './directives.js';
import type { Locals } from './names.js';
import type { TextReading } from './reading.js';

/** A component's tag: its attributes are props, what stands between its tags goes to its slots. */
export function useContent(
  node: MarkupElement,
  component: ComponentCore,
  locals: Locals,
  reading: TextReading,
): Content {
  const props = propsOf(node, component, locals, reading);
  const slots = slotsOf(node.children, component, locals, reading);
  return reading.written(node, () => new UseNode(component, props, undefined, useContent, slots));
}

function propsOf(
  node: MarkupElement,
  component: ComponentCore,
  locals: Locals,
  reading: TextReading,
): Record<string, unknown> {
  const byAttribute = propsByAttribute(component);
  // Without a prototype, so that no name means anything but itself.
  const props: Record<string, unknown> = Object.create(null);
  for (const attribute of node.attributes) {
    if (hasHole(attribute.name)) continue;
    const index = byAttribute.get(attribute.name);
    if (index !== undefined) {
      props[component.props.names[index] ?? ''] = propValue(attribute, component, index, locals, reading);
    } else if (
      attribute.name === 'handles' &&
      (component.accepts !== undefined || isInteractive(component))
    ) {
      props.on = listeners(attribute, locals, reading);
    } else if (attribute.name === 'node' && namesNodes(reading) && isInteractive(component)) {
      props.node = nodePlace(attribute, locals, reading);
    } else if (attribute.name === 'handles' || attribute.name === 'bind') {
      reading.report(
        'directive-invalid',
        {
          fault: `${attribute.name} cannot stand on <${node.tag}>, ${attribute.name === 'bind' ? 'which is no form control' : 'which leaves no element of that name in the page'}`,
          hint:
            attribute.name === 'bind'
              ? 'Hand the state over as a prop, and listen to an event: handles="changed: set(event.detail)".'
              : 'Put it on an element around the component: events bubble up to there.',
        },
        attribute.at,
      );
    } else if (component.accepts !== undefined || isHostAttribute(attribute.name, component)) {
      Object.assign(props, attributesOf({ ...node, attributes: [attribute] }, locals, reading));
    } else {
      const hint = suggest(attribute.name, [...byAttribute.keys()], 'prop');
      reading.report('prop-unknown', { component: component.name, prop: attribute.name, hint }, attribute.at);
    }
  }
  return props;
}

/**
 * Sorts content by the slot it names; what names none is the default slot's. White space at the ends of what a slot
 * is given is the source's own layout and is dropped.
 */
function slotsOf(
  children: readonly MarkupNode[],
  component: ComponentCore,
  locals: Locals,
  reading: TextReading,
): Readonly<Record<string, SlotContent>> {
  const bySlot = new Map<string, MarkupNode[]>();
  let last = 'default';
  for (const child of children) {
    const slot = child.kind === 'element' ? attributeOf(child, 'slot') : undefined;
    // What stands otherwise goes where the condition before it goes.
    const isRest = isDirective(child) && attributeOf(child, 'otherwise') !== undefined;
    const isSpace = child.kind === 'text' && isBlank(child.text);
    const name = slot ? slot.value || 'default' : isRest ? last : 'default';
    if (!isSpace) last = name;
    bySlot.set(name, [...(bySlot.get(name) ?? []), child]);
  }
  const slots: Record<string, SlotContent> = Object.create(null);
  for (const [name, nodes] of bySlot) {
    const given = trimmed(nodes);
    // A comment alone is nothing to fill a slot with.
    if (given.every((node) => node.kind === 'comment' || isSpace(node))) continue;
    slots[name] = slotContent(given, name, component, locals, reading);
  }
  return slots;
}

function trimmed(nodes: readonly MarkupNode[]): readonly MarkupNode[] {
  const kept = [...nodes];
  while (isSpace(kept[0])) kept.shift();
  while (isSpace(kept.at(-1))) kept.pop();
  const [first] = kept;
  if (first?.kind === 'text') {
    const lead = first.text.length - trimmedStart(first.text).length;
    kept[0] = { ...first, text: first.text.slice(lead), at: first.at };
  }
  const last = kept.at(-1);
  if (last?.kind === 'text') kept[kept.length - 1] = { ...last, text: trimmedEnd(last.text) };
  return kept;
}

function isSpace(node: MarkupNode | undefined): boolean {
  return node?.kind === 'text' && isBlank(node.text);
}

function slotContent(
  nodes: readonly MarkupNode[],
  name: string,
  component: ComponentCore,
  locals: Locals,
  reading: TextReading,
): SlotContent {
  const wrapper = nodes.find((node) => takesData(node));
  if (wrapper) {
    // Each for some of the data, or one for all of it.
    const isApart = isDirective(wrapper);
    const stray = nodes.find((node) =>
      isApart ? !isSpace(node) && !(isDirective(node) && fitsBeside(node)) : node !== wrapper,
    );
    if (stray) {
      reading.report(
        'directive-invalid',
        {
          fault: `The slot "${name}" of ${component.name} is given data content and other content side by side`,
          hint: 'Put everything into the one <template slot="…" as="…">, or give each of them a condition: given="…".',
        },
        stray.at,
      );
    }
    return deeper(1, (local) => {
      const kind = component.slots.kinds[component.slots.at.get(name) ?? -1]?.item;
      const handed = (as: MarkupAttribute): readonly [string, ExprCore] => {
        const label = nameIn(as, reading) ?? 'data';
        const core = localExpr(local, label, 'data');
        if (kind) reading.kinds.set(core, kind);
        return [label, core];
      };
      const named = nodes.flatMap((node) => (takesData(node) ? (attributeOf(node, 'as') ?? []) : []));
      const inside: Locals = new Map([...locals, ...named.map(handed)]);
      const content = isApart ? nodes.map((node) => without(node, 'slot', 'as')) : childrenOf(wrapper);
      return { content: reading.content(content, inside), data: local };
    });
  }
  const content = nodes.flatMap((node): readonly MarkupNode[] => {
    if (node.kind !== 'element') return [node];
    // A plain template only names the slot: what stands in it is the content.
    if (isFiller(node) && !isDirective(node)) return node.children;
    return [without(node, 'slot')];
  });
  return { content: reading.content(content, locals), data: undefined };
}

/** Whether a node is a template whose content takes what a slot passes. */
function takesData(node: MarkupNode): boolean {
  return (
    isFiller(node) && attributeOf(node, 'as') !== undefined && attributeOf(node, 'each-of') === undefined
  );
}

/** Whether a directive may stand beside a template with a condition that takes what a slot passes. */
function fitsBeside(node: MarkupNode): boolean {
  return takesData(node) || attributeOf(node, 'otherwise') !== undefined;
}

function childrenOf(node: MarkupNode): readonly MarkupNode[] {
  return node.kind === 'element' ? node.children : [];
}

function without(node: MarkupNode, ...names: readonly string[]): MarkupNode {
  if (node.kind !== 'element') return node;
  return { ...node, attributes: node.attributes.filter(({ name }) => !names.includes(name)) };
}

function isFiller(node: MarkupNode): node is MarkupElement {
  return node.kind === 'element' && node.tag === 'template' && attributeOf(node, 'slot') !== undefined;
}
