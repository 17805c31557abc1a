import type { DefaultTreeAdapterTypes } from 'parse5';
import {
  attributeOf,
  type ComponentCore,
  component,
  type KindWord,
  kindFacts,
  propsByAttribute,
  readText,
  slot,
  type UseNode,
} from 'zesty-lattice/internal/component';
import { escapeAttribute, renderHtml } from 'zesty-lattice/internal/html';
import { readFragment } from 'zesty-lattice/internal/markup';
import type { Content } from 'zesty-lattice/internal/template';
import { isUse } from 'zesty-lattice/internal/tree';
import type { Given } from './facts.js';

type ParsedElement = DefaultTreeAdapterTypes.Element;

/** What the data of a slot is called in its text where nothing else is said. */
const dataName = 'data';

/**
 * A use as HTML text, from what it is given.
 *
 * @example useText(core, { props: { title: 'Dunlight', rare: true }, slots: { badge: '<b>New</b>' } })
 * // '<variety-card title="Dunlight" rare><b slot="badge">New</b></variety-card>'
 */
export function useText(core: ComponentCore, { names = {}, others = {}, props, slots }: Given): string {
  const attributes = [
    ...Object.entries(props).map(([name, value]) => attributeText(core, name, value)),
    ...Object.entries(others).map(([name, value]) => written(name, value)),
  ];
  const content = Object.entries(slots)
    .filter(([, text]) => text.trim() !== '')
    .map(([name, text]) => slotText(core, name, text, names[name]));
  const inside = content.length > 1 ? content.map((one) => `\n  ${one}`).join('') : (content[0] ?? '');
  return `<${core.name}${attributes.join('')}>${inside}${content.length > 1 ? '\n' : ''}</${core.name}>`;
}

const written = (name: string, value: string): string =>
  value === '' ? ` ${name}` : ` ${name}="${escapeAttribute(value)}"`;

function attributeText({ props }: ComponentCore, name: string, value: unknown): string {
  const attribute = attributeOf(name);
  if (value === null || value === undefined) return '';
  const word = props.kinds[props.at.get(name) ?? -1]?.rules.word;
  if (word === 'flag' && typeof value === 'boolean') return value ? ` ${attribute}` : '';
  const isText = typeof value === 'string' && word !== 'any';
  return ` ${attribute}="${escapeAttribute(isText ? value : JSON.stringify(value))}"`;
}

/** Content of a slot: each element names it; text of a slot with a name gets an element that does. */
function slotText({ slots }: ComponentCore, name: string, text: string, as = dataName): string {
  if (slots.kinds[slots.at.get(name) ?? -1]?.hands)
    return `<template slot="${escapeAttribute(name)}" as="${escapeAttribute(as)}">${text}</template>`;
  if (name === 'default') return text.trim();
  let out = '';
  let loose = '';
  const flush = (): void => {
    out += loose.trim() === '' ? loose : `<span${named(name)}>${loose.trim()}</span>`;
    loose = '';
  };
  for (const node of readFragment(text).childNodes) {
    const place = node.sourceCodeLocation;
    if (!place) continue;
    const from = text.slice(place.startOffset, place.endOffset);
    if (!('attrs' in node)) {
      loose += from;
      continue;
    }
    flush();
    // What names a slot already says where it goes.
    const isNamed = node.attrs.some((one) => one.name === 'slot');
    out += isNamed ? from : from.replace(/^<[^\s/>]+/, (tag) => `${tag}${named(name)}`);
  }
  flush();
  return out.trim();
}

const named = (slot: string): string => ` slot="${escapeAttribute(slot)}"`;

/**
 * What a component is given in HTML text that is one use of it, and nothing else; undefined where it is anything more.
 */
export function givenIn(
  text: string,
  components: ReadonlyMap<string, ComponentCore>,
): { readonly component: ComponentCore; readonly given: Given } | undefined {
  const nodes = readFragment(text).childNodes.filter(
    (node) => !('value' in node && node.value.trim() === ''),
  );
  const [node] = nodes;
  if (nodes.length !== 1 || !node || !('attrs' in node)) return undefined;
  const core = components.get(node.tagName);
  return core && { component: core, given: givenOf(node, text, core) };
}

