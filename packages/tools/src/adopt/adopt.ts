import { attributeOf, nameFault } from 'zesty-lattice/internal/component';
import { isDocument, Places, readDocument, readFragment } from 'zesty-lattice/internal/markup';
import { deepOr, failure, finding, type SourcePlace } from 'zesty-lattice/internal/problem';
import { isBlank } from 'zesty-lattice/internal/template';
import { BlocksDiffer, type DrawnProp, merge, type Wanted } from './merge.js';
import type { Part } from './parts.js';
import { fitsSelector, type ParsedElement, type ParsedNode, select } from './select.js';
import { builderCode, escapeAttribute, markupText, propertyKey, quoted } from './write.js';

/** Options of `adopt`. */
export interface AdoptOptions {
  /** The component's tag name. */
  readonly name: string;
  /** A CSS selector for the elements that become the component (default: the outermost element, or all with one structure). */
  readonly block?: string;
  /** Slots: the CSS selector of an element, and the name of the slot for its content. */
  readonly slots?: Readonly<Record<string, string>>;
  /**
   * Texts and attributes that become props although they are the same in all blocks: the CSS selector of an element, with
   * `@name` for an attribute, and the name of the prop.
   */
  readonly props?: Readonly<Record<string, string>>;
  /** Writes the template as HTML `text` or with `builders` (default: `text`). */
  readonly as?: 'text' | 'builders';
  /** The file of the HTML, for problems. */
  readonly file?: string;
}

/** A component drawn from HTML, as the texts of its files. */
export interface Adopted {
  /** The TypeScript module. */
  readonly module: string;
  /** The template text, where the component is written so. */
  readonly markup: string | undefined;
  /** The HTML it was drawn from, with the component's tag in the place of each block. */
  readonly sample: string;
  readonly props: readonly string[];
  readonly blocks: number;
  /** What could not be hydrated, as sentences. */
  readonly notes: readonly string[];
}

/**
 * Turns HTML that exists already into a component: texts and attributes that differ between blocks of one shape
 * become props, and the parts that are asked for become slots. White space stays as it is.
 *
 * @throws LatticeError `name-invalid`, or `adopt-failed` with the place where blocks part
 * @example
 * adopt('<div class="card"><h5>Dunlight</h5></div>', { name: 'fruit-card', slots: { h5: 'title' } }).markup;
 * // '<div class="card"><h5><slot name="title"></slot></h5></div>'
 */
export function adopt(html: string, options: AdoptOptions): Adopted {
  const wrong = nameFault(options.name);
  if (wrong) throw failure(wrong);
  const places = new Places(html, options.file ?? 'markup');
  const blocks = blocksIn(html, options, places);
  const [first] = blocks;
  if (!first) throw failed('There is no element to adopt', 'Give HTML with an element in it.', places.at(0));
  const slots = slotsIn(blocks, options, places);
  try {
    const merged = merge(blocks, html, (element) => slots.get(element)?.name, wantedProps(blocks, options));
    const names = [...new Set([...slots.values()].map(({ name }) => name))];
    const sample = sampleOf(html, blocks, merged.values, slots, options.name);
    return {
      ...modules(merged.part, merged.props, names, options),
      sample,
      props: merged.props.map(({ name }) => name),
      blocks: blocks.length,
      notes: merged.notes,
    };
  } catch (thrown) {
    if (!(thrown instanceof BlocksDiffer)) throw deepOr(thrown, options.name);
    const hint =
      'Make what differs a slot: --slot "selector=name"; or adopt fewer blocks: --block "selector".';
    throw failed(thrown.message, hint, places.at(thrown.at));
  }
}

/** Between the blocks of several pages while they are laid over one another. */
const between = '<!--lattice-next-block-->';

/** A page, and where the component's tags go in it. */
export interface AdoptedPage {
  readonly file: string;
  /** The page with the component's tag in the place of each block. */
  readonly html: string;
  readonly blocks: number;
}

/**
 * Turns blocks of several pages into one component, so that what differs between pages is a prop as well.
 *
 * @param pages their texts by their files
 * @returns the component, its sample the first page; and all pages with its tags in them
 * @throws LatticeError as `adopt` does
 */
