import type { DefaultTreeAdapterTypes } from 'parse5';
import {
  type ComponentCore,
  propsByAttribute,
  readText,
  type SlotContent,
  UseNode,
} from '../../component/index.js';
import { isInteractive } from '../../plan/index.js';
import { type Finding, finding, type Problem, placed, suggest } from '../../problem/index.js';
import { type Content, deeper, localExpr, trusted } from '../../template/index.js';
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

  /** The use that a component's tag stands for; undefined where the tag is never closed, which is told. */
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
    Object.defineProperty(use, 'place', { value: this.#places.at(place.startOffset) });
    return use;
  }

  /** The attributes of a live component's tag that are no props, as they are written. */
  host({ attrs, sourceCodeLocation }: ParsedElement, component: ComponentCore): string {
    if (!isInteractive(component)) return '';
    const props = propsByAttribute(component);
    const written = attrs
      .filter(({ name }) => !props.has(name) && name !== 'slot' && isHostAttribute(name, component))
      .map(({ name }) => sourceCodeLocation?.attrs?.[name])
      .map((place) => (place ? ` ${this.#html.slice(place.startOffset, place.endOffset)}` : ''));
    return written.join('');
  }

  say(found: Finding): void {
    this.#report(placed(found, ''));
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
      else if (component.accepts !== undefined) props[name] = value;
      else if (!(isInteractive(component) && isHostAttribute(name, component))) {
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
    for (const child of element.childNodes) {
      const slot = 'attrs' in child ? child.attrs.find(({ name }) => name === 'slot')?.value : undefined;
      const name = slot || 'default';
      const as = 'attrs' in child ? child.attrs.find((one) => one.name === 'as')?.value : undefined;
      if (isTemplate(child) && slot !== undefined && as !== undefined) {
        slots[name] = this.dataContent(child, as, component);
      } else parts.set(name, [...(parts.get(name) ?? []), ...this.child(child, slot !== undefined)]);
    }
    for (const [name, content] of parts) {
      const given = trimmed(content);
      if (given.length > 0) slots[name] = { content: given, data: undefined };
    }
    return slots;
  }

  /** One child of a component's tag, as content; without its `slot` attribute, which has done its work. */
  child(child: Parsed, isNamed: boolean): Content[] {
    const place = child.sourceCodeLocation;
    if (!place) return [];
    if (!('tagName' in child)) return [this.written(place.startOffset, place.endOffset)];
    const component = this.#catalog.components.get(child.tagName);
    if (component) {
      const use = this.useOf(child, component);
      return use ? [use] : [this.written(place.startOffset, place.endOffset)];
    }
    const { startTag, endTag, attrs } = child.sourceCodeLocation ?? {};
    if (isNamed && isTemplate(child) && startTag && endTag) {
      // In brackets, so that the white space at its ends is not taken for layout: a template's content is exact.
      return [this.between(child.content.childNodes, startTag.endOffset, endTag.startOffset)];
    }
    const slot = isNamed ? attrs?.slot : undefined;
    if (!slot) return this.between([child], place.startOffset, place.endOffset);
    const before = this.#html.slice(place.startOffset, slot.startOffset).trimEnd();
    // What stood on its two sides is not to become one word.
    const apart = /[\s>]/.test(this.#html[slot.endOffset] ?? '>') ? '' : ' ';
    return [trusted(before + apart), ...this.between(child.childNodes, slot.endOffset, place.endOffset)];
  }

  /** A stretch of the document in which these nodes stand: its text, with components further in made uses. */
  between(nodes: readonly Parsed[], from: number, to: number): Content[] {
    const content: Content[] = [];
    let at = from;
    const visit = (node: Parsed): void => {
      if (!('tagName' in node)) return;
      const component = this.#catalog.components.get(node.tagName);
      const place = node.sourceCodeLocation;
      if (!component || !place) return node.childNodes.forEach(visit);
      const use = this.useOf(node, component);
      if (!use) return;
      content.push(this.written(at, place.startOffset), use);
      at = place.endOffset;
    };
    nodes.forEach(visit);
    content.push(this.written(at, to));
    return content;
  }

  written(from: number, to: number): Content {
    const text = this.#html.slice(from, to);
    return text === '' ? null : trusted(text);
  }

  /** `<template slot="row" as="variety">`: content for a slot that hands data, with holes that read it. */
  dataContent(template: DefaultTreeAdapterTypes.Template, as: string, component: ComponentCore): SlotContent {
    const { startTag, endTag } = template.sourceCodeLocation ?? {};
    const from = startTag?.endOffset ?? 0;
    const text = this.#html.slice(from, endTag?.startOffset ?? from);
    const { frame: _frame, ...first } = this.#places.at(from);
    const places = new Places(text, this.#places.file, first);
    const { nodes, marked, findings } = readMarkup(text, places);
    const all = [...findings];
    const nothing = { ...component, props: none, slots: none, state: undefined, helpers: {}, handlers: {} };
    const reading = new TextReading(
      { ...nothing, uses: [...this.#catalog.components.values()], foreign: this.#catalog.foreign },
      places,
      marked.holes,
      all,
    );
    return deeper(1, (local) => {
      const content = contentOf(nodes, new Map([[as, localExpr(local, as, 'data')]]), reading);
      for (const found of all) this.say(found);
      return { content, data: local };
    });
  }
}

/** What a live component's own element may have besides its props: what every element may, and a field's part in its form. */
function isHostAttribute(name: string, { field }: ComponentCore): boolean {
  return unknownAttribute('div', name) === undefined || (field !== undefined && /^(name|form)$/.test(name));
}

const none = { names: [], kinds: [], at: new Map<string, number>() };

function isTemplate(node: Parsed): node is DefaultTreeAdapterTypes.Template {
  return 'content' in node;
}

/** Content without the white space at its ends, which is the source's own layout. */
function trimmed(content: readonly Content[]): Content[] {
  const kept = content.filter((part) => part !== null);
  const space = (part: Content): boolean => textOf(part)?.trim() === '';
  while (kept.length > 0 && space(kept[0])) kept.shift();
  while (kept.length > 0 && space(kept.at(-1))) kept.pop();
  const first = textOf(kept[0]);
  if (first !== undefined) kept[0] = trusted(first.trimStart());
  const last = textOf(kept.at(-1));
  if (last !== undefined) kept[kept.length - 1] = trusted(last.trimEnd());
  return kept;
}

function textOf(part: Content): string | undefined {
  if (typeof part !== 'object' || part === null || !('kind' in part) || part.kind !== 'trusted')
    return undefined;
  return String((part as { html?: unknown }).html);
}
