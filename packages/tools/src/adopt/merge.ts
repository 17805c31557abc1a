import type { DefaultTreeAdapterTypes } from 'parse5';
import { isBlank } from 'zesty-lattice/internal/template';
import { referring } from 'zesty-lattice/internal/tree';
import { declarationsIn } from './declarations.js';
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

/** A prop that was drawn: a flag and an optional one are of attributes that only some blocks have. */
export interface DrawnProp {
  readonly name: string;
  readonly kind: 'text' | 'optional' | 'flag';
}

/** The names of props that were asked for: of texts by their element, of attributes by element and name. */
export type Wanted = (element: ParsedElement, attribute: string | undefined) => string | undefined;

/** What blocks of one shape come to: the template they share, and the props of each. */
export interface Merged {
  readonly part: Part;
  readonly props: readonly DrawnProp[];
  /** For each block the values of the props; true for a flag that it has. */
  readonly values: readonly ReadonlyMap<string, string | true>[];
  /** What could not be hydrated, as sentences. */
  readonly notes: readonly string[];
}

/** Lays blocks over one another. `slotOf` tells which elements' content becomes a slot. */
export function merge(
  blocks: readonly ParsedElement[],
  html: string,
  slotOf: (element: ParsedElement) => string | undefined,
  wanted: Wanted = () => undefined,
): Merged {
  const merger = new Merger(blocks.length, html, slotOf, wanted);
  const part = merger.element(blocks);
  const props = merger.names.all.map((name) => ({ name, kind: merger.kinds.get(name) ?? ('text' as const) }));
  return { part, props, values: merger.values, notes: merger.notes };
}

class Merger {
  readonly names = new PropNames();
  readonly values: Map<string, string | true>[];
  readonly kinds = new Map<string, DrawnProp['kind']>();
  readonly notes: string[] = [];
  /** The props that are ids. */
  readonly ids = new Set<string>();
  readonly html: string;
  readonly slotOf: (element: ParsedElement) => string | undefined;

  readonly wanted: Wanted;

