import type { DefaultTreeAdapterTypes } from 'parse5';
import { PropNames } from './names.js';
import type { AttributePart, Part, Piece } from './parts.js';
import type { ParsedElement } from './select.js';

type Child = DefaultTreeAdapterTypes.ChildNode;

/** Blocks that cannot be one component, with the place where they part. */
export class BlocksDiffer extends Error {
  readonly at: number;

  constructor(message: string, at: number) {
    super(message);
    this.at = at;
  }
}

/** What blocks of one shape come to: the template they share, and the props of each. */
export interface Merged {
  readonly part: Part;
  readonly props: readonly string[];
  /** For each block the values of the props. */
  readonly values: readonly ReadonlyMap<string, string>[];
  /** What could not be taken over, as sentences. */
  readonly notes: readonly string[];
}

/** Lays blocks over one another. `slotOf` tells which elements' content becomes a slot. */
export function merge(
  blocks: readonly ParsedElement[],
  html: string,
  slotOf: (element: ParsedElement) => string | undefined,
): Merged {
  const merger = new Merger(blocks.length, html, slotOf);
  const part = merger.element(blocks);
  return { part, props: merger.names.all, values: merger.values, notes: merger.notes };
}

class Merger {
  readonly names = new PropNames();
  readonly values: Map<string, string>[];
  readonly notes: string[] = [];
  readonly html: string;
  readonly slotOf: (element: ParsedElement) => string | undefined;

  constructor(count: number, html: string, slotOf: (element: ParsedElement) => string | undefined) {
    this.values = Array.from({ length: count }, () => new Map<string, string>());
    this.html = html;
    this.slotOf = slotOf;
  }

  element(elements: readonly ParsedElement[]): Part {
    const [first] = elements as [ParsedElement, ...ParsedElement[]];
    const attributes = this.attributes(elements);
    const slot = this.slotOf(first);
    if (slot !== undefined)
      return { kind: 'element', tag: first.tagName, attributes, content: [{ kind: 'slot', name: slot }] };
    const lists = elements.map((one) =>
      'content' in one ? (one as DefaultTreeAdapterTypes.Template).content.childNodes : one.childNodes,
    );
    const content =
      lists[0]?.map((_child, at) =>
        this.child(
          lists.map((list) => list[at]),
          first,
        ),
      ) ?? [];
    for (const [at, list] of lists.entries()) {
      if (list.length !== content.length)
        this.differ(list[content.length] ?? (elements[at] as ParsedElement), first);
    }
    return { kind: 'element', tag: first.tagName, attributes, content };
  }

  child(children: readonly (Child | undefined)[], parent: ParsedElement): Part {
    const [first] = children;
    for (const child of children) {
      if (!child || child.nodeName !== first?.nodeName) this.differ(child ?? parent, parent);
    }
    if (first && 'tagName' in first) return this.element(children as readonly ParsedElement[]);
    if (first && 'value' in first) {
      const texts = children.map((child) => (child as { readonly value: string }).value);
      return { kind: 'text', pieces: this.pieces(texts, () => this.names.forText(parent)) };
    }
    const comments = children.map((child) => (child as { readonly data?: string }).data ?? '');
    return { kind: 'comment', text: comments[0] ?? '' };
  }

  /** Text that is the same everywhere stays; what differs becomes a prop, without the white space around it. */
  pieces(texts: readonly string[], name: () => string): Piece[] {
    const [first = ''] = texts;
    if (texts.every((text) => text === first)) return [first];
    const lead = /^\s*/.exec(first)?.[0] ?? '';
    const tail = /\s*$/.exec(first)?.[0] ?? '';
    const keeps = texts.every(
      (text) => text.startsWith(lead) && text.endsWith(tail) && text.length >= lead.length + tail.length,
    );
    const [start, end] = keeps ? [lead.length, tail.length] : [0, 0];
    const prop = name();
    for (const [at, text] of texts.entries())
      this.values[at]?.set(prop, text.slice(start, text.length - end));
    return [first.slice(0, start), { prop }, first.slice(first.length - end)].filter((piece) => piece !== '');
  }

  attributes(elements: readonly ParsedElement[]): AttributePart[] {
    const [first] = elements as [ParsedElement, ...ParsedElement[]];
    for (const element of elements) {
      if (element.attrs.map(({ name }) => name).join() !== first.attrs.map(({ name }) => name).join())
        this.differ(element, first);
    }
    return first.attrs.flatMap(({ name, prefix }, at): AttributePart[] => {
      const full = prefix ? `${prefix}:${name}` : name;
      if (/^on/.test(full)) {
        this.notes.push(
          `${full} of <${first.tagName}> was left out: markup carries no script. Name a handler instead.`,
        );
        return [];
      }
      const texts = elements.map((element) => element.attrs[at]?.value ?? '');
      if (texts.every((text) => text === texts[0]))
        return [{ name: full, value: this.isBare(first, full) ? true : [texts[0] ?? ''] }];
      if (full === 'style')
        throw new BlocksDiffer(
          'The style attributes of the blocks differ',
          first.sourceCodeLocation?.startOffset ?? 0,
        );
      return [
        {
          name: full,
          value:
            full === 'class' ? this.classes(texts) : this.pieces(texts, () => this.names.forAttribute(full)),
        },
      ];
    });
  }

  /** Classes word by word, where there are as many in each block. */
  classes(texts: readonly string[]): Piece[] {
    const lists = texts.map((text) => text.split(' '));
    const [first = []] = lists;
    if (lists.some((list) => list.length !== first.length || list.includes('')))
      return this.pieces(texts, () => this.names.forAttribute('class'));
    return first.flatMap((_word, at): Piece[] => {
      const found = this.pieces(
        lists.map((list) => list[at] ?? ''),
        () => this.names.forAttribute('class'),
      );
      return at === 0 ? found : [' ', ...found];
    });
  }

  isBare(element: ParsedElement, name: string): boolean {
    const place = element.sourceCodeLocation?.attrs?.[name];
    return place !== undefined && !this.html.slice(place.startOffset, place.endOffset).includes('=');
  }

  differ(here: Child | ParsedElement, first: ParsedElement): never {
    throw new BlocksDiffer(
      `The blocks are not of one shape: they part inside <${first.tagName}>`,
      here.sourceCodeLocation?.startOffset ?? 0,
    );
  }
}