/** What the tag of a component is given, in the text it is read from. */
export function givenOf(node: ParsedElement, text: string, core: ComponentCore): Given {
  return { ...attributesOf(node, core), ...slotsOf(node, text) };
}

function attributesOf({ attrs }: ParsedElement, core: ComponentCore): Pick<Given, 'props' | 'others'> {
  const props: Record<string, unknown> = {};
  const others: Record<string, string> = {};
  const byAttribute = propsByAttribute(core);
  for (const { name, value } of attrs) {
    const index = byAttribute.get(name) ?? -1;
    const kind = core.props.kinds[index];
    if (kind)
      props[core.props.names[index] ?? ''] = asJson(kind.rules.word, readText(kind.rule, value), value);
    else others[name] = value;
  }
  return Object.keys(others).length > 0 ? { props, others } : { props };
}

/** A value that was read from an attribute, as JSON has it: what only text can say stays as it was written. */
function asJson(word: KindWord, read: unknown, text: string): unknown {
  return kindFacts[word].isJson ? read : text;
}

function slotsOf(element: ParsedElement, text: string): Pick<Given, 'slots' | 'names'> {
  const slots: Record<string, string> = {};
  const names: Record<string, string> = {};
  for (const node of element.childNodes) {
    const place = node.sourceCodeLocation;
    if (!place) continue;
    const attribute = (name: string): string | undefined =>
      'attrs' in node ? node.attrs.find((one) => one.name === name)?.value : undefined;
    const slot = attribute('slot') || 'default';
    let from = text.slice(place.startOffset, place.endOffset);
    const as = attribute('as');
    if ('content' in node && place && 'startTag' in place && as !== undefined) {
      from = text.slice(place.startTag?.endOffset, place.endTag?.startOffset);
      names[slot] = as;
    } else if (slot !== 'default' && 'attrs' in place && place.attrs?.slot) {
      const { endOffset, startOffset } = place.attrs.slot;
      from = text.slice(place.startOffset, startOffset).trimEnd() + text.slice(endOffset, place.endOffset);
    }
    slots[slot] = (slots[slot] ?? '') + from;
  }
  for (const [name, one] of Object.entries(slots)) {
    if (one.trim() === '') delete slots[name];
    else slots[name] = one.trim();
  }
  return Object.keys(names).length > 0 ? { slots, names } : { slots };
}

/**
 * What a use in functions was given, as the page edits it; undefined where a slot is filled by a function, whose lines
 * no HTML text has.
 */
export function givenTo(use: UseNode): Given | undefined {
  const slots: Record<string, string> = {};
  for (const [name, { content, data }] of Object.entries(use.slots)) {
    const text = data === undefined ? contentText(content) : undefined;
    if (text === undefined) return undefined;
    if (text !== '') slots[name] = text;
  }
  const props: Record<string, unknown> = {};
  for (const [name, value] of Object.entries(use.props)) {
    if (name === 'on' || value === undefined) continue;
    if (typeof value === 'function' || typeof value === 'symbol') return undefined;
    props[name] = value instanceof Date ? value.toISOString() : JSON.parse(JSON.stringify(value));
  }
  return { props, slots };
}

function contentText(content: Content): string | undefined {
  if (Array.isArray(content)) {
    const parts = content.map(contentText);
    return parts.every((one) => one !== undefined) ? parts.join('') : undefined;
  }
  if (isUse(content)) {
    const given = givenTo(content);
    return given && useText(content.component, given);
  }
  try {
    return renderHtml(ContentAlone({}, content));
  } catch {
    return undefined;
  }
}

/** Content that stands in nothing. */
const ContentAlone = component('content-alone', {
  slots: { default: slot() },
  template: ({ slots }) => slots.default(),
});