export function adoptPages(
  pages: ReadonlyMap<string, string>,
  options: AdoptOptions,
): { readonly adopted: Adopted; readonly pages: readonly AdoptedPage[] } {
  const found = [...pages].map(([file, html]) => {
    const blocks = blocksIn(html, options, new Places(html, file));
    const places = blocks.flatMap(({ sourceCodeLocation: place }) => place ?? []);
    return { file, html, places };
  });
  const texts = found.flatMap(({ html, places }) =>
    places.map(({ endOffset, startOffset }) => html.slice(startOffset, endOffset)),
  );
  const { block: _block, ...others } = options;
  const adopted = adopt(texts.join(between), others);
  const uses = adopted.sample.split(between);
  if (uses.length !== texts.length || adopted.blocks !== texts.length)
    throw failed(
      `The blocks of the pages are not of one shape: ${adopted.blocks} of ${texts.length} are`,
      'Give a selector that picks elements with the same tag and class: --block "selector".',
    );
  let next = 0;
  const done = found.map(({ file, html, places }): AdoptedPage => {
    let text = '';
    let at = 0;
    for (const { endOffset, startOffset } of places) {
      text += html.slice(at, startOffset) + (uses[next++] ?? '');
      at = endOffset;
    }
    return { file, html: text + html.slice(at), blocks: places.length };
  });
  return { adopted: { ...adopted, sample: done[0]?.html ?? '' }, pages: done };
}

function failed(fault: string, hint: string, place?: SourcePlace): Error {
  return failure(finding('adopt-failed', { fault, hint }, place));
}

/** The elements that are to be the component. */
function blocksIn(html: string, { block }: AdoptOptions, places: Places): readonly ParsedElement[] {
  const isPage = isDocument(html);
  const root: ParsedNode = isPage ? readDocument(html) : readFragment(html);
  if (block !== undefined) {
    const found = picked(block, root);
    if (found.length === 0)
      throw failed(`Nothing here is "${block}"`, 'Give a CSS selector that picks the blocks.');
    return whole(found, places);
  }
  const body = isPage ? (select('body', root)[0] ?? root) : root;
  const outermost = ('childNodes' in body ? body.childNodes : []).filter(
    (node): node is ParsedElement => 'tagName' in node && !/^(script|style|link|meta)$/.test(node.tagName),
  );
  const [first] = outermost;
  const alike = outermost.filter((one) => first && shape(one) === shape(first));
  return whole(alike.length > 1 ? alike : outermost.slice(0, 1), places);
}

function picked(selector: string, below: ParsedNode): ParsedElement[] {
  try {
    return select(selector, below);
  } catch {
    throw failed(`"${selector}" is no CSS selector`, 'Write one such as .card, nav or h5.');
  }
}

/** Blocks that their end tags close; the others cannot be cut out. */
function whole(blocks: readonly ParsedElement[], places: Places): readonly ParsedElement[] {
  for (const { sourceCodeLocation: place, tagName: tag } of blocks) {
    if (!place?.endTag && !place?.startTag)
      throw failed(`<${tag}> is not written out here`, 'Write its tags.', places.at(0));
  }
  return blocks;
}

function shape(element: ParsedElement): string {
  const classes = element.attrs.find(({ name }) => name === 'class')?.value.split(' ')[0] ?? '';
  return `${element.tagName}.${classes}`;
}

interface SlotPlace {
  readonly name: string;
  readonly from: number;
  readonly to: number;
}

/** In each block the first element that a slot's selector picks. */
function slotsIn(
  blocks: readonly ParsedElement[],
  { slots = {} }: AdoptOptions,
  places: Places,
): ReadonlyMap<ParsedElement, SlotPlace> {
  const found = new Map<ParsedElement, SlotPlace>();
  for (const [selector, name] of Object.entries(slots)) {
    for (const block of blocks) {
      const [element] = fits(block, selector) ? [block] : picked(selector, block);
      const place = element?.sourceCodeLocation;
      if (!element || !place?.startTag || !place.endTag) {
        throw failed(
          `A block has no "${selector}" for the slot "${name}"`,
          'Give a selector that picks an element with an end tag in every block.',
          places.at(block.sourceCodeLocation?.startOffset ?? 0),
        );
      }
      found.set(element, { name, from: place.startTag.endOffset, to: place.endTag.startOffset });
    }
  }
  return found;
}

function fits(element: ParsedElement, selector: string): boolean {
  try {
    return fitsSelector(element, selector);
  } catch {
    throw failed(`"${selector}" is no CSS selector`, 'Write one such as .card, nav or h5.');
  }
}

/** The spaces and tabs before a place, where its line begins with them. */
function indentAt(html: string, at: number): string {
  let from = at;
  while (from > 0 && (html[from - 1] === ' ' || html[from - 1] === '\t')) from--;
  return from === 0 || html[from - 1] === '\n' ? html.slice(from, at) : '';
}

