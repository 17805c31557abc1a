import type { DefaultTreeAdapterTypes } from 'parse5';
import {
  type ComponentCore,
  isHostAttribute,
  propsByAttribute,
  readText,
  type SlotContent,
  UseNode,
} from '../../component/index.js';
import { isInteractive } from '../../plan/index.js';
import {
  type Finding,
  finding,
  type Problem,
  placed,
  saidInText,
  suggest,
  type TextPlace,
} from '../../problem/index.js';
import {
  type Content,
  deeper,
  isBlank,
  localExpr,
  trimmedEnd,
  trimmedStart,
  trusted,
  voidElements,
} from '../../template/index.js';
import { unknownAttribute } from '../../tree/index.js';
import { Places } from '../syntax/place.js';
import { readMarkup } from '../syntax/read-node.js';
import { contentOf } from '../template/content.js';
import { TextReading } from '../template/reading.js';
import type { Catalog } from './catalog.js';

type Parsed = DefaultTreeAdapterTypes.ChildNode;
type ParsedElement = DefaultTreeAdapterTypes.Element;

/**
 * Makes uses of the component tags in a document. What stands between a component's tags goes to its slots as it is
 * written, letter by letter, save for components further in.
 */
export class DocumentUses {
  readonly #html: string;
  readonly #places: Places;
  readonly #catalog: Catalog;
  readonly #report: (problem: Problem) => void;
  /** Where the last component that was read ends. */
  #end = 0;

  constructor(html: string, places: Places, catalog: Catalog, report: (problem: Problem) => void) {
    this.#html = html;
    this.#places = places;
    this.#catalog = catalog;
    this.#report = report;
  }

  /** Whether an offset lies inside a component that was read already. */
  isInside(offset: number): boolean {
    return offset < this.#end;
  }

  /** The use that a component's tag stands for; undefined where the tag is never closed, which is reported. */
  useOf(element: ParsedElement, component: ComponentCore): UseNode | undefined {
    const place = element.sourceCodeLocation;
    if (!place?.startTag || !place.endTag) {
      this.say(
        finding(
          'tag-unclosed',
          { tag: component.name, before: '' },
          this.#places.at(place?.startOffset ?? 0),
        ),
      );
      return undefined;
    }
    this.#end = Math.max(this.#end, place.endOffset);
    const props = this.props(element, component);
    const slots = this.slots(element, component);
    const use = new UseNode(component, props, undefined, DocumentUses, slots);
    use.host = this.host(element, component);
    const written: TextPlace = {
      textPlace: this.#places.at(place.startOffset),
      attribute: (name) => {
        const found = Object.entries(place.attrs ?? {}).find(([key]) => key.replace(/-/g, '') === name);
        return found && this.#places.at(found[1].startOffset);
      },
    };
    Object.defineProperty(use, 'place', { value: written });
    return use;
  }

  /** The attributes of an interactive component's tag that are no props, as they are written. */
  host({ attrs, sourceCodeLocation }: ParsedElement, component: ComponentCore): string {
    if (!isInteractive(component)) return '';
    const props = propsByAttribute(component);
    const written = attrs
      .filter(({ name }) => !props.has(name) && name !== 'slot' && standsOnHost(name, component))
      .map(({ name }) => sourceCodeLocation?.attrs?.[name])
      .map((place) => (place ? ` ${this.#html.slice(place.startOffset, place.endOffset)}` : ''));
    return written.join('');
  }

  say(found: Finding): void {
    this.#report(placed(saidInText(found), ''));
  }