  constructor(
    count: number,
    html: string,
    slotOf: (element: ParsedElement) => string | undefined,
    wanted: Wanted,
  ) {
    this.values = Array.from({ length: count }, () => new Map<string, string | true>());
    this.html = html;
    this.slotOf = slotOf;
    this.wanted = wanted;
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
      const asked = this.wanted(parent, undefined);
      const isSpace = texts.every(isBlank);
      return {
        kind: 'text',
        pieces: this.pieces(
          texts,
          () => (asked === undefined ? this.names.forText(parent) : this.names.free(asked)),
          asked !== undefined && !isSpace,
        ),
      };
    }
    const comments = children.map((child) => (child as { readonly data?: string }).data ?? '');
    return { kind: 'comment', text: comments[0] ?? '' };
  }

  /** Text that is the same everywhere stays; what differs becomes a prop, without the white space around it. */
  pieces(texts: readonly string[], name: () => string, isAsked = false): Piece[] {
    const [first = ''] = texts;
    if (!isAsked && texts.every((text) => text === first)) return [first];
    const lead = /^\s*/.exec(first)?.[0] ?? '';
    const tail = /\s*$/.exec(first)?.[0] ?? '';
    const keeps = texts.every(
      (text) => text.startsWith(lead) && text.endsWith(tail) && text.length >= lead.length + tail.length,
    );
    const [start, end] = keeps ? [lead.length, tail.length] : [0, 0];
    const values = texts.map((text) => text.slice(start, text.length - end));
    const prop = name();
    for (const [at, value] of values.entries()) this.values[at]?.set(prop, value);
    return [first.slice(0, start), { prop }, first.slice(first.length - end)].filter((piece) => piece !== '');
  }

  /** An id, or a reference to one: one prop for all places that have the same in each block. */
  reference(texts: readonly string[], name: () => string): Piece[] {
    const sign = texts.every((text) => text.startsWith('#')) ? '#' : '';
    const values = texts.map((text) => text.slice(sign.length));
    const known = this.known(values, this.ids);
    const prop = known ?? name();
    this.ids.add(prop);
    for (const [at, value] of values.entries()) this.values[at]?.set(prop, value);
    return sign === '' ? [{ prop }] : [sign, { prop }];
  }

  /** A prop that has these values in the blocks already. */
  known(values: readonly string[], among: Iterable<string>): string | undefined {
    return [...among].find((prop) => values.every((value, at) => this.values[at]?.get(prop) === value));
  }

  attributes(elements: readonly ParsedElement[]): AttributePart[] {
    const [first] = elements as [ParsedElement, ...ParsedElement[]];
    return this.order(elements).flatMap((full): AttributePart[] => {
      if (/^on/.test(full)) {
        this.notes.push(
          `${full} of <${first.tagName}> was left out: markup carries no script. Name a handler instead.`,
        );
        return [];
      }
      const found = elements.map((element) => element.attrs.find((one) => nameOf(one) === full)?.value);
      const asked = this.wanted(first, full);
      const name = (): string =>
        asked === undefined ? this.names.forAttribute(full, first) : this.names.free(asked);
      if (found.includes(undefined)) return [this.missing(full, elements, found, name)];
      const texts = found as readonly string[];
      if (asked === undefined && texts.every((text) => text === texts[0]))
        return [{ name: full, value: this.isBare(first, full) ? true : [texts[0] ?? ''] }];
      if (full === 'style') return [{ name: full, value: this.declarations(texts, elements) }];
      if (asked === undefined && isReference(full, texts))
        return [{ name: full, value: this.reference(texts, name) }];
      const isWords = full === 'class' && asked === undefined;
      return [
        {
          name: full,
          value: isWords ? this.classes(texts, first) : this.pieces(texts, name, asked !== undefined),
        },
      ];
    });
  }

  /** The names of all attributes, in an order that each element has its own in. */
  order(elements: readonly ParsedElement[]): readonly string[] {
    const [first] = elements as [ParsedElement, ...ParsedElement[]];
    const names: string[] = first.attrs.map(nameOf);
    for (const element of elements) {
      let at = 0;
      for (const name of element.attrs.map(nameOf)) {
        const known = names.indexOf(name);
        if (known >= 0 && known < at) this.differ(element, first);
        if (known < 0) names.splice(at, 0, name);
        at = names.indexOf(name) + 1;
      }
    }
    return names;
  }

  /** An attribute that only some have: a flag where it is its name alone, else a prop that may be left out. */
  missing(
    full: string,
    elements: readonly ParsedElement[],
    found: readonly (string | undefined)[],
    name: () => string,
  ): AttributePart {
    const isFlag = elements.every((element, at) => found[at] === undefined || this.isBare(element, full));
    if (full === 'style')
      this.differ(elements[found.indexOf(undefined)] as ParsedElement, elements[0] as ParsedElement);
    const prop = name();
    this.kinds.set(prop, isFlag ? 'flag' : 'optional');
    for (const [at, text] of found.entries())
      if (text !== undefined) this.values[at]?.set(prop, isFlag ? true : text);
    return { name: full, value: [{ prop }] };
  }

  /** Classes word by word, where there are as many in each block. */
  classes(texts: readonly string[], element: ParsedElement): Piece[] {
    const lists = texts.map((text) => text.split(' '));
    const [first = []] = lists;
    if (lists.some((list) => list.length !== first.length || list.includes('')))
      return this.pieces(texts, () => this.names.forAttribute('class', element));
    return first.flatMap((_word, at): Piece[] => {
      const found = this.pieces(
        lists.map((list) => list[at] ?? ''),
        () => this.names.forAttribute('class', element),
      );
      return at === 0 ? found : [' ', ...found];
    });
  }

  /** CSS declarations, one by one: the value of one that differs becomes a prop of its property's name. */
  declarations(texts: readonly string[], elements: readonly ParsedElement[]): Piece[] {
    const lists = texts.map(declarationsIn);
    const [first = []] = lists;
    const at = lists.findIndex(
      (list) => list.length !== first.length || list.some(({ name }, index) => name !== first[index]?.name),
    );
    if (at >= 0)
      throw new BlocksDiffer(
        `The style attributes of the blocks set other properties: "${texts[0]}" and "${texts[at]}". A prop can take the value of a property that all of them set`,
        elements[at]?.sourceCodeLocation?.startOffset ?? 0,
      );
    return first.flatMap(({ before }, index): Piece[] => [
      before,
      ...this.pieces(
        lists.map((list) => list[index]?.value ?? ''),
        () => this.names.free(first[index]?.name ?? 'style'),
      ),
    ]);
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

/** Whether an attribute is an id or names one (https://html.spec.whatwg.org/#the-id-attribute). */
function isReference(name: string, texts: readonly string[]): boolean {
  if (name === 'href') return texts.every((text) => /^#./.test(text));
  return (name === 'id' || referring.has(name)) && texts.every((text) => !/\s/.test(text));
}

function nameOf({ name, prefix }: ParsedElement['attrs'][number]): string {
  return prefix ? `${prefix}:${name}` : name;
}