/** The HTML with uses in the place of the blocks. */
function sampleOf(
  html: string,
  blocks: readonly ParsedElement[],
  values: readonly ReadonlyMap<string, string | true>[],
  slots: ReadonlyMap<ParsedElement, SlotPlace>,
  name: string,
): string {
  let sample = '';
  let at = 0;
  let next = 0;
  const waiting = [...slots.values()].sort((one, other) => one.from - other.from);
  for (const [index, block] of blocks.entries()) {
    const place = block.sourceCodeLocation;
    if (!place) continue;
    const props = [...(values[index] ?? [])].map(
      ([prop, text]) => ` ${attributeOf(prop)}${text === true ? '' : `="${escapeAttribute(text)}"`}`,
    );
    // Both stand in the order of the text, so that each slot is looked at once.
    while ((waiting[next]?.from ?? Infinity) < place.startOffset) next++;
    const inside: SlotPlace[] = [];
    while ((waiting[next]?.from ?? Infinity) < place.endOffset) inside.push(waiting[next++] as SlotPlace);
    const indent = indentAt(html, place.startOffset);
    const content = inside.map(
      ({ name: slot, from, to }) =>
        `\n${indent}  <template slot="${slot}">${html.slice(from, to)}</template>`,
    );
    const end = content.length > 0 ? `\n${indent}` : '';
    sample += `${html.slice(at, place.startOffset)}<${name}${props.join('')}>${content.join('')}${end}</${name}>`;
    at = place.endOffset;
  }
  return sample + html.slice(at);
}

const kindCode: Readonly<Record<DrawnProp['kind'], string>> = {
  text: 'prop.text()',
  optional: 'prop.text().optional()',
  flag: 'prop.flag()',
};

/** The names of props that were asked for, by the elements that their selectors pick in the first block. */
function wantedProps(blocks: readonly ParsedElement[], { props = {} }: AdoptOptions): Wanted {
  const [first] = blocks;
  const found = new Map<ParsedElement, Map<string | undefined, string>>();
  for (const [asked, name] of Object.entries(props)) {
    const [, selector = asked, attribute] = /^(.*)@([\w:-]+)$/.exec(asked) ?? [];
    const element = first && (fits(first, selector) ? first : picked(selector, first)[0]);
    const isText = element?.childNodes.some((child) => 'value' in child && !isBlank(child.value));
    const has = attribute === undefined ? isText : element?.attrs.some((one) => one.name === attribute);
    if (!element || !has)
      throw failed(
        `The first block has no ${attribute === undefined ? 'text' : `attribute ${attribute}`} in "${selector}" for the prop "${name}"`,
        'Give the selector of an element with a text of its own, or selector@attribute.',
      );
    found.set(element, (found.get(element) ?? new Map()).set(attribute, name));
  }
  return (element, attribute) => found.get(element)?.get(attribute);
}

function modules(
  part: Part,
  props: readonly DrawnProp[],
  slots: readonly string[],
  { name, as = 'text' }: AdoptOptions,
): Pick<Adopted, 'module' | 'markup'> {
  // A tag name may hold more than a name in code: https://html.spec.whatwg.org/#valid-custom-element-name
  const exportName = name
    .replace(/(?:^|[^A-Za-z0-9]+)([A-Za-z0-9])/g, (_whole, letter: string) => letter.toUpperCase())
    .replace(/[^A-Za-z0-9]+/g, '');
  const declared = [
    ...(props.length > 0
      ? [`  props: { ${props.map(({ kind, name: prop }) => `${prop}: ${kindCode[kind]}`).join(', ')} },`]
      : []),
    ...(slots.length > 0
      ? [`  slots: { ${slots.map((slot) => `${propertyKey(slot)}: slot()`).join(', ')} },`]
      : []),
  ];
  const names = ['component', ...(props.length > 0 ? ['prop'] : []), ...(slots.length > 0 ? ['slot'] : [])];
  if (as === 'text') {
    const lines = [
      `import { ${names.join(', ')} } from 'zesty-lattice';`,
      `import { markupFile } from 'zesty-lattice/markup';`,
      '',
      `export const ${exportName} = component(${quoted(name)}, {`,
      ...declared,
      `  template: markupFile(import.meta.url, ${quoted(`./${name}.html`)}),`,
      '});',
    ];
    return { module: `${lines.join('\n')}\n`, markup: `${markupText(part)}\n` };
  }
  const { code, needs } = builderCode(part);
  const context = [...(props.length > 0 ? ['props'] : []), ...(slots.length > 0 ? ['slots'] : [])];
  const lines = [
    `import { ${[...names, 'el', ...needs].sort().join(', ')} } from 'zesty-lattice';`,
    '',
    `export const ${exportName} = component(${quoted(name)}, {`,
    ...declared,
    `  template: (${context.length > 0 ? `{ ${context.join(', ')} }` : ''}) =>`,
    `    ${code},`,
    '});',
  ];
  return { module: `${lines.join('\n')}\n`, markup: undefined };
}