  props({ attrs, sourceCodeLocation }: ParsedElement, component: ComponentCore): Record<string, unknown> {
    const { names, kinds } = component.props;
    const byAttribute = propsByAttribute(component);
    const props: Record<string, unknown> = Object.create(null);
    for (const { name, value } of attrs) {
      if (name === 'slot') continue;
      const index = byAttribute.get(name) ?? -1;
      const kind = kinds[index];
      if (kind) props[names[index] ?? ''] = readText(kind.rule, value);
      else if (
        component.accepts !== undefined ||
        (isHostAttribute(name, component) && !isInteractive(component))
      )
        props[name] = value;
      else if (!(isInteractive(component) && standsOnHost(name, component))) {
        const hint = suggest(name, [...byAttribute.keys()], 'prop');
        const at = sourceCodeLocation?.attrs?.[name]?.startOffset ?? sourceCodeLocation?.startOffset ?? 0;
        this.say(
          finding('prop-unknown', { component: component.name, prop: name, hint }, this.#places.at(at)),
        );
      }
    }
    return props;
  }

  slots(element: ParsedElement, component: ComponentCore): Record<string, SlotContent> {
    const parts = new Map<string, Content[]>();
    const slots: Record<string, SlotContent> = Object.create(null);
    const add = (name: string, content: readonly Content[]): void => {
      parts.set(name, [...(parts.get(name) ?? []), ...content]);
    };
    const nodes = element.childNodes;
    const { startTag, endTag } = element.sourceCodeLocation ?? {};
    let at = startTag?.endOffset ?? 0;
    for (const { child, from, slot, to } of namedIn(nodes, isInteractive(component))) {
      if (from < at) continue;
      // All that is written between goes to the default slot, also what a parser makes nothing of.
      add('default', this.between(nodes, at, from));
      const as = child.attrs.find((one) => one.name === 'as')?.value;
      at = to;
      if (slot === undefined) continue;
      if (isTemplate(child) && as !== undefined) slots[slot] = this.dataContent(child, as, component);
      else add(slot, this.child(child, nodes));
    }
    add('default', this.between(nodes, at, endTag?.startOffset ?? at));
    for (const [name, content] of parts) {
      const given = trimmed(content);
      if (given.length > 0) slots[name] = { content: given, data: undefined };
    }
    return slots;
  }

  /** A child that names its slot, as content; without that attribute, which has done its work. */
  child(child: ParsedElement, siblings: readonly Parsed[]): Content[] {
    const place = child.sourceCodeLocation;
    if (!place) return [];
    const component = this.#catalog.components.get(child.tagName);
    if (component) {
      const use = this.useOf(child, component);
      return use ? [use] : [this.written(place.startOffset, place.endOffset)];
    }
    const { startTag, endTag, attrs } = place;
    if (isTemplate(child) && startTag && endTag) {
      // In brackets, so that the white space at its ends is not taken for layout: a template's content is exact.
      const { childNodes } = child.content;
      const inside = this.between(childNodes, startTag.endOffset, endTag.startOffset);
      return [[...inside, ...openAtEnd(childNodes).map((tag) => trusted(`</${tag}>`))]];
    }
    const slot = attrs?.slot;
    if (!slot) return this.between(siblings, place.startOffset, place.endOffset);
    const before = this.#html.slice(place.startOffset, slot.startOffset).trimEnd();
    // What stood on its two sides is not to become one word.
    const apart = /[\s>]/.test(this.#html[slot.endOffset] ?? '>') ? '' : ' ';
    return [trusted(before + apart), ...this.between(siblings, slot.endOffset, place.endOffset)];
  }

  /** A stretch of the document in which these nodes stand: its text, with components further in made uses. */
  between(nodes: readonly Parsed[], from: number, to: number): Content[] {
    const content: Content[] = [];
    let at = from;
    for (const { component, node, place } of this.#componentsIn(nodes)) {
      if (place.startOffset < at || place.endOffset > to) continue;
      const use = this.useOf(node, component);
      if (!use) continue;
      content.push(this.written(at, place.startOffset), use);
      at = place.endOffset;
    }
    content.push(this.written(at, to));
    return content;
  }

  /** The outermost components among nodes, in the order they are written, which is not that of a tree where tables are. */
  #componentsIn(nodes: readonly Parsed[]): readonly ComponentTag[] {
    const found: ComponentTag[] = [];
    const visit = (node: Parsed): void => {
      if (!('tagName' in node)) return;
      const component = this.#catalog.components.get(node.tagName);
      const place = node.sourceCodeLocation;
      if (component && place) found.push({ component, node, place });
      else node.childNodes.forEach(visit);
    };
    nodes.forEach(visit);
    return found.sort((a, b) => a.place.startOffset - b.place.startOffset);
  }

  written(from: number, to: number): Content {
    const text = this.#html.slice(from, to);
    return text === '' ? null : trusted(text);
  }

  /** `<template slot="row" as="variety">`: content for a slot that passes data, with interpolations that read it. */
  dataContent(template: DefaultTreeAdapterTypes.Template, as: string, component: ComponentCore): SlotContent {
    const { startTag, endTag } = template.sourceCodeLocation ?? {};
    const from = startTag?.endOffset ?? 0;
    const text = this.#html.slice(from, endTag?.startOffset ?? from);
    const { frame: _frame, ...first } = this.#places.at(from);
    const places = new Places(text, this.#places.file, first);
    const { nodes, marked, findings } = readMarkup(text, places);
    const all = [...findings];
    const nothing = {
      ...component,
      props: noProps,
      slots: noProps,
      state: undefined,
      helpers: {},
      handlers: {},
    };
    const reading = new TextReading(
      { ...nothing, uses: [...this.#catalog.components.values()], foreign: this.#catalog.foreign },
      places,
      marked.holes,
      all,
      contentOf,
    );
    return deeper(1, (local) => {
      const content = reading.content(nodes, new Map([[as, localExpr(local, as, 'data')]]));
      for (const found of all) this.say(found);
      return { content, data: local };
    });
  }
}

/** Elements that are open where a template ends, and that ended with it: the innermost first. */
function openAtEnd(nodes: readonly Parsed[]): readonly string[] {
  const last = nodes.findLast((one) => 'tagName' in one);
  if (!last || !('tagName' in last)) return [];
  const { sourceCodeLocation: place, tagName } = last;
  return place && !place.endTag && !voidElements.has(tagName) ? [...openAtEnd(last.childNodes), tagName] : [];
}

/** A component's tag in a document. */
interface ComponentTag {
  readonly component: ComponentCore;
  readonly node: ParsedElement;
  readonly place: { readonly startOffset: number; readonly endOffset: number };
}

/** A child of a component's tag that names its slot; without one, the shadow root that somebody rendered it with. */
interface Named {
  readonly child: ParsedElement;
  readonly slot: string | undefined;
  readonly from: number;
  readonly to: number;
}

/**
 * Children that name their slot, in the order they are written: what may not stand in a table a parser puts before it
 * (https://html.spec.whatwg.org/#foster-parent), and such a child is part of the table.
 */
function namedIn(nodes: readonly Parsed[], isElement: boolean): readonly Named[] {
  const named = nodes.flatMap((child): Named[] => {
    const place = child.sourceCodeLocation;
    if (!place || !('tagName' in child)) return [];
    const attribute = (wanted: string): string | undefined =>
      child.attrs.find(({ name }) => name === wanted)?.value;
    const slot = attribute('slot');
    const isRoot = isElement && isTemplate(child) && attribute('shadowrootmode') !== undefined;
    if (slot === undefined && !isRoot) return [];
    return [
      {
        child,
        slot: isRoot ? undefined : slot || 'default',
        from: place.startOffset,
        to: place.endOffset,
      },
    ];
  });
  const tables = nodes.filter((one) => one.nodeName === 'table').map((one) => one.sourceCodeLocation);
  const isInTable = ({ from, to }: Named): boolean =>
    tables.some((table) => table && from > table.startOffset && to <= table.endOffset);
  return named.filter((one) => !isInTable(one)).sort((a, b) => a.from - b.from);
}

/** What an interactive component's own element may have besides its props: what every element may, and a field's part in its form. */
function standsOnHost(name: string, { field }: ComponentCore): boolean {
  return unknownAttribute('div', name) === undefined || (field !== undefined && /^(name|form)$/.test(name));
}

const noProps = { names: [], kinds: [], at: new Map<string, number>() };

function isTemplate(node: Parsed): node is DefaultTreeAdapterTypes.Template {
  return 'content' in node;
}

/** Content without the white space at its ends, which is the source's own layout. */
function trimmed(content: readonly Content[]): Content[] {
  const kept = content.filter((part) => part !== null);
  const space = (part: Content): boolean => {
    const text = textOf(part);
    return text !== undefined && isBlank(text);
  };
  while (kept.length > 0 && space(kept[0])) kept.shift();
  while (kept.length > 0 && space(kept.at(-1))) kept.pop();
  const first = textOf(kept[0]);
  if (first !== undefined) kept[0] = trusted(trimmedStart(first));
  const last = textOf(kept.at(-1));
  if (last !== undefined) kept[kept.length - 1] = trusted(trimmedEnd(last));
  return kept;
}

function textOf(part: Content): string | undefined {
  if (typeof part !== 'object' || part === null || !('kind' in part) || part.kind !== 'trusted')
    return undefined;
  return String((part as { html?: unknown }).html);
}
